import { difference, product } from '#core/quantity'
import { balanceNoise, constancy, driedOn } from './constant-mass'
import { PERCENT, type SheetKind } from './worksheet-kind'

/** What a solid loses on drying, in percent of what was weighed in: water that clings, or all that is volatile at that temperature. */
export const lossOnDryingSheet: SheetKind = {
  shape: {
    name: 'Loss on drying',
    about:
      'A weighed solid, dried at a temperature that leaves its own water in, to constant mass: what it lost is moisture, or a volatile solvent.',
    asked: [balanceNoise],
    columns: [
      { key: 'tare', label: 'Vessel', kinds: ['mass'] },
      { key: 'before', label: 'with the solid', kinds: ['mass'] },
      { key: 'after', label: 'dried', kinds: ['mass'] },
      ...driedOn('dried on, again'),
    ],
    result: 'Loss on drying',
    unit: PERCENT,
    rows: 'replicates',
  },
  method: ({ figures: { noise } }) => ({
    problems: [],
    work({ tare, before, after, again }) {
      const last = again ?? after
      if (!tare || !before || !last) return undefined
      const key = again ? 'again' : 'after'
      if (before.value <= tare.value)
        return {
          problem: {
            key: 'before',
            why: 'This is no more than the empty vessel.',
            fix: 'Check whether the two are swapped.',
          },
        }
      if (last.value > before.value)
        return {
          problem: {
            key,
            why: 'It weighs more than before it was dried.',
            fix: 'It took up water while it cooled, or a digit was misread: cool it in a desiccator and weigh again.',
          },
        }
      if (last.value < tare.value)
        return { problem: { key, why: 'This is below the empty vessel.', fix: 'Check the weighings.' } }
      return {
        value: product(
          'loss on drying',
          'mass fraction',
          [difference('lost', before, last)],
          [difference('solid weighed in', before, tare)],
        ),
      }
    },
    judge: outcome => ({ findings: constancy(outcome, 'after', noise) }),
  }),
}
