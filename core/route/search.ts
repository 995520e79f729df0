import { counterIons, metalCharges } from '#core/reference'
import { families } from './families'
import type { Draft, Family } from './family'
import { against, balanced, type Balance } from './reaction'
import { isKnownDouble } from './doubles'
import { isMetal } from './properties'
import { isFrom, isThere, type Shelf } from './shelf'
import { stepCost } from './cost'
import { stuffOf, type Stuff } from './stuff'

/** One reaction of a route. */
export interface Step extends Balance {
  readonly family: Family
  readonly draft: Draft
  readonly target: Stuff
}

/** A way to a target: its reactions in the order of doing, which of the starting materials they use, and what they cost. */
export interface Way {
  readonly steps: readonly Step[]
  readonly uses: ReadonlySet<string>
  readonly cost: number
}

export interface Search {
  readonly ways: readonly Way[]
  /** What was looked at and cannot be, with why: of what starts from the materials given. */
  readonly refusals: readonly string[]
}

export const MOST_STAGES = 4
/** A whole stage more, in the units of the ranking. */
export const STAGE = 10
/** As many ways to an intermediate go on to the next reaction. */
const KEPT = 6
/** With so many ways of so many stages, longer ones are not looked for. */
const ENOUGH = 3

/**
 * Ways from the starting materials to a target: backwards by the families of reactions, an intermediate being made by the same search, with one stage more until there are enough. Each of the starting materials is used. Asks
 * for nothing but tables; the same for the same question.
 */
export function search(target: Stuff, shelf: Shelf): Search {
  const refusals = new Set<string>()
  const wanted = shelf.from.filter(({ key }) => key !== target.key).map(({ key }) => key)
  const visit = finder(shelf, target, refusals)
  let ways: readonly Way[] = []
  for (let stages = 1; stages <= MOST_STAGES && ways.length < ENOUGH; stages++)
    ways = visit(target, stages, new Set()).filter(({ uses }) => wanted.every(key => uses.has(key)))
  return { ways, refusals: [...refusals] }
}

/** What every reagent may hold, so that it carries nothing on: carbon comes and goes as carbonate. */
const PLAIN = new Set(['H', 'O', 'C'])

