import { additionsOf, sameAbout, weighingOf } from '#core/journal'
import { formatFigure, formatValue, standardUncertainty, type Figure } from '#core/quantity'
import type { ReagentLine, SupplyPlan } from '#core/sheet'
import { findReagent } from '#core/sheet'
import { figure, open, paragraph, words, type Unnamed, type Words } from './page'
import type { Facts, StageFacts } from './source'

const LOT = { name: 'Lot or bottle' } as const
const columns = [
  { name: 'Planned', isFigure: true },
  { name: 'Taken', isFigure: true },
  { name: 'Standard uncertainty', isFigure: true },
  { name: 'Amount', isFigure: true },
  { name: 'Equivalents', isFigure: true },
  { name: 'Read by' },
] as const

/** What went in: as planned and as read, with what its bottle says, by which instrument and how sure. */
export function materials(facts: Facts): Unnamed[] {
  return facts.stages.flatMap((stage): Unnamed[] => {
    const { planned, actual } = stage
    if (!planned || !actual) return []
    const hasLots = stage.plan.reagents.some(({ species }) => bottleText(stage, species) !== '')
    const rows = actual.sheet.reagents.flatMap((line, i) => {
      const plan = planned.reagents[i]
      return line.planned && plan ? [rowOf(stage, plan, line, hasLots)] : []
    })
    return [
      {
        is: 'table',
        caption: facts.stages.length > 1 ? `${stage.number}. ${stage.name}` : 'What went in',
        columns: [{ name: 'Reagent' }, ...(hasLots ? [LOT] : []), ...columns],
        rows,
      },
      ...(hasLots ? [] : [paragraph(open('No lot or bottle is named.'))]),
      ...besides(stage),
    ]
  })
}

const measured = ({ volume, mass, amount }: ReagentLine): Figure => volume ?? mass ?? amount

/** The bottles that the journal names, or else the plan's, and what their label says: lot or number. */
function bottleText({ plan, lines }: StageFacts, species: string): string {
  const about = { what: 'charge', stage: plan.id, species } as const
  const named = lines.flatMap(({ entry, current }) =>
    entry.kind === 'reading' && current !== undefined && sameAbout(entry.about, about) ? (entry.bottle ?? []) : [],
  )
  const supply = findReagent(plan, species)?.supply
  if (!supply || supply.kind === 'stage') return ''
  const bottles = named.length > 0 ? [...new Set(named)] : supply.bottle === undefined ? [] : [supply.bottle]
  // A lot is of the plan's bottle: what came from another is told by its code.
  const isOf =
    bottles.length === 0 || (bottles.length === 1 && bottles[0] === supply.bottle) || supply.bottle === undefined
  return [...bottles, ...(isOf && supply.lot?.trim() ? [supply.lot.trim()] : [])].join(', ')
}

function rowOf(stage: StageFacts, planned: ReagentLine, taken: ReagentLine, hasLots: boolean): Words[] {
  const { plan, actual, lines } = stage
  const supply = findReagent(plan, taken.species)?.supply
  const isUnread = actual?.unread.includes(taken.species)
  const unusable = actual?.unusable.find(one => one.species === taken.species)
  const figureTaken = measured(taken)
  const about = { what: 'charge', stage: plan.id, species: taken.species } as const
  return [
    words(
      `{${taken.weighAs || taken.species}}`,
      supply ? strengthWords(supply) : undefined,
      taken.limits ? ' (limits)' : undefined,
    ),
    ...(hasLots ? [words(bottleText(stage, taken.species))] : []),
    words(figure(formatFigure(measured(planned), 4))),
    isUnread && supply?.kind !== 'stage'
      ? words(open('planned, not read'))
      : unusable
        ? words(open(`${unusable.read} read, cannot be used; planned`))
        : words(figure(formatFigure(figureTaken))),
    words(figure(isUnread ? '' : formatValue(standardUncertainty(figureTaken), figureTaken.kind, 2))),
    words(figure(formatFigure(taken.amount))),
    words(figure(taken.limits ? '1' : formatFigure(taken.equivalents))),
    words(supply?.kind === 'stage' ? 'from the stage before' : readBy(lines, about)),
  ]
}

/** How a reagent came, as it was typed: strength, assay, moisture. */
export function strengthWords(supply: SupplyPlan): string | undefined {
  const told = [
    'concentration' in supply ? supply.concentration : undefined,
    'of' in supply && supply.of ? `of ${supply.of}` : undefined,
    'assay' in supply ? supply.assay : undefined,
    'moisture' in supply && supply.moisture ? `${supply.moisture} moisture` : undefined,
    'wet' in supply && supply.wet ? `handed on wet, ${supply.wet} water` : undefined,
  ].filter(one => one !== undefined && one !== '')
  return told.length > 0 ? `, ${told.join(', ')}` : undefined
}

function readBy(lines: StageFacts['lines'], about: { what: 'charge'; stage: string; species: string }): string {
  const by = new Set(
    lines.flatMap(({ entry, current }) =>
      entry.kind === 'reading' &&
      current !== undefined &&
      entry.about.what === 'charge' &&
      entry.about.species === about.species
        ? [entry.instrument ?? (entry.typed ? 'typed' : 'an instrument')]
        : [],
    ),
  )
  const problem = weighingOf(lines, about).problem
  return [...by, ...(problem ? [problem.replaceAll('-', ' ')] : [])].join(', ')
}

/** What was put in besides the charges. */
const besides = ({ plan, actual, lines }: StageFacts): Unnamed[] =>
  (actual?.sheet.reagents ?? []).flatMap(({ species }) => {
    const more = additionsOf(lines, plan.id, species)
    return more.length === 0
      ? []
      : [
          paragraph(
            `In it, put in besides: {${species}}, `,
            more.flatMap((one, i): Words => [i > 0 ? ' and ' : '', figure(formatFigure(one))]),
            '.',
          ),
        ]
  })
