import { effectOf, foldSteps, type Real, type StageProcedure, type ToldStage } from '#core/procedure'
import { given, standardUncertainty, sum, type Figure } from '#core/quantity'
import type { StageSheet } from '#core/sheet'
import { readOperation, WATER, type OperationPlan } from '#core/vessel'

/** How far a charge is moved to see what hangs on it, as a share of it: the account is straight between its branches, so that any small step tells. */
const STEP = 1e-4
/** How far a boiled pot is from its mark, as a share of what stays in it, where nobody read it; common practice, no source. */
const TOLERANCE = 0.05
/** A share of a figure that is nothing but the rounding of the arithmetic. */
const ROUNDING = 1e-9

/** A boiling whose mark nobody read: the account at the tolerance’s end, and what stands for it in a sum. */
interface Unread {
  readonly account: StageProcedure
  readonly mark: Figure
}
/** One standard uncertainty of a mark, mol: only its weights tell anything. */
const ONE = 1e-3

interface Moved {
  readonly amount: Figure
  readonly account: StageProcedure
  readonly by: number
}

/**
 * Figures out of an account: what the fold tells, as a sum over the charges that it hangs on. How much it hangs on each is found by moving that charge a little and folding again,
 * so that its working names the bottles, and its uncertainty stays tied to theirs. What is left over, a model decided, or the pot before: it enters as given.
 */
export class Tape {
  private moved: readonly Moved[] | undefined
  private boiled: readonly Unread[] | undefined
  constructor(
    readonly told: ToldStage,
    readonly sheet: StageSheet,
    readonly account: StageProcedure = told,
  ) {}

  /**
   * The figure of an amount that `measure` finds in an account, mol; `spread` is the model's, as a share, where a model decides it. How far a pot was boiled down, where nobody read its volume, is known to
   * the step's tolerance.
   */
  amount(name: string, measure: (account: StageProcedure) => number, spread = 0): Figure {
    const value = measure(this.account)
    this.moved ??= this.moves()
    const terms = this.moved.flatMap(({ amount, account, by }): (readonly [number, Figure])[] => {
      const weight = tidy((measure(account) - value) / by)
      return Math.abs(weight * amount.value) > ROUNDING * Math.abs(value) ? [[weight, amount]] : []
    })
    const rest = value - terms.reduce((all, [weight, of]) => all + weight * of.value, 0)
    this.boiled ??= this.boilings()
    const unread = this.boiled.flatMap(({ mark, account }): (readonly [number, Figure])[] => {
      const off = measure(account) - value
      return Math.abs(off) > ROUNDING * Math.abs(value) ? [[off / ONE, mark]] : []
    })
    const isRest = Math.abs(rest) > ROUNDING * Math.max(Math.abs(value), 1e-6)
    if (!isRest && spread === 0 && terms.length + unread.length > 0) return sum(name, [...terms, ...unread])
    const model = given(rest, 'amount', `${name}, by the vessel’s account`, {
      source: spread > 0 ? 'the model of what stays dissolved' : 'the account of the vessel',
      uncertainty: spread * Math.abs(value),
    })
    return terms.length + unread.length === 0 ? model : sum(name, [...terms, ...unread, [1, model]])
  }

  private boilings(): Unread[] {
    const { folding, kept } = this.told
    const steps = kept?.steps ?? this.told.steps
    return steps.flatMap((step): Unread[] => {
      const plan = effectOf(step)
      if (!plan || !('evaporate' in plan || 'evaporateTo' in plan) || isRead(kept?.realOf?.(step))) return []
      const off = this.offBy(step.id)
      const account = [1 + off, 1 - off]
        .map(by => steps.map(one => (one === step ? { ...one, does: boiledBy(plan, by) } : one)))
        .map(further => foldSteps({ ...folding, sheet: this.sheet }, further, kept?.realOf))
        // Past the tables' end nothing is told: then the other side tells.
        .find(one => one.isKnown)
      if (!account) return []
      return [
        {
          account,
          mark: given(0, 'amount', `how far “${step.words}” went`, {
            source: `boiled at ${step.id}`,
            uncertainty: ONE,
          }),
        },
      ]
    })
  }

  /** How far a boiling is from its mark, as a share of what it boils off or down to: the tolerance is of what stays in the pot, for that is what is read. */
  private offBy(step: string): number {
    const event = this.account.events.find(one => one.step === step && one.operation.do.startsWith('boil'))
    if (event?.operation.do !== 'boil off' || !(event.operation.water > 0)) return TOLERANCE
    return (TOLERANCE * (event.after.solvents.get(WATER) ?? 0)) / event.operation.water
  }

  private moves(): Moved[] {
    const { folding, steps, kept } = this.told
    return this.sheet.reagents.flatMap((line, i): Moved[] => {
      const by = STEP * line.amount.value
      if (!line.planned || !(by > 0) || !(standardUncertainty(line.amount) >= 0)) return []
      const reagents = this.sheet.reagents.map((one, j) =>
        j === i ? { ...one, amount: { ...one.amount, value: one.amount.value + by } } : one,
      )
      const account = foldSteps({ ...folding, sheet: { ...this.sheet, reagents } }, kept?.steps ?? steps, kept?.realOf)
      return [{ amount: line.amount, account, by }]
    })
  }
}

/** A boiling that goes so many times as far. */
function boiledBy(plan: OperationPlan, factor: number): OperationPlan {
  const read = readOperation(plan)
  if (!read.ok) return plan
  const of = plan.of === undefined ? {} : { of: plan.of }
  if (read.value.do === 'evaporate') return { evaporate: { water: `${read.value.water * factor} g` }, ...of }
  if (read.value.do === 'evaporate to') return { evaporateTo: { water: `${read.value.water * factor} g` }, ...of }
  return read.value.do === 'evaporate to volume'
    ? { evaporateTo: { volume: `${read.value.volume * factor} mL` }, ...of }
    : plan
}

/** True where somebody read how far the pot was boiled. */
const isRead = (real: Real | undefined): boolean => real?.volume !== undefined || real?.mass !== undefined

/** A whole number, or a simple share, that the step's rounding has blurred. */
function tidy(weight: number): number {
  const twelfth = Math.round(weight * 12) / 12
  return Math.abs(weight - twelfth) < 1e-6 ? twelfth : weight
}
