import { dissolveInCaustic } from '#core/reference'
import { saltOf } from '../compose'
import type { Family } from '../family'

export const caustic: Family = {
  id: 'metal in caustic',
  name: 'an amphoteric metal in caustic alkali',
  medium: 'water',
  isRedox: true,
  cost: 1,
  minutes: 60,
  drafts: target => {
    const complex = target.anions[0]?.complex
    const cation = target.cations[0]
    if (!complex || !cation || target.cations.length !== 1 || !complex.ligands.every(({ text }) => text === 'OH'))
      return []
    const row = dissolveInCaustic.find(one => one.metal === complex.metal)
    const base = saltOf(cation, { text: 'OH', charge: -1 })
    return row
      ? [
          {
            left: [complex.metal, base.text, 'H2O'],
            right: ['H2'],
            why: `{${complex.metal}} takes alkali: hydrogen goes, and the hydroxide it makes stays dissolved.`,
            mind: 'Hydrogen and heat: in portions, in a hood, no flame.',
          },
        ]
      : []
  },
}
