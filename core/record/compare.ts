import { cropsOf, durationWords, productMass, readReading, weighingOf } from '#core/journal'
import { formatFigure, standardUncertainty, type Figure } from '#core/quantity'
import { equationWords } from './planned'
import { factsOf, type Facts, type RecordSource, type StageFacts } from './source'

/** One thing of two batches, side by side. Words hold formulas in braces. */
export interface Beside {
  readonly group: string
  readonly what: string
  readonly a: string
  readonly b: string
  /** It is not the same in both: figures by more than their uncertainty, words at all. */
  readonly differs: boolean
}
export interface Compared {
  readonly a: { readonly code: string; readonly title: string }
  readonly b: { readonly code: string; readonly title: string }
  readonly rows: readonly Beside[]
}

/** Two batches side by side, stage by stage: what was planned and taken, how long each step took and how warm it was, what came, and what was otherwise. */
export function compareBatches(one: RecordSource, other: RecordSource): Compared {
  const a = factsOf(one, { isQuick: true })
  const b = factsOf(other, { isQuick: true })
  const most = Math.max(a.stages.length, b.stages.length)
  return {
    a: { code: one.code, title: one.document.title },
    b: { code: other.code, title: other.document.title },
    rows: [
      ...Array.from({ length: most }, (_, i) =>
        stageRows(a.stages[i], b.stages[i], most > 1 ? `${i + 1}. ` : ''),
      ).flat(),
      texts('The whole', 'From the first entry to the last', spanOf(a), spanOf(b)),
      texts('The whole', 'Recorded by', peopleOf(a), peopleOf(b)),
    ].filter(({ a: left, b: right }) => left !== '' || right !== ''),
  }
}

const texts = (group: string, what: string, a: string, b: string): Beside => ({ group, what, a, b, differs: a !== b })

/** Figures differ where they lie further apart than two standard uncertainties of their difference. */
function figures(group: string, what: string, a: Figure | undefined, b: Figure | undefined): Beside {
  const isApart =
    a === undefined || b === undefined
      ? a !== b
      : Math.abs(a.value - b.value) > 2 * Math.hypot(standardUncertainty(a), standardUncertainty(b)) + 1e-12
  return { group, what, a: a ? formatFigure(a) : '', b: b ? formatFigure(b) : '', differs: isApart }
}

function stageRows(a: StageFacts | undefined, b: StageFacts | undefined, head: string): Beside[] {
  const plan = `${head}Plan`
  return [
    texts(plan, 'Equation', a ? equationWords(a.plan) : '', b ? equationWords(b.plan) : ''),
    texts(plan, 'Product', formOf(a), formOf(b)),
    texts(plan, 'Won by', a?.told?.way.way ?? '', b?.told?.way.way ?? ''),
    ...chargeRows(a, b, `${head}Charges`),
    ...stepRows(a, b, `${head}Steps`),
    ...resultRows(a, b, `${head}What came`),
  ]
}
const formOf = (stage: StageFacts | undefined): string =>
  stage ? `{${stage.plan.product.form ?? stage.plan.product.species}}` : ''

function chargeRows(a: StageFacts | undefined, b: StageFacts | undefined, group: string): Beside[] {
  const species = [
    ...new Set(
      [a, b].flatMap(one => one?.actual?.sheet.reagents.flatMap(line => (line.planned ? [line.species] : [])) ?? []),
    ),
  ]
  const lineOf = (stage: StageFacts | undefined, of: string) =>
    stage?.actual?.sheet.reagents.find(line => line.species === of)
  return species.flatMap(of => {
    const [one, other] = [lineOf(a, of), lineOf(b, of)]
    const measured = (line: typeof one): Figure | undefined => line && (line.volume ?? line.mass ?? line.amount)
    return [
      figures(group, `{${of}}, taken`, measured(one), measured(other)),
      figures(group, `{${of}}, amount`, one?.amount, other?.amount),
      figures(group, `{${of}}, equivalents`, one?.equivalents, other?.equivalents),
    ]
  })
}

const MINUTE = 60_000

/** Steps that say the same are set beside each other: how long each took, and how warm the pot was at it. */
function stepRows(a: StageFacts | undefined, b: StageFacts | undefined, group: string): Beside[] {
  const names = [...new Set([a, b].flatMap(stage => stage?.run.steps.map(({ step }) => step.words) ?? []))]
  const tell = (stage: StageFacts | undefined, wanted: string): string => {
    const state = stage?.run.steps.find(({ step }) => step.words === wanted)
    if (!stage || !state) return stage ? 'not in it' : ''
    if (state.status === 'skipped') return `left out: ${state.why ?? ''}`
    if (state.status === 'open') return 'not done'
    const took =
      state.begunAt !== undefined && state.doneAt !== undefined && state.begunAt !== state.doneAt
        ? durationWords((Date.parse(state.doneAt) - Date.parse(state.begunAt)) / MINUTE)
        : state.status === 'done'
          ? 'done'
          : 'begun'
    const warm = celsiusAt(stage, state.step.id)
    return [took, state.inserted ? 'put in at the bench' : '', warm].filter(Boolean).join(', ')
  }
  return names.map(name => texts(group, name, tell(a, name), tell(b, name)))
}

function celsiusAt({ lines }: StageFacts, step: string): string {
  const read = lines.flatMap(({ entry, current }) => {
    if (entry.kind !== 'reading' || entry.measure !== 'temperature' || entry.step !== step || current === undefined)
      return []
    const value = readReading(entry, current)
    return value.ok ? [value.value.value] : []
  })
  if (read.length === 0) return ''
  const [low, high] = [Math.min(...read), Math.max(...read)]
  return low === high ? `${low} °C` : `${low} to ${high} °C`
}

function resultRows(a: StageFacts | undefined, b: StageFacts | undefined, group: string): Beside[] {
  const massOf = (stage: StageFacts | undefined): Figure | undefined => stage && productMass(stage.lines, stage.plan.id)
  const crops = [...new Set([a, b].flatMap(stage => (stage ? cropsOf(stage.lines, stage.plan.id) : [])))].sort(
    (x, y) => x - y,
  )
  const cropOf = (stage: StageFacts | undefined, crop: number): Figure | undefined =>
    stage && weighingOf(stage.lines, { what: 'product', stage: stage.plan.id, crop }).net
  return [
    figures(group, 'Theoretical', a?.actual?.result?.theoretical, b?.actual?.result?.theoretical),
    ...(crops.length > 1 ? crops.map(crop => figures(group, `Crop ${crop}`, cropOf(a, crop), cropOf(b, crop))) : []),
    figures(group, 'Weighed', massOf(a), massOf(b)),
    figures(group, 'Yield', a?.actual?.result?.percent, b?.actual?.result?.percent),
  ]
}

function spanOf({ lines }: Facts): string {
  const times = lines.map(({ entry }) => Date.parse(entry.at))
  if (times.length === 0) return ''
  const hours = (Math.max(...times) - Math.min(...times)) / (60 * MINUTE)
  return hours >= 48 ? `${(hours / 24).toFixed(1)} days` : `${hours.toFixed(1)} h`
}
const peopleOf = ({ lines, nameOf }: Facts): string =>
  [...new Set(lines.map(({ entry }) => nameOf(entry.by)))].join(', ')
