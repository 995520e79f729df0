import { parseFormula, relate, withWaters, type Formula } from '#core/formula'
import { hydrolysedChlorides } from '#core/reference'
import { findCurve } from '#core/solution'
import { partsOf } from '#core/species'
import { formFromWater } from './first'
import type { Family } from './family'
import { balanced } from './reaction'
import type { Step } from './search'
import { joinSalts } from './families/double-salts'
import { ownGuard } from './families/heat'
import { stuffOf, type Stuff } from './stuff'

/** How a product is wanted: as it comes from water, or in a form that was named. */
export interface Wanted {
  readonly stuff: Stuff
  readonly form: Formula
  /** Waters per formula of the dry substance. */
  readonly waters: number
  /** The form was said, and not only the substance. */
  readonly isSaid: boolean
}

const watersOf = (form: Formula, dry: Formula): number => {
  const relation = relate(form, dry)
  return relation ? relation.waters / relation.units : partsOf(form.text).waters
}

export function wantedForm(stuff: Stuff, form: Formula | undefined): Wanted {
  const read = form ?? readKnown(formFromWater(stuff))
  return { stuff, form: read, waters: watersOf(read, stuff.formula), isSaid: form !== undefined }
}
const readKnown = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(`${text} does not read.`)
  return read.value
}

/** Why a form is not one that the tables know; undefined where it is, and where they know nothing of the substance. */
export function unknownForm({ stuff, waters, form }: Wanted): string | undefined {
  const forms = stuff.row?.forms
  if (!forms || forms.some(([count]) => Math.abs(count - waters) < 1e-6)) return undefined
  const known = forms.map(([count]) => `{${withWaters(stuff.row!.formula, count)}}`)
  return `The tables know {${stuff.text}} as ${known.join(', ')}, and not as {${form.text}}.`
}

const heated: Family = {
  id: 'drive the water off',
  name: 'a hydrate heated to a drier form',
  medium: 'heat',
  isRedox: false,
  cost: 0,
  minutes: 120,
  drafts: () => [],
}
const underAcid: Family = {
  ...heated,
  id: 'drive the water off under its acid',
  name: 'a hydrate heated in its own acid’s gas',
  medium: 'gas',
  cost: 4,
  minutes: 240,
}
const dissolved: Family = {
  ...heated,
  id: 'crystallise from water',
  name: 'a salt taken up in water and crystallised',
  medium: 'water',
  minutes: 180,
}

/** A halide that gives its acid off with its last water. */
const losesAcid = ({ cations: [metal], anions }: Stuff): boolean =>
  metal !== undefined &&
  hydrolysedChlorides.includes(metal.text) &&
  anions.some(({ text }) => ['Cl', 'Br'].includes(text))

/** A lower hydrate that stands in warm water: it is crystallised there, and not heated. */
const comesSoHot = ({ formula }: Stuff, waters: number): boolean =>
  waters > 0 && (findCurve(formula)?.curve.phases.some(phase => Math.abs(phase.waters - waters) < 1e-6) ?? false)

/** The stage that turns what comes from water into the drier form that is wanted; undefined where none is needed. */
export function dryingStep({ stuff, form, waters }: Wanted, fromWater: string): Step | undefined {
  const wet = watersOf(readKnown(fromWater), stuff.formula)
  if (
    !(waters < wet - 1e-6) ||
    comesSoHot(stuff, waters) ||
    (waters === 0 && stuff.row?.air === 'deliquesces' && !losesAcid(stuff))
  )
    return undefined
  const fallsApart = losesAcid(stuff)
  return made(
    stuff,
    form,
    {
      left: [fromWater],
      right: ['H2O'],
      ...(fallsApart
        ? {
            why: 'Its last water would take hydrogen halide along and leave a basic salt: it is heated in a stream of that gas, which holds the salt together.',
            mind: 'Dry hydrogen chloride over a hot tube, in a hood, with a trap; or thionyl chloride, by someone who knows it.',
          }
        : {
            why: 'Heated past the last step of its hydrates it gives off its water, and nothing else.',
            mind: 'To constant mass; it takes water up again from the air.',
          }),
    },
    fallsApart ? underAcid : heated,
  )
}

/** The stage that gives a dry salt its water. */
export function wettingStep({ stuff, form }: Wanted): Step | undefined {
  return made(
    stuff,
    form,
    { left: [stuff.text, 'H2O'], right: [], why: 'Taken up in hot water, it crystallises with its water as it cools.' },
    dissolved,
  )
}

/** The two stages that dry a chloride under its own guard: joined with ammonium chloride, then heated until that has gone; undefined where no such double salt is known. */
export function guardedSteps({ stuff }: Wanted): Step[] | undefined {
  const [metal] = stuff.cations
  const double = metal && losesAcid(stuff) ? stuffOf(`NH4${metal.text}Cl${metal.charge + 1}`) : undefined
  if (!metal || !double) return undefined
  const steps = [
    ...joinSalts.drafts(double, NO_SHELF).map(draft => ({ draft, family: joinSalts, target: double })),
    ...ownGuard.drafts(stuff, NO_SHELF).map(draft => ({ draft, family: ownGuard, target: stuff })),
  ].flatMap(one => {
    const step = one.draft.refused === undefined ? balanced(one.draft, one.target) : undefined
    return step ? [{ ...step, ...one }] : []
  })
  return steps.length === 2 ? steps : undefined
}
const NO_SHELF = { from: [], may: new Map<string, number>() }

function made(stuff: Stuff, form: Formula, draft: Step['draft'], family: Family): Step | undefined {
  const target: Stuff = { ...stuff, text: form.text, formula: form }
  const step = balanced(draft, target)
  return step && { ...step, family, draft, target }
}
