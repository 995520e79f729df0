import { acidicOxides, protonDonors, substances } from '#core/reference'
import { acidOf, CARBONATE, CHLORIDE, HYDROXIDE, NITRATE, saltOf, SULFATE, type Part } from '../compose'
import type { Draft, Family } from '../family'
import { dissolves, simple } from '../properties'
import { mustBe, stuffOf, type Stuff } from '../stuff'

const hydrogencarbonate: Part = { text: 'HCO3', charge: -1 }
const AMMONIA = ['NH3', '(NH4)2CO3']

/** Bases of a cation that dissolve, or are had as solids that an acid takes. */
const basesOfCation = (cation: Part): string[] =>
  cation.text === 'NH4'
    ? AMMONIA
    : [HYDROXIDE, CARBONATE, ...(cation.charge === 1 ? [hydrogencarbonate] : []), { text: 'O', charge: -2 }]
        .map(anion => saltOf(cation, anion))
        .flatMap(({ row, text }) => (row ? [text] : []))

/** An acidic oxide, or boric acid, taken up by a base. */
export const acidicOxide: Family = {
  id: 'acidic oxide and base',
  name: 'an acidic oxide in a base',
  medium: 'water',
  isRedox: false,
  cost: 0,
  minutes: 90,
  drafts: target => {
    const parts = simple(target)
    if (!parts) return []
    return acidicOxides
      .filter(row => row.anion === parts.anion.text)
      .flatMap(row =>
        basesOfCation(parts.metal).map((base): Draft => {
          const covers = row.in === 'water' && !dissolves(mustBe(base)) && !dissolves(target) && base !== 'NH3'
          return {
            left: [base, row.from],
            right: [],
            may: ['H2O', 'CO2'],
            why: `{${row.from}} is an acid's oxide: the base takes it up.`,
            ...(row.in === 'melt' && { mind: 'In a melt: water alone does not open this oxide.' }),
            ...(covers &&
              mustBe(base).row?.water === 'insoluble' && {
                refused: `{${target.text}} covers the {${base}} that makes it.`,
              }),
          }
        }),
      )
      .map(draft => (draft.left[0] === 'NH3' ? { ...draft, left: [...draft.left, 'H2O'], may: [] } : draft))
      .flatMap(draft =>
        draft.left.includes('H2O')
          ? [draft, { ...draft, left: draft.left.filter(one => one !== 'H2O'), may: ['H2O'] }]
          : [draft],
      )
  },
}

/** A salt that keeps some of its acid's protons, of its base, or of the neutral salt with more acid. */
export const acidSalt: Family = {
  id: 'acid salt',
  name: 'a salt that keeps part of its acid',
  medium: 'water',
  isRedox: false,
  cost: 0,
  minutes: 90,
  drafts: target => {
    const parts = simple(target)
    const neutral = parts && neutralAnion(parts.anion)
    if (!parts || !neutral) return []
    const salt = saltOf(parts.metal, neutral)
    const acid = acidOf(parts.anion)
    const gas = acidicOxides.find(row => row.anion === parts.anion.text && mustBe(row.from).row?.state === 'gas')?.from
    return [
      ...(acid ? [{ left: [salt.text, acid.text], right: [], why: 'The neutral salt takes as much acid again.' }] : []),
      ...(gas
        ? [
            {
              left: [salt.text, gas, 'H2O'],
              right: [],
              why: `{${gas}} into the neutral salt: the acid salt is less soluble, and comes.`,
              mind: 'Cold, and dried without warmth: it gives the gas off again.',
            },
          ]
        : []),
      ...(gas === 'CO2' && parts.metal.text === 'Na'
        ? [
            {
              left: ['NaCl', 'NH3', 'CO2', 'H2O'],
              right: ['NH4Cl'],
              why: 'Carbon dioxide into ammoniacal brine: the hydrogencarbonate is the least soluble of the four salts.',
              mind: 'Cold; washed with ice water.',
            },
          ]
        : []),
    ]
  },
}

const neutralAnion = (anion: Part): Part | undefined => {
  const row = protonDonors.find(one => one.of === anion.text && one.charge === anion.charge)
  if (row) return { text: row.leaves, charge: row.leavesCharge }
  const acidic = ACID_IONS[anion.text]
  return acidic ? { text: acidic, charge: -2 } : undefined
}
const ACID_IONS: Readonly<Record<string, string>> = { HCO3: 'CO3', HSO3: 'SO3' }

