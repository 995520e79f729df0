import { parseQuantity, toSignificant } from '#core/quantity'
import { solventWords } from '#core/solution'
import { planWords, type OperationPlan } from '#core/vessel'
import type { Draft } from './event'

/** Digits that a figure which was worked out is kept with, so that it scales, and those that a chemist reads off it. */
const KEPT = 6
const SHOWN = 3
/** An amount that was worked out, as an operation keeps it. */
export const kept = (value: number, unit: 'g' | 'mL'): string => `${toSignificant(value, KEPT)} ${unit}`
/** The same as words and targets show it; what somebody typed, with fewer digits, stays as it is. */
export function shown(text: string): string {
  const [number = '', unit = ''] = text.split(' ')
  const value = Number(number)
  const digits = number.replace('.', '').replace(/^0+/, '').length
  return Number.isFinite(value) && digits > SHOWN + 1 ? `${toSignificant(value, SHOWN)} ${unit}`.trim() : text
}

const POT = { about: { what: 'pot' } } as const
/** Below this a bath of ice is wanted, °C; a judgement. */
const ICE_BELOW = 15

/** Operations as steps of the bench: every filter with its empty vessel weighed before it, equal washes as one step done so often. */
export function stepsOf(operations: readonly OperationPlan[], form: string): Draft[] {
  let crop = 0
  const drafts: Draft[] = []
  for (const operation of operations) {
    if ('filter' in operation) {
      crop += 1
      drafts.push(tareStep(crop))
    }
    const next = stepOf(operation, form, crop)
    const last = drafts.at(-1)
    if (last?.does && 'wash' in operation && JSON.stringify(last.does) === JSON.stringify(operation))
      drafts[drafts.length - 1] = { ...last, repeat: { times: (last.repeat?.times ?? 1) + 1 } }
    else drafts.push(next)
  }
  return drafts
}

/** The empty paper or vessel of a crop is weighed before it is filled. */
export const tareStep = (crop = 1): Draft => ({
  do: 'weigh',
  words: `Weigh the empty paper or vessel${crop > 1 ? ` for crop ${crop}` : ''}, dry and cold`,
  about: { what: 'product', crop, empty: true },
  why: 'What the crystals weigh is a difference: read both on the same balance.',
  does: { nothing: true },
})

/** One operation as a step of the bench, with its words, target and usual time. */
export const stepOf = (operation: OperationPlan, form: string, crop = 1): Draft => ({
  ...bench(operation, form, crop),
  does: operation,
})

function bench(operation: OperationPlan, form: string, crop: number): Draft {
  const of = operation.of === undefined ? '' : ` of ${operation.of}`
  if ('heatTo' in operation)
    return { do: 'heat', words: `Heat to ${operation.heatTo}`, target: operation.heatTo, tolerance: '3 °C', ...POT }
  if ('coolTo' in operation) return cooled(operation.coolTo)
  if ('evaporate' in operation)
    return { do: 'evaporate', words: `Boil off ${shown(operation.evaporate.water)} of water${of}`, ...POT }
  if ('evaporateTo' in operation) return boiledDown(operation.evaporateTo, of)
  if ('addWater' in operation)
    return {
      do: 'add',
      words: `Add ${shown(operation.addWater)} of water`,
      target: shown(operation.addWater),
      hands: '3 min',
      ...POT,
    }
  if ('addSolute' in operation)
    return {
      do: 'add',
      words: `Add ${operation.addSolute.mass} of {${operation.addSolute.form}}`,
      target: operation.addSolute.mass,
      ...POT,
    }
  if ('seed' in operation)
    return { do: 'seed', words: `Seed with ${operation.seed.mass} of {${operation.seed.form}}`, ...POT }
  if ('addEthanol' in operation)
    return {
      do: 'add',
      words: `Add ${shown(operation.addEthanol)} of ethanol slowly, no flame near`,
      target: shown(operation.addEthanol),
      until: 'no more comes down',
      needs: ['hood'],
      ...POT,
    }
  if ('hold' in operation) return { do: 'hold', words: `Hold for ${operation.hold}`, wait: operation.hold, ...POT }
  if ('filter' in operation)
    return {
      do: 'filter',
      words: `Filter ${crop > 1 ? `crop ${crop} of ` : ''}{${form}} and suck it off${operation.filter.liquor === undefined ? '' : `; keep the liquor as ${operation.filter.liquor}`}`,
      until: 'no more liquor drips',
    }
  if ('wash' in operation) return washed(operation)
  return other(operation)
}

function cooled(to: string): Draft {
  const read = parseQuantity(to, { kinds: ['temperature'], name: '', source: '' })
  const iced = read.ok && read.value.value < ICE_BELOW
  return {
    do: iced ? 'ice' : 'cool',
    words: iced ? `Let it cool, then in ice to ${to}` : `Cool to ${to}, covered`,
    target: to,
    tolerance: '2 °C',
    wait: iced ? '1 h' : '45 min',
    ...POT,
  }
}

function boiledDown(to: Extract<OperationPlan, { evaporateTo: unknown }>['evaporateTo'], of: string): Draft {
  if (!('volume' in to))
    return { do: 'evaporate', words: `Boil down${of} until ${shown(to.water)} of water is left`, ...POT }
  return {
    do: 'evaporate',
    words: `Boil down${of} to ${to.volume}`,
    target: to.volume,
    tolerance: '5 %',
    why: 'Never to dryness: what dries on the glass loses its water and spits.',
    ...POT,
  }
}

function washed(operation: Extract<OperationPlan, { wash: unknown }>): Draft {
  const { with: solvent, volume, at = '0 °C', through } = operation.wash
  return {
    do: 'wash',
    words: `Wash with ${shown(volume)} of ${solventWords(operation)} at ${at}, ${through ? 'run through' : 'stirred up, then sucked off'}`,
    target: shown(volume),
    ...(solvent !== 'water' && { needs: ['vacuum', 'hood'] as const }),
  }
}

function other(operation: OperationPlan): Draft {
  const words = planWords(operation)
  const sentence = words.charAt(0).toUpperCase() + words.slice(1)
  if ('toDryness' in operation) return { do: 'evaporate to dryness', words: sentence, needs: ['hood', 'hotplate'] }
  if ('filterOff' in operation) return { do: 'filter hot', words: sentence }
  if ('dry' in operation) return { do: 'dry', words: sentence }
  if ('ignite' in operation) return { do: 'ignite', words: sentence, target: operation.ignite }
  if ('stir' in operation) return { do: 'stir', words: sentence }
  if ('nothing' in operation) return { do: 'observe', words: sentence }
  return { do: 'add', words: sentence }
}
