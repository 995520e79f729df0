import { oxidisedInAlkali, oxoanionReactions, type OxoanionTerm } from '#core/reference'
import { acidOf, HYDROXIDE, POTASSIUM, saltOf, SODIUM, type Part } from '../compose'
import type { Family } from '../family'
import { dissolves, isOxidising, simple } from '../properties'
import { solubleSaltsOf } from './sources'

const CATIONS: readonly Part[] = [SODIUM, POTASSIUM]

/** Air gets into a melt only at its skin: rabbled for half a day, where nitrate or chlorate is done in an hour. A judgement. */
const AIR_IN_MELT = 5

export const alkalineOxidation: Family = {
  id: 'oxidise in alkali',
  name: 'an oxide or ion oxidised in alkali',
  medium: 'melt',
  isRedox: true,
  cost: 3,
  minutes: 120,
  drafts: target => {
    const parts = simple(target)
    const row =
      parts && oxidisedInAlkali.find(one => one.anion === parts.anion.text && one.charge === parts.anion.charge)
    if (!parts || !row || !CATIONS.some(({ text }) => text === parts.metal.text)) return []
    const of = (text: string, charge: number): string => saltOf(parts.metal, { text, charge }).text
    const melts = [of('OH', -1), of('CO3', -2)].flatMap((base, i) =>
      [[of('NO3', -1), of('NO2', -1)], [of('ClO3', -1), of('Cl', -1)], ['O2']].map(([oxidant, left]) => ({
        left: [row.oxide, base, oxidant!],
        right: [...(left ? [left] : []), i === 1 ? 'CO2' : 'H2O'],
        why: 'In molten alkali the higher state is the stable one.',
        ...(oxidant === 'O2' && { cost: AIR_IN_MELT }),
        mind: 'A melt of alkali with an oxidant: iron or nickel crucible, face shield, nothing that burns near it.',
      })),
    )
    const ion = { text: row.metal, charge: row.state }
    const solutions = row.in.includes('water')
      ? [...solubleSaltsOf(ion), saltOf(ion, HYDROXIDE)].map(salt => ({
          left: [salt.text, of('OH', -1), 'H2O2'],
          right: [
            'H2O',
            ...salt.anions.filter(({ text }) => text !== 'OH').map(({ text, charge }) => of(text, charge)),
          ],
          why: 'In alkali peroxide takes the metal up.',
          mind: 'It foams; boil until no more oxygen comes before it is made acid.',
        }))
      : []
    return [...melts, ...solutions]
  },
}

/** One oxoanion into another of the same element: the rows of their table, written for the cation that the target has. */
export const oxoanions: Family = {
  id: 'oxoanion into oxoanion',
  name: 'one oxoanion into another',
  medium: 'water',
  isRedox: true,
  cost: 1,
  minutes: 120,
  drafts: target => {
    const parts = simple(target)
    if (!parts || parts.metal.charge > 2) return []
    const written = (term: OxoanionTerm): string =>
      typeof term === 'string' ? term : saltOf(parts.metal, { text: term[0], charge: term[1] }).text
    return oxoanionReactions
      .filter(({ makes: [text, charge] }) => text === parts.anion.text && charge === parts.anion.charge)
      .map(({ left, right, why, mind }) => ({
        left: left.map(written),
        right: right.map(written),
        why,
        ...(mind && { mind }),
      }))
  },
}

/** Chromate and permanganate taken down in acid to the salt of the lower state, also a double one. */
export const reduceOxoanion: Family = {
  id: 'reduce an oxoanion',
  name: 'dichromate or permanganate taken down in acid',
  medium: 'water',
  isRedox: true,
  cost: 2,
  minutes: 180,
  drafts: target => {
    const metal = target.cations.find(
      ({ text, charge, complex }) => !complex && ((text === 'Cr' && charge === 3) || (text === 'Mn' && charge === 2)),
    )
    const [anion] = target.anions
    if (!metal || !anion || target.anions.length !== 1 || !dissolves(target)) return []
    const acid = acidOf(anion)
    if (!acid || isOxidising(anion)) return []
    const partner = target.cations.find(one => one !== metal)
    const sources =
      metal.text === 'Cr'
        ? [POTASSIUM, SODIUM, { text: 'NH4', charge: 1 }]
            .filter(one => !partner || partner.text === one.text)
            .map(one => [saltOf(one, { text: 'Cr2O7', charge: -2 }).text, saltOf(one, anion).text] as const)
            .concat([['CrO3', '']])
        : [['KMnO4', saltOf(POTASSIUM, anion).text] as const]
    return sources.flatMap(([source, beside]) => {
      const may = beside && !partner ? [beside] : []
      return [
        {
          left: [source, 'SO2', acid.text],
          right: [],
          may: ['H2O', ...may],
          why: 'Sulfur dioxide takes it down, and leaves sulfate.',
          mind: 'Cold: warm, the green ions come, which do not crystallise.',
        },
        {
          left: [source, 'C2H5OH', acid.text],
          right: ['CH3CHO', 'H2O'],
          may,
          why: 'Alcohol takes it down, and goes as acetaldehyde.',
          mind: 'In drops, below 40 °C: it can catch fire.',
        },
        {
          left: [source, 'H2O2', acid.text],
          right: ['O2', 'H2O'],
          may,
          why: 'Peroxide in acid takes it down, and goes as oxygen.',
        },
        {
          left: [source, 'H2C2O4', acid.text],
          right: ['CO2', 'H2O'],
          may,
          why: 'Oxalic acid takes it down, and goes as carbon dioxide.',
        },
        ...(anion.text === 'Cl'
          ? [
              {
                left: [source, acid.text],
                right: ['Cl2', 'H2O'],
                may,
                why: 'Concentrated hydrochloric acid takes it down, and chlorine goes.',
                mind: 'Chlorine: a hood and a trap.',
              },
            ]
          : []),
      ]
    })
  },
}

export const oxoanionFamilies: readonly Family[] = [alkalineOxidation, oxoanions, reduceOxoanion]
