import { findSubstance, parseFormula } from '#core/formula'
import { formatFigure } from '#core/quantity'
import type { StageSheet } from '#core/sheet'
import type { Course } from './course'
import { dryingAdvice, type DryingOption } from './drying'
import type { Proposing } from './enter'

export const PRODUCT = { what: 'product', crop: 1 } as const

/** Dried by what keeps the form, weighed to constant mass. */
export function dryAndWeigh(course: Course, { stage, isWetOn }: Proposing): void {
  const { form } = stage.product
  if (isWetOn) {
    course.take({
      do: 'observe',
      words: `Take the wet {${form.text}} on to the next stage, all of it`,
      why: 'It is not dried: the sheet of the next stage counts its water. A gram of it, dried and weighed, tells how wet it is.',
      does: { nothing: true },
    })
    return
  }
  const ways = dryingAdvice(form, stage.own).options.filter(({ verdict }) => verdict !== 'not')
  // Suction alone ends damp: it is where drying begins, on the funnel.
  const best = ways.find(({ way }) => way !== 'suction') ?? ways[0]
  if (best) dryBy(course, best)
  else
    course.take({
      do: 'dry',
      words: 'Dry a little of it first, and weigh that',
      until: 'you know that it keeps its form',
      does: { dry: true },
    })
  const crops = Math.max(1, course.bench.beside.filter(({ is }) => is === 'crop').length + 1)
  for (let crop = 1; crop <= crops; crop++)
    course.take({
      do: 'weigh',
      words: `Weigh ${crops > 1 ? `crop ${crop} of ` : ''}{${form.text}} in its paper or vessel; dry on and weigh again`,
      about: { what: 'product', crop },
      until: 'two weighings agree',
      does: { nothing: true },
    })
}

function dryBy(course: Course, { way, most, reason, takes }: DryingOption): void {
  const wait = takes && { wait: takes.least }
  const told = { ...wait, why: reason, does: { dry: true } as const }
  if (way === 'oven') {
    course.take({
      do: 'dry',
      words: `Dry in the oven${most === undefined ? '' : `, at most ${most.toFixed(0)} °C`}`,
      needs: ['oven'],
      ...(most !== undefined && { target: `${most.toFixed(0)} °C` }),
      ...told,
    })
    course.take({
      do: 'cool in desiccator',
      words: 'Let it cool in the desiccator',
      does: { coolTo: `${course.sheet.room} °C` },
    })
    return
  }
  course.take(
    way.startsWith('desiccator')
      ? { do: 'desiccate', words: `Dry in the ${way.replace(', ', ' over ')}`, ...told }
      : { do: 'dry', words: `Dry: ${way}`, ...(way === 'vacuum' && { needs: ['vacuum'] as const }), ...told },
  )
}

/** Grams of a filtered excess from which on it is worth weighing; a judgement. */
const WORTH_WEIGHING = 0.1

/** What was in excess and filtered off is weighed as well; residues that are harmful are treated before the hood is left. */
export function clearAway(course: Course, { sheet, stage }: Proposing): void {
  for (const { planned, limits, species, weighAs, leftover } of sheet.reagents)
    if (planned && !limits && leftover.wayOut === 'filtered off' && leftover.mass.value > WORTH_WEIGHING)
      course.take({
        do: 'weigh',
        words: `Weigh the {${weighAs}} that stayed on the filter, rinsed and dry`,
        about: { what: 'recovered', species },
        why: `${formatFigure(leftover.mass, 3)} should come back. Less, and something else used it up; more, and the reaction was not finished.`,
        does: { nothing: true },
      })
  const harmful = harmfulIn(sheet, stage.own)
  if (harmful.length > 0)
    course.take({
      do: 'quench',
      words: 'Treat or collect the liquor, the washings and the papers',
      why: `They hold ${harmful
        .slice(0, 3)
        .map(species => `{${species}}`)
        .join(', ')}. Your site’s rules say what goes where; ask who knows before you pour anything away.`,
      until: 'every vessel it touched is rinsed into the residue',
      does: { nothing: true },
    })
  course.take({ do: 'clean', words: 'Clean the glass and the place', does: { nothing: true } })
}

/** Species that hurt people or water, by the statements of their labels. */
function harmfulIn(sheet: StageSheet, own: Proposing['stage']['own']): string[] {
  const names = [
    ...sheet.products.map(({ species }) => species),
    ...sheet.reagents.filter(({ planned }) => planned).map(({ species }) => species),
  ]
  return [...new Set(names)].filter(species => {
    const read = parseFormula(species)
    const row = read.ok ? findSubstance(read.value, own)?.row : undefined
    return row?.hazards?.some(code => HARMFUL.some(start => code.startsWith(start)))
  })
}
/** Statements of health and environment that keep a liquor out of the sink, by their beginning (GHS). */
const HARMFUL = ['H4', 'H30', 'H31', 'H33', 'H35', 'H36']