function finder(shelf: Shelf, goal: Stuff, refusals: Set<string>) {
  const carried = new Set(
    shelf.from.flatMap(({ elements }) => [...elements].filter(one => !PLAIN.has(one) && goal.elements.has(one))),
  )
  const metals = [...carried].filter(one => one in metalCharges && !counterIons.has(one))
  const holdsMetal = ({ elements }: Stuff): boolean => metals.some(one => elements.has(one))
  const steps = new Map<string, readonly Step[]>()
  const known = new Map<string, readonly Way[]>()
  /** Worth making on the way: it carries on what the starting materials give the goal. */
  const canBeMade = (stuff: Stuff): boolean =>
    shelf.from.length > 0 &&
    stuff.row?.state !== 'gas' &&
    (stuff.row !== undefined || holdsComplex(stuff) || (stuff.cations.length === 2 && isKnownDouble(stuff))) &&
    [...stuff.elements].some(one => carried.has(one))

  /** What is started from or was made before stands first, then what joins. */
  const placeOf = (text: string): number => {
    const stuff = stuffOf(text)
    return !stuff || isFrom(shelf, stuff) ? 0 : holdsMetal(stuff) || !isThere(shelf, stuff) ? 1 : 2
  }

  const stepsTo = (target: Stuff): readonly Step[] => {
    const before = steps.get(target.key)
    if (before) return before
    const found = families.flatMap(family =>
      family.drafts(target, shelf).flatMap(draft => stepOf(family, draft, target)),
    )
    const seen = new Set<string>()
    const once = found.filter(({ equation }) => !seen.has(equation) && seen.add(equation))
    steps.set(target.key, once)
    return once
  }

  const stepOf = (family: Family, drafted: Draft, target: Stuff): Step[] => {
    const draft = { ...drafted, left: drafted.left.toSorted((a, b) => placeOf(a) - placeOf(b)) }
    const left = draft.left.map(stuffOf)
    if (left.some(one => !one || (!isThere(shelf, one) && !canBeMade(one)))) return []
    const startsHere =
      target.key === goal.key && left.some(one => isFrom(shelf, one!)) && left.every(one => isThere(shelf, one!))
    const refuse = (why: string): [] => {
      if (startsHere) refusals.add(why)
      return []
    }
    const step = balanced(draft, target)
    if (!step) return []
    const why = draft.refused ?? against(step, family)
    return why === undefined ? [{ ...step, family, draft, target }] : refuse(why)
  }

  function visit(target: Stuff, stages: number, above: ReadonlySet<string>): readonly Way[] {
    const name = `${target.key} ${stages}`
    const before = known.get(name)
    if (before) return before
    const path = new Set([...above, target.key])
    let isWhole = true
    const ways = stepsTo(target).flatMap((step): Way[] => {
      const left = step.draft.left.map(text => stuffOf(text)!)
      const missing = left.filter(stuff => !isThere(shelf, stuff))
      // What a store has, and the materials given could give: taken from them where that uses them up.
      const either = left.filter(
        stuff => isThere(shelf, stuff) && !isFrom(shelf, stuff) && holdsMetal(stuff) && canBeMade(stuff),
      )
      if (missing.length > 2 || missing.length > stages - 1) return []
      if (left.some(({ key }) => path.has(key))) {
        isWhole = false
        return []
      }
      const own: Way = {
        steps: [step],
        uses: new Set(left.filter(stuff => isFrom(shelf, stuff)).map(({ key }) => key)),
        cost: STAGE + stepCost(step, shelf) + (target.key === goal.key ? 0 : detour(step, shelf, goal)),
      }
      const made = (so: readonly Way[], stuff: Stuff): Way[] =>
        so.flatMap(way => visit(stuff, stages - way.steps.length, path).flatMap(sub => joined(sub, way, stages)))
      const whole = missing.reduce<readonly Way[]>(made, [own])
      return [...whole, ...either.flatMap(stuff => made(whole, stuff))]
    })
    const best = bestOf(ways)
    if (isWhole) known.set(name, best)
    return best
  }
  return visit
}

/** What is made on the way and undoes what was there: a metal out of its compound, to be dissolved again; an element that the product needs, thrown away and bought anew. A stage and a half, a judgement. */
const DETOUR = 15
function detour({ draft, target }: Step, shelf: Shelf, goal: Stuff): number {
  const from = draft.left.map(text => stuffOf(text)!).filter(stuff => isFrom(shelf, stuff))
  const lost = from.some(stuff =>
    [...stuff.elements].some(one => !PLAIN.has(one) && goal.elements.has(one) && !target.elements.has(one)),
  )
  return lost || (isMetal(target) && draft.left.every(text => !isMetal(stuffOf(text)!))) ? DETOUR : 0
}

/** No table knows every complex; of a salt that none knows nothing is made on the way. */
const holdsComplex = ({ cations, anions }: Stuff): boolean => [...cations, ...anions].some(one => one.complex)

function joined(sub: Way, way: Way, stages: number): Way[] {
  const before = sub.steps.filter(step => !way.steps.some(one => one.equation === step.equation))
  const steps = [...before, ...way.steps]
  return steps.length > stages ? [] : [{ steps, uses: new Set([...sub.uses, ...way.uses]), cost: sub.cost + way.cost }]
}

/** The cheapest, and of each set of starting materials the cheapest few. */
function bestOf(ways: readonly Way[]): Way[] {
  const counts = new Map<string, number>()
  return [...ways]
    .sort((a, b) => a.cost - b.cost)
    .filter(({ uses }) => {
      const name = [...uses].sort().join(' ')
      const count = (counts.get(name) ?? 0) + 1
      counts.set(name, count)
      return count <= KEPT * 2
    })
}
