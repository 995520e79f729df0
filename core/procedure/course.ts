import { molarMass } from '#core/formula'
import type { Step } from '#core/journal'
import {
  explainOperation,
  operateOn,
  readOperation,
  type Bench,
  type Operation,
  type OperationPlan,
  type Setting,
  type Vessel,
} from '#core/vessel'
import { cautionsOf } from './cautions'
import type { Charge } from './charges'
import { effectOf } from './effects'
import type { AtWork, Done, Draft, Event, Real, Sheeted, StepProblem } from './event'
import { portionsIn } from './portions'

const NOTHING_READ: Real = { isSkipped: false }

/** Does the steps of a stage one after the other: the operations of each, what they left, and what of the sheet has gone in. */
export class Course implements AtWork {
  readonly steps: Step[] = []
  readonly events: Event[] = []
  readonly problems: StepProblem[] = []
  readonly warnings: { code: string; message: string }[] = []
  private readonly counts = new Map<string, number>()
  private readonly entered = new Map<string, number>()
  private retained = 0
  isKnown = true
  /** True where the crop is what stays dissolved or not: a precipitate is there whatever the rest does. */
  hangsOnRest = true
  constructor(
    public bench: Bench,
    readonly setting: Setting,
    readonly sheet: Sheeted,
  ) {}

  get vessel(): Vessel {
    return this.bench.main
  }

  /** Takes one step: a drafted one gets its id from its operation and its number. */
  take(draft: Draft, real: Real = NOTHING_READ): void {
    const step: Step = { ...draft, id: draft.id ?? this.idFor(draft.do) }
    this.steps.push(step)
    const plan = real.isSkipped ? this.leftAlone(step) : effectOf(step, real)
    if (real.isSkipped && !plan) return
    if (!plan) {
      this.loseSight(step, `what “${step.words}” does to the vessel is not said`, 'say it in the step')
      return
    }
    const read = readOperation(plan)
    if (!read.ok) {
      const { why, fix } = explainOperation(read.problem)
      this.loseSight(step, why, fix)
      return
    }
    if (plan.of !== undefined)
      this.run(step, { operation: { do: 'take up', liquor: plan.of }, charge: { from: plan.of } }, 'take-up')
    const portions = portionsIn(read.value, step, real, this)
    if ('why' in portions) {
      this.loseSight(step, portions.why, portions.fix)
      return
    }
    if (read.value.do === 'charge')
      this.entered.set(read.value.species, (this.entered.get(read.value.species) ?? 0) + 1)
    portions.forEach((portion, i) => this.run(step, portion, portions.length > 1 ? `${i + 1}` : ''))
  }

  /** A cooling that was left out: what is hotter than the room comes to it by itself. */
  private leftAlone(step: Step): OperationPlan | undefined {
    const plan = effectOf(step)
    return plan && 'coolTo' in plan && this.vessel.celsius > this.sheet.room
      ? { coolTo: `${this.sheet.room} °C` }
      : undefined
  }

  /** The liquor that a cake kept last, as a share of its solids. */
  get lastRetained(): number {
    return this.retained
  }
  /** Charges of the sheet that no step puts in, and those that more than one does. */
  notOnce(): { readonly missing: readonly Charge[]; readonly twice: readonly string[] } {
    return {
      missing: this.sheet.charges.filter(({ species }) => !this.entered.has(species)),
      twice: [...this.entered].filter(([, count]) => count > 1).map(([species]) => species),
    }
  }
  warn(code: string, message: string): void {
    this.warnings.push({ code, message })
  }

  private run(step: Step, { operation, charge, words }: Done, part: string): void {
    const before = this.bench
    const done = operateOn(before, operation, this.setting)
    this.bench = done.bench
    if (operation.do === 'filter off' && operation.keep === 'solid') this.retained = operation.retained
    if (done.unknown !== undefined && this.hangsOnRest && isIsolating(operation)) this.isKnown = false
    // Where it is not known what stands, it is not known what leaves.
    const out = this.isKnown ? done.out : []
    this.events.push({
      id: part === '' ? step.id : `${step.id}/${part}`,
      step: step.id,
      operation,
      words: words ?? step.words,
      ...(charge && { charge }),
      out,
      after: done.bench.main,
      beside: done.bench.beside,
      isKnown: this.isKnown,
      ...(done.unknown !== undefined && !this.isKnown && { unknown: done.unknown }),
      cautions: cautionsOf({
        before: before.main,
        after: done.bench.main,
        operation,
        out: done.out,
        charge: charge?.species === undefined ? undefined : this.chargeOf(charge.species),
        isLastCharge: this.sheet.isWarm && this.isLast(charge?.species),
      }),
    })
  }
  chargeOf(species: string): Charge | undefined {
    return this.sheet.charges.find(one => one.species === species)
  }
  private isLast(species: string | undefined): boolean {
    return (
      species !== undefined &&
      this.sheet.charges.every(one => one.species === species || this.entered.has(one.species) || one.moles === 0)
    )
  }
  private loseSight(step: Step, why: string, fix: string): void {
    this.problems.push({ step: step.id, why, fix })
    this.isKnown = false
    this.events.push({
      id: step.id,
      step: step.id,
      operation: { do: 'observe' },
      words: step.words,
      out: [],
      after: this.vessel,
      beside: this.bench.beside,
      isKnown: false,
      cautions: [],
    })
  }
  private idFor(name: Step['do']): string {
    const count = (this.counts.get(name) ?? 0) + 1
    this.counts.set(name, count)
    return `${name.replaceAll(' ', '-')}-${count}`
  }
}
/** Operations whose result hangs on how much of a salt stands. */
const isIsolating = (operation: Operation): boolean =>
  operation.do === 'cool' ||
  operation.do === 'boil off' ||
  operation.do === 'boil down' ||
  operation.do === 'take up' ||
  (operation.do === 'filter off' && operation.keep === 'solid')

/** A mass as the words of a step tell it. */
export const grams = (value: number): string => `${Number(value.toPrecision(3))} g`

/** Grams of all that stands as solid. */
export const solidsIn = ({ lumps }: Vessel): number =>
  lumps.reduce((sum, { form, moles }) => sum + moles * molarMass(form), 0)
