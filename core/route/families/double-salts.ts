import { acidOf, saltOf, type Part } from '../compose'
import type { Draft, Family } from '../family'
import { isKnownDouble } from '../doubles'
import { dissolves } from '../properties'
import { stuffOf, type Stuff } from '../stuff'

/** A double salt of the two salts it is made of, in one liquor. */
export const joinSalts: Family = {
  id: 'join two salts',
  name: 'two salts that crystallise together',
  medium: 'water',
  isRedox: false,
  cost: 0,
  minutes: 240,
  drafts: target => {
    const { cations, anions } = target
    if (cations.some(one => one.complex) || anions.some(one => one.complex)) return []
    const known = isKnownDouble(target)
    const joined = (parts: readonly [Stuff, Stuff]): Draft => ({
      left: parts.map(({ text }) => text),
      right: [],
      why: `Both salts in one warm liquor, mole by mole: {${target.text}} is less soluble than either.`,
      ...(!known && {
        refused: `No table here knows {${target.text}} as a double salt that crystallises: nothing is planned on it.`,
      }),
    })
    if (cations.length === 2 && anions.length === 1) {
      const pair = [saltOf(cations[0]!, anions[0]!), saltOf(cations[1]!, anions[0]!)] as const
      return pair.every(salt => dissolves(salt) || salt.row?.water === 'slightly') && dissolves(target)
        ? [joined(pair)]
        : []
    }
    if (cations.length === 1 && anions.length === 2 && !anions.some(({ text }) => ['O', 'OH'].includes(text)))
      return [joined([saltOf(cations[0]!, anions[0]!), saltOf(cations[0]!, anions[1]!)])]
    return []
  },
}

/** An alum of the hydroxo complex that an amphoteric metal gives in caustic: the alkali that dissolved it stays for the crystals. */
export const alumOfAluminate: Family = {
  id: 'acid into the hydroxo complex',
  name: 'a hydroxo complex taken down in acid, to the double salt',
  medium: 'water',
  isRedox: false,
  cost: 1,
  minutes: 180,
  drafts: target => {
    const alkali = target.cations.find(({ charge }) => charge === 1)
    const metal = target.cations.find(({ charge }) => charge > 1)
    const [anion] = target.anions
    const acid = anion && acidOf(anion)
    if (
      !alkali ||
      !metal ||
      !anion ||
      !acid ||
      target.cations.length !== 2 ||
      target.anions.length !== 1 ||
      !dissolves(target)
    )
      return []
    const complex = stuffOf(hydroxo(alkali, metal))
    return complex
      ? [
          {
            left: [complex.text, acid.text],
            right: ['H2O'],
            why: 'Acid takes the hydroxide down and dissolves it again; the alkali is there already, in the right share.',
          },
        ]
      : []
  },
}
const hydroxo = (alkali: Part, metal: Part): string =>
  `${alkali.text}${4 - metal.charge === 1 ? '' : 4 - metal.charge}[${metal.text}(OH)4]`

/** A hydroxide of the hydroxo complex, with carbon dioxide or just enough acid. */
export const hydroxideOfComplex: Family = {
  id: 'hydroxide of the hydroxo complex',
  name: 'a hydroxide thrown down from its solution in alkali',
  medium: 'water',
  isRedox: false,
  cost: 1,
  minutes: 90,
  drafts: target => {
    const [metal] = target.cations
    if (
      !metal ||
      target.cations.length !== 1 ||
      target.anions.length !== 1 ||
      target.anions[0]!.text !== 'OH' ||
      metal.charge < 2
    )
      return []
    return [
      { text: 'Na', charge: 1 },
      { text: 'K', charge: 1 },
    ].flatMap(alkali => {
      const complex = stuffOf(hydroxo(alkali, metal))
      return complex
        ? [
            {
              left: [complex.text, 'CO2'],
              right: [saltOf(alkali, { text: 'HCO3', charge: -1 }).text],
              why: 'Carbon dioxide takes the alkali, and the hydroxide falls.',
            },
            {
              left: [complex.text, 'H2SO4'],
              right: [saltOf(alkali, { text: 'SO4', charge: -2 }).text, 'H2O'],
              why: 'Just enough acid takes the alkali, and the hydroxide falls.',
              mind: 'A drop too much dissolves it again.',
            },
          ]
        : []
    })
  },
}

export const doubleSaltFamilies: readonly Family[] = [joinSalts, alumOfAluminate, hydroxideOfComplex]