/** Sulfite of hydrogencarbonate and more: a neutral salt of its acid salt and base. */
export const neutralise: Family = {
  id: 'neutralise an acid salt',
  name: 'an acid salt and a base',
  medium: 'water',
  isRedox: false,
  cost: 1,
  minutes: 60,
  drafts: target => {
    const { anions, cations } = target
    const [anion] = anions
    if (anions.length !== 1 || !anion || cations.length > 2 || cations.some(({ charge }) => charge > 1)) return []
    const acidic = protonDonors.filter(
      ({ charge, leaves, leavesCharge }) => charge < 0 && leaves === anion.text && leavesCharge === anion.charge,
    )
    return acidic.flatMap(row =>
      cations.flatMap(first =>
        cations
          .filter(second => cations.length === 1 || second !== first)
          .flatMap(second =>
            basesOfCation(second).map(base => ({
              left: [saltOf(first, { text: row.of, charge: row.charge }).text, base],
              right: [],
              may: ['H2O', 'CO2'],
              why: 'A base takes the proton that the acid salt has left.',
            })),
          ),
      ),
    )
  },
}

/** A solid acid set free from its salts by a stronger one. */
export const freeAcid: Family = {
  id: 'set an acid free',
  name: 'a weak acid set free from its salt',
  medium: 'water',
  isRedox: false,
  cost: 1,
  minutes: 120,
  drafts: target => {
    if (target.row?.state !== 'solid' || target.cations.length !== 1 || target.cations[0]!.text !== 'H') return []
    const others = [...target.elements].filter(one => one !== 'H' && one !== 'O')
    const salts = saltsOfElements(others)
    return salts.flatMap(({ salt, cation }) =>
      [CHLORIDE, SULFATE].flatMap(anion => {
        const draft = {
          left: [salt.text, acidOf(anion)!.text],
          right: [saltOf(cation, anion).text],
          why: 'A stronger acid takes the place of a weaker one, which is less soluble cold.',
        }
        return [draft, { ...draft, left: [...draft.left, 'H2O'] }]
      }),
    )
  },
}

/** A solid acidic oxide that comes down as its salt meets strong acid. */
export const freeOxide: Family = {
  id: 'set an acidic oxide free',
  name: 'an acidic oxide thrown down from its salt with acid',
  medium: 'water',
  isRedox: false,
  cost: 1,
  minutes: 120,
  drafts: target => {
    if (target.row?.state !== 'solid') return []
    const anions = acidicOxides.filter(row => stuffOf(row.from)?.key === target.key).map(({ anion }) => anion)
    return substances.flatMap(({ formula }) => {
      const salt = stuffOf(formula)
      const [cation] = salt?.cations ?? []
      const [anion] = salt?.anions ?? []
      if (!salt || !cation || cation.charge > 1 || salt.anions.length !== 1 || !anions.includes(anion?.text ?? ''))
        return []
      return (dissolves(target) ? [SULFATE] : [CHLORIDE, NITRATE, SULFATE]).map(with_ => ({
        left: [salt.text, acidOf(with_)!.text],
        right: [saltOf(cation, with_).text],
        may: ['H2O'],
        why: 'Strong acid takes the place of the weak one, whose oxide comes.',
        ...(dissolves(target) && { mind: 'With much concentrated sulfuric acid, in which it hardly dissolves.' }),
      }))
    })
  },
}

const COMMON = ['Na', 'K', 'Ca', 'Ba']
/** Salts of the tables that a common cation makes with these elements, hydrogen and oxygen. */
const saltsOfElements = (others: readonly string[]): { salt: Stuff; cation: Part }[] =>
  substances.flatMap(({ formula }) => {
    const salt = stuffOf(formula)
    const [cation] = salt?.cations ?? []
    const held = [...(salt?.elements ?? [])].filter(one => one !== 'H' && one !== 'O' && one !== cation?.text)
    const fits =
      salt &&
      cation &&
      salt.cations.length === 1 &&
      COMMON.includes(cation.text) &&
      held.length === others.length &&
      held.every(one => others.includes(one))
    return fits ? [{ salt, cation: { text: cation.text, charge: cation.charge } }] : []
  })

export const baseFamilies: readonly Family[] = [acidicOxide, acidSalt, neutralise, freeAcid, freeOxide]
