import { parseFormula } from '#core/formula'
import { cautionAmount, cautionWords, sumOfCautions } from '#core/procedure'
import { productMass } from '#core/journal'
import { formatFigure } from '#core/quantity'
import { nameOf } from '#core/species'
import { pictogramsOf, signalOf, statements, type Pictogram } from '#core/remarks'
import { hazardsIn, type Comes } from '#core/shelf'
import { keepingOf, type OwnTables } from '#core/solution'
import { equationWords } from './planned'
import { strengthWords } from './materials'
import { factsOf, type RecordSource } from './source'
import { findReagent } from '#core/sheet'

/** What a bench sheet holds of a stage: what to take, the steps with what is read at each. Words hold formulas in braces. */
export interface SheetStage {
  readonly name: string
  readonly equation: string
  readonly cautions: readonly string[]
  readonly charges: readonly { readonly what: string; readonly planned: string }[]
  readonly steps: readonly {
    readonly words: string
    readonly hint?: string
    readonly boxes: readonly string[]
    readonly times: number
  }[]
}

/** The stages of a batch as they are printed to be carried to the bench: what is left to do, as its run stands. */
export function benchSheetOf(source: RecordSource): SheetStage[] {
  return factsOf(source, { isQuick: true }).stages.map(({ plan, name, planned, told, run }): SheetStage => ({
    name,
    equation: equationWords(plan),
    cautions: sumOfCautions((told?.events ?? []).flatMap(({ cautions }) => cautions)).map(one => {
      const amount = cautionAmount(one)
      return `${cautionWords[one.code]}${amount ? ` (${amount})` : ''}`
    }),
    charges: (planned?.reagents ?? []).flatMap(line => {
      if (!line.planned) return []
      const supply = findReagent(plan, line.species)?.supply
      return [
        {
          what: `{${line.weighAs || line.species}}${supply ? (strengthWords(supply) ?? '') : ''}`,
          planned: formatFigure(line.volume ?? line.mass ?? line.amount, 4),
        },
      ]
    }),
    steps: run.steps
      .filter(({ status }) => status !== 'skipped')
      .map(({ step }) => ({
        words: step.words,
        ...(step.until === undefined ? {} : { hint: `until ${step.until}` }),
        boxes: boxesOf(step),
        times: step.repeat?.times ?? 1,
      })),
  }))
}

/** What is read at a step: an amount, a vessel before and after, how warm, how much. */
function boxesOf({
  about,
  target,
  do: kind,
}: {
  about?: { what: string; empty?: true }
  target?: string
  do: string
}): string[] {
  if (about?.what === 'product') return about.empty ? ['empty'] : ['with the product']
  if (about?.what === 'charge' || about?.what === 'addition' || about?.what === 'recovered')
    return kind === 'measure' ? ['volume'] : ['empty', 'with it']
  if (about?.what === 'pot' || target !== undefined) return [target === undefined ? 'read' : `read (${target})`]
  return []
}

/** What a label says of what is in a vial or a bottle: its name, its hazards in pictures and words, how it is kept. */
export interface ContentWords {
  readonly name: string
  readonly pictograms: readonly Pictogram[]
  readonly signal?: string
  readonly statements: string
  readonly keep?: string
}
/** What stands on the label of a product’s vial; undefined while nothing of it is weighed. */
export interface VialLabel extends ContentWords {
  readonly form: string
  readonly mass: string
}
const ROOM = 25

export function labelOf(source: RecordSource): VialLabel | undefined {
  const { stages, lines } = factsOf(source, { isQuick: true })
  const last = stages.at(-1)
  const mass = last && productMass(lines, last.plan.id)
  if (!last || !mass) return undefined
  const form = last.plan.product.form ?? last.plan.product.species
  return { form, ...contentWords(form, source.tables.substances), mass: formatFigure(mass) }
}

/** The words for a form as it comes: a solution’s hazards are those of its strength where limits are known. */
export function contentWords(
  form: string,
  own: OwnTables['substances'],
  comes: Comes = { kind: 'solid' },
): ContentWords {
  const read = parseFormula(form)
  const told = hazardsIn(form, comes, own)
  const keeping = read.ok && comes.kind === 'solid' ? keepingOf(read.value, ROOM) : undefined
  const keep = [
    keeping?.above && keeping.above.share < 0.6 ? 'Keep it tightly closed: it takes up water.' : '',
    keeping?.below && keeping.below.share > 0.2 ? 'Keep it closed: it loses water in dry air.' : '',
  ].filter(Boolean)
  const codes = told?.codes ?? []
  const signal = signalOf(codes)
  return {
    name: (read.ok && nameOf(read.value)) || form,
    pictograms: pictogramsOf(codes),
    ...(signal && { signal }),
    statements: !told
      ? 'Not in the tables: take its hazards from a safety data sheet.'
      : codes.length > 0
        ? `${statements(codes, 3)}${told.isAsPure ? ', as the pure substance' : ''}.`
        : 'The tables have no hazard statement for it: ask for its safety data sheet.',
    ...(keep.length > 0 && { keep: keep.join(' ') }),
  }
}
