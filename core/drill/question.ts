import type { Side } from '#core/equation'
import type { Kind, WorkingLine } from '#core/quantity'
import type { SlipId } from './slips'

/** A slip on this question's own numbers; formulas stand in braces. */
export interface Slip {
  readonly id: SlipId
  readonly says: string
}
/** What comes out with one slip, or with two together. */
export interface Slipped<T> {
  readonly of: readonly Slip[]
  readonly answer: T
}

export type Answer =
  | {
      readonly is: 'number'
      readonly kind: Kind
      /** In the fixed unit of its kind. */
      readonly value: number
      /** The same by plain arithmetic, without the core's figures: the second way, which its test compares. */
      readonly onPaper: number
      /** The unit that the question asks for, and how many of the fixed unit that is. */
      readonly unit: string
      readonly size: number
      readonly digits: number
      /** Read off a picture: good to so much, in the fixed unit, instead of to its digits. */
      readonly within?: number
      readonly slipped: readonly Slipped<number>[]
    }
  | { readonly is: 'formula'; readonly text: string; readonly slipped: readonly Slipped<string>[] }
  | {
      readonly is: 'name'
      readonly text: string
      readonly formula: string
      readonly slipped: readonly Slipped<string>[]
    }
  | {
      readonly is: 'choice'
      readonly options: readonly string[]
      /** Places of what is right; where there may be several, all of them and no other. */
      readonly right: readonly number[]
      readonly several: boolean
      readonly slipped: readonly Slipped<readonly number[]>[]
    }
  | {
      readonly is: 'teeth'
      readonly equation: string
      readonly species: readonly { readonly text: string; readonly side: Side }[]
      readonly right: readonly number[]
      readonly slipped: readonly Slipped<readonly number[]>[]
    }

/** A curve to read from: its points, what its axes are, and how many digits one can read. */
export interface Picture {
  readonly of: string
  readonly x: { readonly name: string; readonly unit: string; readonly from: number; readonly to: number }
  readonly y: { readonly name: string; readonly unit: string; readonly from: number; readonly to: number }
  readonly points: readonly (readonly [x: number, y: number])[]
  /** Which axis the answer stands on; undefined where the answer is reckoned from two readings. */
  readonly answerOn?: 'x' | 'y'
}

/** One question, made by its family from a seed at a step of difficulty: the same three make the same question anywhere. */
export interface Question {
  readonly family: string
  readonly seed: number
  readonly level: Level
  readonly ask: string
  /** What is given, a line each. */
  readonly facts: readonly string[]
  readonly answer: Answer
  readonly picture?: Picture
  readonly working: readonly WorkingLine[]
  /** Why it is so, where that is no arithmetic. */
  readonly why: readonly string[]
}

export const levels = [1, 2, 3] as const
export type Level = (typeof levels)[number]

/** What a family makes of the dice: a question without its own address. */
export type Made = Omit<Question, 'family' | 'seed' | 'level' | 'facts' | 'why' | 'working'> &
  Partial<Pick<Question, 'facts' | 'why' | 'working'>>
