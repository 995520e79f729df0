import { CHLORIDE, saltOf } from '../compose'
import type { Draft, Family } from '../family'
import { dissolves, potentialOf, simple, volts } from '../properties'
import type { Stuff } from '../stuff'
import { solubleSaltsOf } from './sources'
import { CLEAR } from './potentials'

export const displaceMetal: Family = {
  id: 'displace a metal',
  name: 'a baser metal in the salt of a nobler one',
  medium: 'water',
  isRedox: true,
  cost: 3,
  minutes: 60,
  drafts: (target, { from }) => [...asSalt(target, from), ...asMetal(target, from)],
}

/** The target as the salt that the baser metal goes to; of a nobler salt that is there to be used, and none that would have to be bought for it. */
function asSalt(target: Stuff, from: readonly Stuff[]): Draft[] {
  const parts = simple(target)
  if (!parts || !dissolves(target)) return []
  const potential = potentialOf(parts.metal.text, parts.metal.charge)
  if (potential === undefined) return []
  return [
    { text: 'Cu', charge: 2 },
    { text: 'Ag', charge: 1 },
  ].flatMap(noble => {
    const other = saltOf(noble, parts.anion)
    const above = potentialOf(noble.text, noble.charge)!
    return from.some(({ key }) => key === other.key) && noble.text !== parts.metal.text && dissolves(other)
      ? [
          {
            left: [parts.metal.text, other.text],
            right: [noble.text],
            why: `{${parts.metal.text}} (${volts(potential)}) is baser than {${noble.text}} (${volts(above)}) and takes its place.`,
            ...(above - potential < CLEAR && {
              refused: `{${parts.metal.text}} (${volts(potential)}) is no baser than {${noble.text}} (${volts(above)}): nothing happens.`,
            }),
          },
        ]
      : []
  })
}

/** The target as the metal that comes out of its salt. */
function asMetal(target: Stuff, from: readonly Stuff[]): Draft[] {
  const metal = target.text
  const potential = target.elements.size === 1 ? potentialOf(metal) : undefined
  if (potential === undefined) return []
  const charge = [1, 2, 3].find(one => potentialOf(metal, one) === potential)
  if (charge === undefined) return []
  return ['Zn', 'Fe', 'Al', 'Mg', 'Cu'].flatMap(baser => {
    const below = potentialOf(baser)!
    if (baser === metal || (from.every(one => one.text !== baser) && baser !== 'Zn' && baser !== 'Fe')) return []
    const halide = saltOf({ text: metal, charge }, CHLORIDE)
    return [...solubleSaltsOf({ text: metal, charge }), ...(halide.standing === 'solid' ? [halide] : [])].map(salt => {
      const state = [1, 2, 3].find(one => potentialOf(baser, one) === below) ?? 2
      const after = saltOf({ text: baser, charge: state }, salt.anions[0]!)
      return {
        left: [salt.text, baser],
        right: [after.text],
        why: `{${baser}} (${volts(below)}) is baser and drives {${metal}} (${volts(potential)}) out.`,
        mind: 'What is left of the baser metal is dissolved off with dilute acid.',
        ...(potential - below < CLEAR && {
          refused: `{${baser}} (${volts(below)}) is no baser than {${metal}} (${volts(potential)}): nothing comes out.`,
        }),
      }
    })
  })
}
