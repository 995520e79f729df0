import type { Trouble } from './troubles'
import type { Seen } from './seen'
import type { Step } from './steps'

/** What a reading is about: one reagent's charge, what came back of it, one crop of the product, or the pot as it stands. */
export type About =
  | { readonly what: 'charge'; readonly stage: string; readonly species: string }
  | { readonly what: 'recovered'; readonly stage: string; readonly species: string }
  /** What went in at a step beside the charges: more of a reagent, as a rescue asks for it. */
  | { readonly what: 'addition'; readonly stage: string; readonly step: string; readonly species: string }
  | { readonly what: 'product'; readonly stage: string; readonly crop: number }
  | { readonly what: 'pot'; readonly stage: string }

export type Measure = 'gross' | 'tare' | 'net' | 'volume' | 'temperature' | 'pH' | 'absorbance' | 'conductivity'

interface Written {
  /** Made by whoever wrote it, so that sending it twice changes nothing. */
  readonly id: string
  /** When it was read or seen, ISO 8601. */
  readonly at: string
  readonly by: string
}
interface OfStage extends Written {
  readonly stage: string
  /** The step it belongs to, by its id. */
  readonly step?: string
}

export interface Reading extends Written {
  readonly kind: 'reading'
  readonly about: About
  readonly measure: Measure
  /** As the instrument showed it, with its unit: `88.437 g`. */
  readonly value: string
  readonly instrument?: string
  readonly typed: boolean
  readonly step?: string
  /** The bottle of the shelf that it was taken from, by its code. */
  readonly bottle?: string
}

export interface Remark extends OfStage {
  readonly kind: 'observation' | 'note'
  readonly text: string
  /** What it says by its code; words alone are for people. */
  readonly seen?: Seen
}

/** A step taken up, done once, skipped with a reason, or opened again. */
export interface StepTaken extends OfStage {
  readonly kind: 'step'
  readonly step: string
  readonly what: 'begun' | 'done' | 'skipped' | 'opened'
  /** Done as a whole, without its portions having been counted. */
  readonly whole?: true
  /** The step in words, so that the record reads without the plan. */
  readonly words: string
  readonly why?: string
}

/** Something that was not planned: what happened, and the steps that were put in after `step` for it. */
export interface Deviation extends OfStage {
  readonly kind: 'deviation'
  readonly text: string
  /** What it was, where it is one of the troubles that have a name. */
  readonly code?: Trouble
  readonly steps: readonly Step[]
}

/** A clock: a countdown of `seconds`, one that rings every so many, or, with neither, a stopwatch. */
export interface TimerTurned extends OfStage {
  readonly kind: 'timer'
  readonly timer: string
  readonly what: 'start' | 'pause' | 'resume' | 'add' | 'stop'
  readonly name: string
  readonly seconds?: number
  readonly every?: number
}

/** A portion of the clear liquor, what was added to it, and what was seen; or litmus, or a wash tried. */
export interface SpotTest extends OfStage {
  readonly kind: 'test'
  readonly added: string
  readonly result: 'cloud' | 'clear' | 'acid' | 'neutral' | 'alkaline'
}

/** A planned step moved to a time. */
export interface Shifted extends OfStage {
  readonly kind: 'shift'
  readonly step: string
  readonly to: string
}

/** A picture kept beside the journal, named by its SHA-256. */
export interface Photo extends OfStage {
  readonly kind: 'photo'
  readonly photo: string
  readonly type: 'image/jpeg' | 'image/png' | 'image/webp'
  readonly text: string
}

/** Names the entry it corrects and says why. What is not given instead strikes the entry out. */
export interface Correction extends Written {
  readonly kind: 'correction'
  readonly corrects: string
  readonly why: string
  readonly instead?: string
}

export type Entry = Reading | Remark | StepTaken | Deviation | TimerTurned | SpotTest | Shifted | Photo | Correction

/** The entry as first written, in words; formulas stand in braces. */
export function entryText(entry: Exclude<Entry, Correction>): string {
  switch (entry.kind) {
    case 'reading':
      return entry.value
    case 'observation':
    case 'note':
    case 'deviation':
    case 'photo':
      return entry.text
    case 'step':
      return `${entry.what}: ${entry.words}${entry.why ? `, because ${entry.why}` : ''}`
    case 'timer':
      return `${timerWords[entry.what]} ${entry.name}${entry.seconds === undefined ? '' : `, ${clockWords(entry.seconds)}`}`
    case 'test':
      return `${entry.added}: ${entry.result}`
    case 'shift':
      return `moved to ${entry.to}`
  }
}
const timerWords = {
  start: 'started',
  pause: 'paused',
  resume: 'went on with',
  add: 'added to',
  stop: 'ended',
} as const

/** Seconds as a clock shows them: 4:05, 1:02:03. */
export function clockWords(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds))
  const two = (value: number): string => String(value).padStart(2, '0')
  const hours = Math.floor(whole / 3600)
  const minutes = Math.floor(whole / 60) % 60
  return hours > 0 ? `${hours}:${two(minutes)}:${two(whole % 60)}` : `${minutes}:${two(whole % 60)}`
}

/** Minutes as one says them: 45 min, 4 h, 3 days. */
export function durationWords(minutes: number): string {
  if (minutes >= 2880) return `${Math.round(minutes / 1440)} days`
  return minutes >= 120 ? `${Math.round(minutes / 60)} h` : `${Math.round(minutes)} min`
}
