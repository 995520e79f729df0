import { findSubstance, inAirOf, molarMass, parseFormula, type Formula } from '#core/formula'
import {
  aboutWords,
  cropsOf,
  dryingSeries,
  judgeDryness,
  readReading,
  saw,
  seenIn,
  toleranceOf,
  type Dryness,
  type JournalLine,
  type Operation,
  type Seen,
  type SpotTest,
  type Step,
} from '#core/journal'
import { runOf, troubleOf, type Run } from '#core/procedure'
import { product, standardUncertainty, type Figure } from '#core/quantity'
import type { InAir, SubstanceRow } from '#core/reference'
import type { Curve } from '#core/solution'
import type { ToldStage } from '#core/procedure'
import { dissolvedOf, dryOf, formulaOf, gathered, portionOf, potOf, type Portion } from '#core/vessel'
import type { ReadPlan, ReadStage, StageSheet } from '#core/sheet'
import type { Worksheet } from '#core/assay'
import { beforeWinning, forecastOf, isProductForm, realAccounts, whenReacted, type Forecast } from '#core/outcome'
import { judgeBatch } from '#core/outcome'
import { assayEvidence, liquorsFound, type AssayEvidence, type LiquorFound } from './assay-evidence'
import { tapeOf } from '#core/outcome'
import type { Tape } from '#core/outcome'
import { coloursFor, otherSaltsIn, type OtherSalt, type StageColour } from '#core/outcome'
import { acidityOf, type Acidity } from './acidity'
import { wonIf, type Known, type WonIf } from './what-if'
import { countOf, type CameBack, type LiquorRead, type Readings } from './likelihood'
import { ionsInPot, relativesOf, type Relative } from '#core/outcome'
import { judgeLeftovers, type LeftoverJudgement } from './explain-leftover'
import type { FormYield, Recovered } from '#core/outcome'

export interface Amount {
  readonly form: string
  readonly grams: number
}
/** A reagent as it was charged; amounts in mol. */
export interface ChargedReagent {
  readonly species: string
  readonly weighAs: string
  readonly isSolid: boolean
  /** Out of a bottle of gas, or of the air: it has no label that it could be weaker than. */
  readonly isGas: boolean
  readonly limits: boolean
  /** Of its need; 1 of what limits. */
  readonly equivalents: number
  /** Of a limiting reagent: how much more of it could still react before another limits. */
  readonly next?: number
  readonly charged: number
  readonly consumed: number
  readonly coefficient: number
  /** It is weighed without water, and hydrates of it are known. */
  readonly isBareHydrate: boolean
}
/** A reading that the yield rests on: the value it has, and what the percent would be were it another. */
export interface ReadingFact {
  readonly id: string
  readonly what: string
  readonly value: number
  readonly text: string
  readonly isTyped: boolean
  /** Of the product itself; else of a charge. */
  readonly isProduct: boolean
  /** The percent yield, were it read as this text. */
  readonly percentIf: (text: string) => number | undefined
}

