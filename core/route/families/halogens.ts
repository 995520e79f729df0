import { halidesOf } from '#core/reference'
import { POTASSIUM, saltOf, SODIUM, SULFATE } from '../compose'
import type { Family } from '../family'
import { simple, volts } from '../properties'
import { CLEAR, halogenOf, HALOGENS, PEROXIDE } from './potentials'

/** A poisonous gas led over hot metal, beside iodine stirred in. A judgement. */
const POISON_GAS_TUBE = 3

export const metalAndHalogen: Family = {
  id: 'metal and halogen',
  name: 'a metal and a halogen',
  medium: 'gas',
  isRedox: true,
  cost: 1,
  minutes: 180,
  drafts: target => {
    const parts = simple(target)
    const halogen = parts && halogenOf(parts.anion)
    const row = parts && halidesOf.find(one => one.metal === parts.metal.text && one.halogen === halogen)
    if (!parts || !halogen || !row) return []
    return [
      {
        left: [parts.metal.text, halogen],
        right: [],
        why: `{${halogen}} takes the metal straight to {${target.text}}, without water.`,
        mind:
          halogen === 'I2'
            ? 'Once begun it can run away: in small portions.'
            : 'A poisonous gas over hot metal, and dry all through: a tube furnace in a hood.',
        ...(halogen !== 'I2' && { cost: POISON_GAS_TUBE }),
        ...(row.charge !== parts.metal.charge && {
          refused: `{${halogen}} in plenty takes {${parts.metal.text}} to its state ${row.charge}.`,
        }),
      },
    ]
  },
}

export const displaceHalogen: Family = {
  id: 'displace a halogen',
  name: 'a halogen out of its salt',
  medium: 'water',
  isRedox: true,
  cost: 2,
  minutes: 60,
  drafts: target => {
    const own = HALOGENS.find(({ element }) => element === target.text)
    if (!own) return []
    const ion = { text: own.anion, charge: -1 }
    return [POTASSIUM, SODIUM].flatMap(cation => {
      const salt = saltOf(cation, ion)
      return [
        ...HALOGENS.filter(({ potential }) => potential > own.potential + CLEAR).map(({ element, anion }) => ({
          left: [salt.text, element],
          right: [saltOf(cation, { text: anion, charge: -1 }).text],
          why: `{${element}} oxidises the halide: {${target.text}} is set free.`,
        })),
        {
          left: [salt.text, 'H2O2', 'H2SO4'],
          right: [saltOf(cation, SULFATE).text, 'H2O'],
          why: `Peroxide in acid (${volts(PEROXIDE)}) sets {${target.text}} (${volts(own.potential)}) free.`,
        },
        {
          left: [salt.text, saltOf(cation, { text: `${ion.text}O3`, charge: -1 }).text, 'H2SO4'],
          right: [saltOf(cation, SULFATE).text, 'H2O'],
          why: 'Halate and halide meet half way in acid.',
        },
      ]
    })
  },
}

export const halogenFamilies: readonly Family[] = [metalAndHalogen, displaceHalogen]
