import { counterIons, metalCharges, substances, usualReagents } from '#core/reference'
import { stuffOf, type Stuff } from './stuff'

/** What a route may take: what it must start from, and what may join. */
export interface Shelf {
  readonly from: readonly Stuff[]
  /** By key: how readily it is taken, 0 to 2. */
  readonly may: ReadonlyMap<string, number>
  /** What the lab's shelf has, by key: the rest would have to be bought. */
  readonly has?: ReadonlySet<string>
  /** Nobody said what alone may join. */
  readonly isOpen?: boolean
}

/** What a shelf has joins by itself where it is a usual reagent, or is no salt of a heavy metal: those are what routes start from, and are named. */
const joins = ({ key, elements }: Stuff): boolean =>
  usualOnes().has(key) || ![...elements].some(one => one in metalCharges && !counterIons.has(one) && !EARTHS.has(one))
const EARTHS = new Set(['Mg', 'Ca', 'Ba', 'Sr'])

/** Air and water are everywhere. */
const EVERYWHERE = ['H2O', 'O2']

const usual: { made?: ReadonlyMap<string, number> } = {}
const usualOnes = (): ReadonlyMap<string, number> =>
  (usual.made ??= new Map(
    usualReagents.flatMap(row => {
      const stuff = stuffOf(row.formula)
      return stuff ? [[stuff.key, row.class] as [string, number]] : []
    }),
  ))

/** With a list of what alone may join, that, beside air and water; without, the usual reagents, and what the lab's own shelf has before them. */
export function shelfOf(from: readonly Stuff[], have?: readonly Stuff[], has: readonly Stuff[] = []): Shelf {
  if (!have) {
    const own = has.filter(stuff => joins(stuff)).map(({ key }): [string, number] => [key, 0])
    return {
      from,
      may: new Map([...usualOnes(), ...own]),
      isOpen: true,
      ...(has.length > 0 && { has: new Set(has.map(({ key }) => key)) }),
    }
  }
  const classes = usualOnes()
  return {
    from,
    may: new Map([
      ...EVERYWHERE.map((text): [string, number] => [stuffOf(text)!.key, 0]),
      ...have.map(({ key }): [string, number] => [key, classes.get(key) ?? 0]),
    ]),
  }
}

/** Where nothing is said of what to start from: the usual reagents, and whatever the tables have of the target's metals as metal, oxide, carbonate or plain salt. */
export function openShelf(target: Stuff, { may }: Shelf): Shelf {
  const metals = new Set(
    target.cations
      .concat(target.anions)
      .flatMap(({ text, complex }) => complex?.metal ?? (text in metalCharges ? text : [])),
  )
  const named = [...target.elements].filter(one => metals.has(one) || (metals.size === 0 && one in metalCharges))
  const raw = substances.flatMap(({ formula, state }) => {
    const stuff = stuffOf(formula)
    const others = stuff ? stuff.cations.filter(({ text }) => !named.includes(text)) : []
    const isRaw =
      stuff &&
      state === 'solid' &&
      stuff.key !== target.key &&
      others.length === 0 &&
      named.some(one => stuff.elements.has(one)) &&
      !stuff.text.includes('[')
    return isRaw ? [[stuff.key, 1] as [string, number]] : []
  })
  return { from: [], may: new Map([...raw, ...may]) }
}

export const isFrom = ({ from }: Shelf, { key }: Stuff): boolean => from.some(one => one.key === key)
export const isThere = (shelf: Shelf, stuff: Stuff): boolean => shelf.may.has(stuff.key) || isFrom(shelf, stuff)
