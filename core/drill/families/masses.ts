import { molarMassFigure, molarMass } from '#core/formula'
import type { Family } from '../family'
import { numeric } from '../numeric'
import { formula, massOf, salts } from '../pool'

const WATER = massOf('H2O')

/** Molar mass of a salt as it stands on its bottle. */
export const molarMassFamily: Family = {
  id: 'molar-mass',
  name: 'Molar mass, waters and all',
  skill: 'Formulas',
  steps: ['plain salts', 'hydrates', 'double salts and complexes with their waters'],
  make(dice, level) {
    const fit = salts().filter(
      ({ waters, hasComplex, ions }) =>
        (level === 1 && waters === 0 && !hasComplex && ions === 2) ||
        (level === 2 && waters > 0 && !hasComplex && ions === 2) ||
        (level === 3 && waters > 0 && (hasComplex || ions > 2)),
    )
    const { text, dry, waters } = dice.pick(fit)
    const whole = formula(text)
    const bare = molarMass(formula(dry))
    const unbracketed = withoutBrackets(dry)
    const plain = unbracketed === undefined ? bare : massOf(unbracketed)
    return numeric({
      ask: `What is the molar mass of {${text}}?`,
      figure: molarMassFigure(whole),
      unit: 'g/mol',
      digits: 5,
      within: 0.05,
      model: has => {
        const dryMass = has('bracket left out') ? plain : bare
        if (has('waters left out')) return dryMass
        return dryMass + (has('waters of one') ? 1 : waters) * WATER
      },
      slips: {
        ...(waters > 0 && {
          'waters left out': `${bare.toFixed(2)} g/mol is {${dry}}: its ${waters} H2O, ${(waters * WATER).toFixed(2)} g/mol, are missing.`,
        }),
        ...(waters > 1 && {
          'waters of one': `One water, ${WATER.toFixed(2)} g/mol, was added; there are ${waters}.`,
        }),
        ...(unbracketed !== undefined && {
          'bracket left out': `That counts what stands in the bracket of {${dry}} once.`,
        }),
      },
    })
  },
}

/** The same formula with the number behind its brackets taken away; undefined where it has none. */
function withoutBrackets(text: string): string | undefined {
  const plain = text.replace(/\)\d+/g, ')')
  return plain === text ? undefined : plain
}