/** What a batch's own plan, sheet and journal say that bears on its yield. Masses in g. */
export interface YieldFacts {
  readonly stage: ReadStage
  readonly product: Formula
  readonly row: SubstanceRow | undefined
  /** What the product’s form does in air. */
  readonly air: InAir | undefined
  readonly theoretical: number
  readonly actual: number
  /** The same two with where they come from, and what the plan expects. */
  readonly weighed: Figure
  readonly most: Figure
  readonly expected: Figure
  readonly percent: number
  readonly spread: number
  readonly planned: number
  /** False where the plan names no yield, and all of it is what it says. */
  readonly isPlanned: boolean
  readonly forms: readonly FormYield[]
  readonly relatives: readonly Relative[]
  /** Other salts that the pot's ions could make. */
  readonly otherSalts: readonly OtherSalt[]
  readonly leftovers: readonly LeftoverJudgement[]
  /** The share of the limiting reagent that did not come back, a fraction of one. */
  readonly used: number
  readonly evidence: readonly AssayEvidence[]
  /** What worksheets found in the mother liquor. */
  readonly liquors: readonly LiquorFound[]
  readonly byProducts: readonly Amount[]
  readonly solubleExcess: readonly Amount[]
  readonly insolubleExcess: readonly Amount[]
  /** What the crop holds beside the product by its account, dried liquor and all. */
  readonly comesWith: readonly Amount[]
  /** Reagents in excess, and by how much; and those that count as planned since nobody read them. */
  readonly excesses: readonly { readonly species: string; readonly equivalents: number }[]
  readonly unread: readonly string[]
  readonly limiting: readonly { readonly species: string; readonly isSolid: boolean; readonly grams: number }[]
  readonly reagents: readonly ChargedReagent[]
  readonly acidity: Acidity
  /** Every colour word, with what of this stage has it, or what it would mean. */
  readonly colours: readonly StageColour[]
  /** A product of the reaction that is solid and does not dissolve: it can cover what is not used up yet. */
  readonly coating?: string
  readonly run: Run
  /** True where steps were ticked off: only then does an open one say that it was left out. */
  readonly isFollowed: boolean
  /** What would have come, had a step gone otherwise. */
  readonly won: WonIf
  /** Reagents that came back and were weighed, in mol. */
  readonly back: readonly CameBack[]
  /** Empty vessels that were weighed in this batch, g, and whether the product’s was. */
  readonly tares: readonly number[]
  readonly hasTare: boolean
  /** Drops of a reagent into the clear liquor, litmus, washings tried. */
  readonly tests: readonly Pick<SpotTest, 'added' | 'result'>[]
  /** The last pH that was read of the pot. */
  readonly pH?: number
  readonly washes: {
    readonly planned: number
    readonly done: number
    readonly skipped: boolean
    readonly ethanol: boolean
  }
  readonly dryness: Dryness & { readonly count: number }
  /** What was seen, by its codes, in order. */
  readonly seen: readonly Seen[]
  readonly spills: readonly string[]
  /** What the account of the vessel says of the product. */
  readonly model?: Forecast
  readonly account?: ToldStage
  /** The same as figures. */
  readonly tape?: Tape
  readonly readings: readonly ReadingFact[]
}

export interface YieldSetting {
  readonly plan: ReadPlan
  readonly lines: readonly JournalLine[]
  readonly stageId: string
  readonly steps: readonly Step[]
  readonly curves?: readonly Curve[]
  readonly assays?: readonly Worksheet[]
}

