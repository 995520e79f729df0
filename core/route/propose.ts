import { printReaction } from '#core/equation'
import type { Formula } from '#core/formula'
import { wayOf } from '#core/procedure'
import { readPlan, type StagePlan } from '#core/sheet'
import { explosiveBy } from '#core/species'
import { answeredBy, type Answered } from './answered'
import { wasteOf } from './cost'
import { unknownForm, wantedForm, type Wanted } from './forms'
import { whyImpossible, whyNone } from './impossible'
import { planOf, type PlannedStep } from './plan-of'
import { plannedStep } from './planned'
import { againFrom, diverse, finished } from './ranked'
import type { Proposals, Route, RouteStage } from './route'
import { MOST_STAGES, search, type Search, type Step } from './search'
import { isFrom, openShelf, type Shelf } from './shelf'
import { stuffOf, type Stuff } from './stuff'
import { gasesOf, hazardsOf, needsOf } from './told'
import { routeWords } from './words'

const NOTHING_FOUND: Search = { ways: [], refusals: [] }
const MOST_ROUTES = 8
/** Of so many ways the dear questions are asked: which salt first, how it is won. */
const LOOKED_AT = 16
/** The tables do not say which salt comes first: half a stage less sure. */
const NOT_SURE = 3

/**
 * Routes to a product (as it comes from water, or in a form that is named) from what is given, best first, at most eight; or why there is none. Every equation balances; every starting material gives the product an element
 * besides hydrogen and oxygen; what the model says comes down before the product is not offered.
 */
export function propose(product: Formula, isFormSaid: boolean, given: Shelf): Proposals {
  const stuff = stuffOf(product.text)
  if (!stuff) return { routes: [], why: `{${product.text}} is no substance by itself.` }
  const shelf = given.from.length === 0 && given.isOpen ? openShelf(stuff, given) : given
  const wanted = wantedForm(stuff, isFormSaid ? product : undefined)
  const refused = refusedAtOnce(wanted) ?? unusedStart(stuff, shelf)
  if (refused !== undefined) return { routes: [], why: refused }
  // Of the substance itself only its other form is made: what does not start from it is another question.
  const { ways, refusals } = isFrom(shelf, stuff) ? NOTHING_FOUND : search(stuff, shelf)
  const again = againFrom(wanted, shelf)
  const whole = [...again, ...ways.flatMap(way => finished(way, wanted))]
  const notes = new Set(refusals)
  const ranked = diverse(whole.filter(({ steps }) => steps.length <= MOST_STAGES)).slice(0, LOOKED_AT)
  const routes = ranked.flatMap(({ steps, cost }) => routeOf(steps, cost, wanted, shelf, notes) ?? [])
  const best = routes.toSorted((a, b) => b.score - a.score).slice(0, MOST_ROUTES)
  return best.length > 0 ? { routes: best } : { routes: [], why: whyNone(stuff, shelf, [...notes]) }
}

const refusedAtOnce = (wanted: Wanted): string | undefined => {
  const explodes = explosiveBy(wanted.stuff.formula)
  if (explodes) return `{${wanted.form.text}} is not planned here: ${explodes}.`
  return whyImpossible(wanted.stuff) ?? (wanted.isSaid ? unknownForm(wanted) : undefined)
}

/** A starting material that has nothing for the product. */
function unusedStart(target: Stuff, { from }: Shelf): string | undefined {
  const idle = from.find(
    ({ elements }) => ![...elements].some(one => one !== 'H' && one !== 'O' && target.elements.has(one)),
  )
  return idle && `{${idle.text}} gives {${target.text}} no element: take it out of what is started from.`
}

/** A way as a route, where the model lets its product come; what stands against it goes to the notes. */
function routeOf(
  steps: readonly Step[],
  cost: number,
  wanted: Wanted,
  shelf: Shelf,
  notes: Set<string>,
): Route | undefined {
  const answered = steps.map(answeredBy)
  const lost = answered.flatMap(wordsOfLost)
  if (lost.length > 0) {
    notes.add(lost[0]!)
    return undefined
  }
  const firsts = answered.map(({ first }) => first)
  const planned = answered.map(({ step, first }, i): PlannedStep => plannedStep(step, i, steps, wanted, first))
  const plan = planOf(planned)
  const stages = plan && stagesOf(planned, plan, answered)
  if (!plan || !stages) return undefined
  const unsure = firsts.filter(first => first?.is === 'not known').length
  return {
    stages,
    plan,
    score: Math.max(0, Math.round((100 - cost - unsure * NOT_SURE) * 10) / 10),
    ...routeWords(planned, firsts),
    needs: needsOf(steps, shelf),
    minutes: stages.reduce((sum, { minutes }) => sum + minutes, 0),
    waste: steps.reduce((sum, step) => sum + wasteOf(step.reaction.products, step.target), 0),
    gases: gasesOf(steps),
    hazards: hazardsOf(steps),
  }
}

/** What comes before the product of a step, in words; nothing where it comes first, or that is not known. */
const wordsOfLost = ({ step, first }: Answered): string[] =>
  first?.is === 'other'
    ? [`From the liquor of {${printReaction(step.reaction)}} {${first.form}} comes before {${step.target.text}}.`]
    : []

/** The stages as a card tells them, each with the way that its sheet proposes; undefined where the plan cannot be read, which would be a fault. */
function stagesOf(
  planned: readonly PlannedStep[],
  plan: readonly StagePlan[],
  answered: readonly Answered[],
): RouteStage[] | undefined {
  const read = readPlan({ stages: withScale(plan) })
  if (!read.ok) return undefined
  return planned.map(({ reaction, draft, family, species, form }, i) => {
    const first = answered[i]!.first
    return {
      equation: printReaction(reaction),
      product: { species, form },
      way: wayOf(read.value.stages[i]!).way,
      why: draft.why,
      family: family.name,
      minutes: family.minutes,
      ...(first && { first }),
      ...(draft.mind && { mind: draft.mind }),
      ...(draft.catalyst && { catalyst: draft.catalyst }),
    }
  })
}

/** A plan of no amount yet, so that it can be read: ten grams of the last product. */
const withScale = (plan: readonly StagePlan[]): StagePlan[] =>
  plan.map((stage, i) => (i === plan.length - 1 ? { ...stage, target: { mass: '10 g' } } : stage))
