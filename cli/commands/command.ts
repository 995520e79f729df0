import type { Answer } from '../answer'

export interface Command {
  readonly name: string
  /** What follows the name. */
  readonly takes: string
  readonly about: string
  /** Its keys and one example, for --help. */
  readonly help: string
  readonly run: (argument: string) => Answer
}