/** Gathers the facts; undefined while the product is not weighed. */
export function yieldFacts({
  plan,
  lines,
  stageId,
  steps,
  curves = [],
  assays = [],
}: YieldSetting): YieldFacts | undefined {
  const judged = judgeBatch(plan, lines, stageId)
  const stage = plan.stages.find(({ id }) => id === stageId)
  if (!judged.ok || !judged.value.result || !stage) return undefined
  const { sheet, settled, result, recovered } = judged.value
  const run = runOf(steps, lines, stageId)
  const form = stage.product.form
  const known = findSubstance(form, stage.own)
  const account = realAccounts({ plan, lines, curves, stepsOf: id => (id === stageId ? steps : undefined) })?.find(
    ({ id }) => id === stageId,
  )
  const model = account && forecastOf(account, form, result.theoretical.value)
  const { weighings, resolution } = dryingSeries(lines, {
    what: 'product',
    stage: stageId,
    crop: cropsOf(lines, stageId).at(-1) ?? 1,
  })
  const points = weighings.map(({ at, grams }) => ({
    hours: (Date.parse(at) - Date.parse(weighings[0]!.at)) / 3_600_000,
    mass: grams,
  }))
  const washes = washesOf(run)
  const seen = lines.flatMap(({ entry, current }) =>
    current !== undefined && 'stage' in entry && entry.stage === stageId ? (seenIn(entry) ?? []) : [],
  )
  const isDone = (id: string): boolean =>
    run.steps.some(({ step, status, times }) => step.id === id && (status === 'done' || times > 0))
  const mine = lines.filter(
    ({ entry, current }) => current !== undefined && 'stage' in entry && entry.stage === stageId,
  )
  return {
    stage,
    product: form,
    row: known?.row,
    air: known && inAirOf(known),
    theoretical: result.theoretical.value,
    actual: result.actual.value,
    weighed: result.actual,
    most: result.theoretical,
    expected: product('expected yield', 'mass', [result.theoretical, stage.yield]),
    percent: result.percent.value,
    spread: standardUncertainty(result.percent),
    planned: stage.yield.value,
    isPlanned: stage.yield.value < 1,
    forms: result.forms,
    relatives: relativesOf(form, ionsInPot(sheet), stage.own),
    otherSalts: account ? othersOf(account, form, curves) : [],
    leftovers: judgeLeftovers(settled, recovered),
    used: judged.value.used?.value ?? 1,
    reagents: chargedOf(stage, sheet),
    colours: coloursFor(stage),
    ...coatingOf(stage),
    acidity: acidityOf(sheet),
    evidence: assayEvidence(form, assays),
    liquors: liquorsFound(form, assays),
    ...leftIn(settled, account),
    comesWith: account?.isKnown === true ? comesWith(account, form) : [],
    excesses: sheet.reagents
      .filter(({ planned, limits }) => planned && !limits)
      .map(({ species, equivalents }) => ({ species, equivalents: equivalents.value })),
    unread: judged.value.unread,
    run,
    isFollowed: run.steps.some(({ times, status }) => times > 0 || status === 'done'),
    won: account ? wonIf(account, form, result.theoretical.value, knownOf(account, model, washes, isDone, seen)) : {},
    back: sheet.reagents.flatMap(line => backOf(line, judged.value.recovered)),
    ...vesselsOf(lines, stageId),
    tests: mine.flatMap(({ entry }) => (entry.kind === 'test' ? [entry] : [])),
    ...pHOf(mine),
    washes,
    dryness: { ...judgeDryness(points, toleranceOf(resolution)), count: points.length },
    seen,
    spills: mine.flatMap(({ entry, current }) =>
      entry.kind === 'deviation' && current !== undefined && troubleOf(entry) === 'loss' ? [current] : [],
    ),
    ...(model && { model }),
    ...(account && { account, tape: tapeOf(account, judged.value) }),
    readings: readingsOf(plan, lines, stageId),
  }
}

function knownOf(
  { kept }: ToldStage,
  recorded: Forecast | undefined,
  { planned }: YieldFacts['washes'],
  isDone: (id: string) => boolean,
  seen: readonly Seen[],
): Known {
  return {
    recorded,
    isDone: ({ id }) => isDone(id),
    isCut: kept?.steps.some(step => kept.realOf?.(step).isSkipped === true) === true,
    isWarmWash: saw(seen, 'hot', { place: 'wash' }),
    washes: planned,
  }
}

function coatingOf({ reaction, own }: ReadStage): Pick<YieldFacts, 'coating'> {
  const solid = reaction.products.find(({ species }) => {
    const row = findSubstance(species.formula, own)?.row
    return row?.state === 'solid' && row.water === 'insoluble'
  })
  return solid ? { coating: solid.species.formula.text } : {}
}

function chargedOf(stage: ReadStage, sheet: StageSheet): ChargedReagent[] {
  const planned = sheet.reagents.filter(line => line.planned)
  const next = Math.min(...planned.filter(({ limits }) => !limits).map(({ equivalents }) => equivalents.value))
  return planned.map(({ species, weighAs, volume, limits, equivalents, amount, consumed }) => {
    const term = stage.reaction.reactants.find(one => one.species.formula.text === species)
    const as = parseFormula(weighAs)
    const known = as.ok ? findSubstance(as.value, stage.own) : undefined
    const charged = stage.reagents.find(one => one.term.species.formula.text === species)
    const isGas = charged?.supply.kind === 'gas'
    return {
      species,
      weighAs,
      isSolid: !volume && !isGas,
      isGas,
      limits,
      equivalents: limits ? 1 : equivalents.value,
      ...(limits && Number.isFinite(next) && { next }),
      charged: amount.value,
      consumed: consumed.value,
      coefficient: term?.coefficient ?? 1,
      isBareHydrate: known?.waters === 0 && (known.row.forms?.length ?? 0) > 1,
    }
  })
}

