import { exposureLimits } from '#core/reference'
import { operate, type Operation, type Out, type Setting, type Vessel } from '#core/vessel'

export interface Step {
  readonly id: string
  readonly operation: Operation
  readonly words: string
  /** What of the sheet enters here: a species in g, and solvents in g by name. */
  readonly charge?: {
    readonly species?: string
    readonly mass?: number
    readonly solvents?: Readonly<Record<string, number>>
  }
  readonly out: readonly Out[]
  readonly after: Vessel
  /** False where the model does not know what stands. */
  readonly isKnown: boolean
  readonly cautions: readonly string[]
}
/** Does the operations of a stage one after the other, and keeps what each left. */
export class Course {
  readonly steps: Step[] = []
  readonly warnings: { code: string; message: string }[] = []
  private readonly counts = new Map<string, number>()
  isKnown = true
  /** True where the crop is what stays dissolved or not: a precipitate is there whatever the rest does. */
  hangsOnRest = true
  constructor(
    public vessel: Vessel,
    readonly setting: Setting,
  ) {}

  do(operation: Operation, words: string, charge?: Step['charge'], cautions: readonly string[] = []): void {
    const done = operate(this.vessel, operation, this.setting)
    const count = (this.counts.get(operation.do) ?? 0) + 1
    this.counts.set(operation.do, count)
    this.vessel = done.vessel
    if (done.unknown && this.hangsOnRest && isIsolating(operation)) this.isKnown = false
    this.steps.push({
      id: `${operation.do.replaceAll(' ', '-')}-${count}`,
      operation,
      words,
      ...(charge && { charge }),
      // Where it is not known what stands, it is not known what leaves.
      out: this.isKnown ? done.out : [],
      after: done.vessel,
      isKnown: this.isKnown,
      cautions: [...new Set([...cautions, ...gasCautions(done.out)])],
    })
  }
  warn(code: string, message: string): void {
    this.warnings.push({ code, message })
  }
}
/** Operations whose result hangs on how much of a salt stands. */
const isIsolating = (operation: Operation): boolean =>
  operation.do === 'cool' ||
  operation.do === 'boil off' ||
  (operation.do === 'filter off' && operation.keep === 'solid')

/** Gases that leave, by what they do to people: toxic where the tables have a limit for them, hydrogen, and all others by their room. */
function gasCautions(out: readonly Out[]): string[] {
  const gases = out
    .filter(({ to }) => to === 'gas')
    .flatMap(({ matter }) => matter.filter(({ form }) => form !== 'H2O').map(({ form }) => form))
  if (gases.length === 0) return []
  return [
    'gas',
    ...(gases.includes('H2') ? ['hydrogen'] : []),
    ...(gases.includes('CO2') ? ['foaming'] : []),
    ...(gases.some(isToxic) ? ['toxic-gas'] : []),
  ]
}

/** Limits in ppm below which a gas is told as toxic; a judgement: carbon dioxide at 5000 crowds air out rather. */
const TOXIC = 1000
const isToxic = (form: string): boolean =>
  exposureLimits.some(row => row.formula === form && (row.eightHours ?? row.short ?? Infinity) < TOXIC)

/** A mass as the words of a step tell it. */
export const grams = (value: number): string => `${Number(value.toPrecision(3))} g`
