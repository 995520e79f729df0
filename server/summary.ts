import { colourOf, parseFormula } from '#core/formula'
import type { Entry } from '#core/journal'
import { nextWant, type NextWant } from '#core/result'
import type { Batch } from './db/batches'

export interface BatchSummary extends NextWant {
  readonly code: string
  readonly title: string
  readonly product: string
  readonly colour?: { readonly word: string, readonly swatch: string }
  readonly touchedAt: string
}

/** One line of the list: the product, its colour, and where the batch stands. */
export function summaryOf({ code, document, touchedAt }: Batch, entries: readonly Entry[]): BatchSummary {
  const { product } = document.plan.stages.at(-1)!
  const form = product.form ?? product.species
  const read = parseFormula(form)
  const colour = read.ok ? colourOf(read.value) : undefined
  return { code, title: document.title, product: form, ...(colour && { colour }), touchedAt, ...nextWant(document.plan, entries) }
}