function backOf(
  { species, amount, consumed, limits }: StageSheet['reagents'][number],
  all: readonly Recovered[],
): CameBack[] {
  const found = all.find(one => one.species === species)
  return found
    ? [
        {
          species,
          found: found.amount.value,
          charged: amount.value,
          consumed: consumed.value,
          limits,
          spread: standardUncertainty(found.amount),
        },
      ]
    : []
}

/** Empty vessels of the whole batch: one of them may have stood under the crystals. */
function vesselsOf(lines: readonly JournalLine[], stageId: string): Pick<YieldFacts, 'tares' | 'hasTare'> {
  const tares = lines.flatMap(({ entry, current }) => {
    if (entry.kind !== 'reading' || entry.measure !== 'tare' || current === undefined) return []
    const read = readReading(entry, current)
    return read.ok ? [{ grams: read.value.value, about: entry.about }] : []
  })
  return {
    tares: tares.map(({ grams }) => grams),
    hasTare: tares.some(({ about }) => about.what === 'product' && about.stage === stageId),
  }
}

function pHOf(lines: readonly JournalLine[]): Pick<YieldFacts, 'pH'> {
  const found = lines.findLast(({ entry }) => entry.kind === 'reading' && entry.measure === 'pH')
  if (found?.entry.kind !== 'reading' || found.current === undefined) return {}
  const read = readReading(found.entry, found.current)
  return read.ok ? { pH: read.value.value } : {}
}

function othersOf(account: ToldStage, form: Formula, curves: readonly Curve[]): OtherSalt[] {
  const before = whenReacted(account)
  const pot = before && potOf(before, account.named, curves)
  return pot ? otherSaltsIn(pot, form, curves) : []
}

/** Salts of the crops that are not the product, whether they came down or dried in. */
function comesWith({ end }: ToldStage, form: Formula): Amount[] {
  const crops = [end.main, ...end.beside.filter(({ is }) => is === 'crop').map(({ vessel }) => vessel)]
  const lumps = crops.flatMap(({ lumps: all }) => all.map(one => portionOf(one.form, one.moles)))
  return gathered(lumps)
    .filter(one => one.mass > LEAST && !isProductForm(one, form))
    .map(({ form: of, mass }) => ({ form: of, grams: mass }))
}

/** What stands beside the product in the vessel before it is won, by its account. */
function leftIn(sheet: StageSheet, account: ToldStage | undefined) {
  const planned = sheet.reagents.filter(line => line.planned)
  const reagents = new Set(
    planned.flatMap(({ species }) => {
      const read = parseFormula(species)
      return read.ok ? [dryOf(read.value).dry.text] : []
    }),
  )
  const before = account && beforeWinning(account)
  const amount = ({ form, mass }: Portion): Amount => ({ form, grams: mass })
  const isReagent = ({ form }: Portion): boolean => reagents.has(dryOf(formulaOf(form)).dry.text)
  const dissolved =
    before && account
      ? dissolvedOf(before, account.named).filter(
          one => one.mass > LEAST && !isProductForm(one, account.folding.stage.product.form),
        )
      : []
  const solid = [
    ...(before?.lumps.map(({ form, moles }) => portionOf(form, moles)) ?? []),
    ...(account?.events.flatMap(({ out }) => out.filter(({ to }) => to === 'cake').flatMap(({ matter }) => matter)) ??
      []),
  ].filter(one => one.mass > LEAST && isReagent(one))
  return {
    byProducts: dissolved.filter(one => !isReagent(one)).map(amount),
    solubleExcess: dissolved.filter(isReagent).map(amount),
    insolubleExcess: gathered(solid).map(amount),
    limiting: planned
      .filter(({ limits }) => limits)
      .map(({ species, volume, mass }) => ({ species, isSolid: !volume, grams: mass?.value ?? 0 })),
  }
}
/** g that nobody would see. */
const LEAST = 1e-6

