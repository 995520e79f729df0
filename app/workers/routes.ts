import { parseFormula } from '#core/formula'
import { propose, shelfOf, stuffOf, type Proposals, type Stuff } from '#core/route'

/** What is asked: formulas as text. `has` is what the lab's shelf holds; it joins what is usual, and is taken rather. */
export interface RoutesQuestion {
  readonly number: number
  readonly product: string
  readonly isFormSaid: boolean
  readonly from: readonly string[]
  readonly has: readonly string[]
}
export interface RoutesAnswer {
  readonly number: number
  readonly proposals: Proposals
}

const stuffs = (texts: readonly string[]): Stuff[] => texts.flatMap(text => stuffOf(text) ?? [])

self.onmessage = ({ data }: MessageEvent<RoutesQuestion>): void => {
  const product = parseFormula(data.product)
  const proposals = product.ok
    ? propose(product.value, data.isFormSaid, shelfOf(stuffs(data.from), undefined, stuffs(data.has)))
    : { routes: [], why: `${data.product} cannot be read.` }
  self.postMessage({ number: data.number, proposals } satisfies RoutesAnswer)
}
