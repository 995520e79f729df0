import type { CauseCode, Explanation } from './explanation'

export interface Evidence {
  readonly says: string | false | undefined
  /** How much more, or less, likely it makes the cause. */
  readonly times: number
}

/** Puts an explanation together; its weight is how usual the cause is, times how far it goes, times what speaks for and against. */
export function cause(
  code: CauseCode,
  usual: number,
  told: Pick<Explanation, 'title' | 'needs' | 'suffices' | 'settle' | 'form'> & {
    readonly most?: number | undefined
    readonly reach?: number
  },
  evidence: readonly Evidence[],
): Explanation {
  const heard = evidence.filter((one): one is Evidence & { says: string } => typeof one.says === 'string')
  const reach = told.suffices === 'alone' ? 1 : told.suffices === 'not known' ? 0.6 : 0.5 * Math.min(1, told.reach ?? 0)
  const { most, reach: _, ...rest } = told
  return {
    cause: code,
    ...rest,
    ...(most !== undefined && { most }),
    speaksFor: heard.filter(({ times }) => times > 1).map(({ says }) => says),
    speaksAgainst: heard.filter(({ times }) => times < 1).map(({ says }) => says),
    weight: usual * reach * heard.reduce((product, { times }) => product * times, 1),
  }
}

export const grams = (value: number): string => `${Number(value.toPrecision(3))}\u202fg`
export const percentText = (fraction: number): string =>
  `${(fraction * 100).toFixed(Math.abs(fraction) < 0.1 ? 1 : 0)}\u202f%`