function washesOf(run: Run): YieldFacts['washes'] {
  const washes = run.steps.filter(({ step }) => step.do === 'wash')
  return {
    planned: washes.reduce((sum, { step }) => sum + (step.repeat?.times ?? 1), 0),
    done: washes.reduce(
      (sum, { step, status, times }) => sum + Math.max(times, status === 'done' ? (step.repeat?.times ?? 1) : 0),
      0,
    ),
    skipped: washes.some(({ status }) => status === 'skipped'),
    ethanol: washes.some(
      ({ step, status, times }) =>
        (times > 0 || status === 'done') && step.does && 'wash' in step.does && step.does.wash.with !== 'water',
    ),
  }
}

/** What a chemist would call all of it: the readings that a cause must answer for. */
export function readingsFor({
  product: of,
  theoretical,
  actual,
  spread,
  back,
  evidence,
  planned,
  isPlanned,
  won,
  liquors,
  solubleExcess,
}: YieldFacts): Readings {
  const told = { mean: planned, spread: OWN_SPREAD, weight: 1 }
  const byAccount = won.planned === undefined ? undefined : Math.min(1, won.planned)
  // What is planned is a chemist's own experience; what the account lets come, less what sticks, is the other opinion of a run that goes well.
  const usual = !isPlanned
    ? [{ mean: (byAccount ?? 0.9) - HANDLING, spread: 0.1, weight: 1 }]
    : byAccount !== undefined && byAccount - HANDLING > planned
      ? [
          { ...told, weight: 0.6 },
          { mean: byAccount - HANDLING, spread: OWN_SPREAD, weight: 0.4 },
        ]
      : [told]
  return {
    product: of,
    theoretical,
    actual,
    spread,
    usual,
    back,
    assays: evidence,
    liquors: liquors.map(found => inLiquor(found, of, solubleExcess)),
  }
}
/** What was titrated of the liquor, against what the product and the soluble excess bring of it. */
function inLiquor({ of, amount }: LiquorFound, product: Formula, excess: readonly Amount[]): LiquorRead {
  const beside = excess.reduce((sum, { form, grams }) => {
    const formula = formulaOf(form)
    return sum + (countOf(of, formula) * grams) / molarMass(formula)
  }, 0)
  return {
    found: amount.value,
    spread: standardUncertainty(amount),
    perGram: countOf(of, product) / molarMass(product),
    beside,
  }
}

/** How far the yields of one preparation lie apart in one pair of hands, as a share of the theory; common practice, no source. */
const OWN_SPREAD = 0.06
/** What sticks to glass and paper on the way; common practice, no source. */
const HANDLING = 0.03

/** True where a step of this operation was done. */
export const wasDone = ({ run }: YieldFacts, ...operations: readonly Operation[]): boolean =>
  run.steps.some(({ step, times, status }) => operations.includes(step.do) && (times > 0 || status === 'done'))
export const wasSkipped = ({ run }: YieldFacts, ...operations: readonly Operation[]): boolean =>
  run.steps.some(({ step, status }) => operations.includes(step.do) && status === 'skipped')

/** Every weighing and volume that counts, with the percent that another value of it would give. */
function readingsOf(plan: ReadPlan, lines: readonly JournalLine[], stageId: string): ReadingFact[] {
  return lines.flatMap(({ entry, current }, i): ReadingFact[] => {
    if (entry.kind !== 'reading' || current === undefined || entry.about.stage !== stageId) return []
    if (
      entry.about.what === 'pot' ||
      entry.about.what === 'recovered' ||
      !['gross', 'tare', 'net', 'volume'].includes(entry.measure)
    )
      return []
    const read = readReading(entry, current)
    if (!read.ok) return []
    const what = `${entry.measure} of ${aboutWords(entry.about)}`
    return [
      {
        id: entry.id,
        what,
        value: read.value.value,
        text: current,
        isTyped: entry.typed,
        isProduct: entry.about.what === 'product',
        percentIf(text) {
          const changed = lines.map((line, j) => (j === i ? { ...line, current: text } : line))
          const judged = judgeBatch(plan, changed, stageId)
          return judged.ok ? judged.value.result?.percent.value : undefined
        },
      },
    ]
  })
}
