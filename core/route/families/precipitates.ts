import { complexIons, oxideFalls } from '#core/reference'
import { findProduct } from '#core/solution'
import { acidOf, AMMONIUM, saltOf, type Part } from '../compose'
import type { Draft, Family } from '../family'
import { aquaAcidity, dissolves, fallsFromWater, ligandKey, pKaOf, simple, underOxo } from '../properties'
import { mustBe, type Stuff } from '../stuff'
import { carriesAnion, exchanged, isAlkali, isAlkaliSalt, isOf, solubleSaltsOf, sourcesOf, twoIons } from './sources'

/** Below this pKa an ion makes basic salts, or its hydroxide, with carbonate: a judgement beside the 10.3 of hydrogencarbonate. */
const TAKES_HYDROXIDE = 10

/** Below this, hydrogencarbonate too throws a basic carbonate down: copper at 7.5 and lead at 7.6 do, zinc at 9.0 hardly. */
const TAKES_IT_FROM_BICARBONATE = 7.55

export const throwDown: Family = {
  id: 'throw down',
  name: 'two salts that exchange ions: the product comes down',
  medium: 'water',
  isRedox: false,
  cost: 0,
  minutes: 90,
  drafts: (target, { from }) => {
    const ions = twoIons(target)
    if (!ions || !fallsFromWater(target) || isOf(ions.anion, 'OH') || isOf(ions.anion, 'O')) return []
    const { metal, anion } = ions
    const acid = aquaAcidity(metal)
    return sourcesOf(metal, from, anion.text).flatMap(({ salt, anion: left, beside: half }) =>
      carriesAnion(anion).flatMap((carrier): Draft[] => {
        const beside = exchanged(left, carrier, metal)
        if (!beside) return []
        const refused =
          isOf(anion, 'CO3') && acid < TAKES_HYDROXIDE
            ? `Carbonate throws down a basic salt of this metal (its ion is an acid, pKa ${acid}), and not {${target.text}}.`
            : carrier.elements.has('H') && !isAlkaliSalt(carrier) && !isStrongEnough(target, carrier)
              ? `{${carrier.text}} is too weak an acid to throw {${target.text}} down out of its own.`
              : !dissolves(beside)
                ? `{${beside.text}} comes down with it.`
                : undefined
        return [
          {
            left: [salt.text, carrier.text],
            right: [...new Set([...half, beside.text])],
            why: `{${target.text}} hardly dissolves: it comes down, and {${beside.text}} stays in the liquor and is washed out.`,
            ...(!isAlkaliSalt(carrier) && { cost: ACID_LEFT }),
            ...(refused && { refused }),
          },
        ]
      }),
    )
  },
}

/** A free acid in place of its salt leaves strong acid in the liquor, and keeps part of the product in it. A judgement. */
const ACID_LEFT = 2

/** A free acid throws down what keeps in the strong acid that is left: its salts where it is strong itself, and those that hardly dissolve where it is nearly so, as oxalic acid (pKa 1.25) does. A judgement. */
const isStrongEnough = (target: Stuff, carrier: Stuff): boolean =>
  pKaOf(carrier) < 0 || (pKaOf(carrier) < NEARLY_STRONG && target.standing === 'solid')
const NEARLY_STRONG = 2

export const withBicarbonate: Family = {
  id: 'throw down with hydrogencarbonate',
  name: 'a carbonate thrown down with hydrogencarbonate',
  medium: 'water',
  isRedox: false,
  cost: 1,
  minutes: 120,
  drafts: target => {
    const parts = simple(target)
    if (!parts || !isOf(parts.anion, 'CO3') || !fallsFromWater(target)) return []
    const acid = aquaAcidity(parts.metal)
    return solubleSaltsOf(parts.metal).flatMap(salt =>
      ['NaHCO3', 'KHCO3', 'NH4HCO3'].map(carrier => ({
        left: [salt.text, carrier],
        right: [saltOf(mustBe(carrier).cations[0]!, salt.anions[0]!).text, 'H2O', 'CO2'],
        why: 'Hydrogencarbonate keeps the liquor near neutral, so that the plain carbonate comes and not a basic one.',
        mind: 'Cold, with some carbon dioxide left in it: warm, it turns basic.',
        ...(acid < TAKES_IT_FROM_BICARBONATE && {
          refused: `The plain carbonate of this metal does not come from water: its ion is an acid (pKa ${acid}), and a basic carbonate falls.`,
        }),
      })),
    )
  },
}

export const basicCarbonate: Family = {
  id: 'basic carbonate',
  name: 'a basic carbonate thrown down with carbonate',
  medium: 'water',
  isRedox: false,
  cost: 0,
  minutes: 120,
  drafts: target => {
    const [metal, ...others] = target.cations
    const isBasic =
      target.anions.some(one => isOf(one, 'CO3')) && target.anions.some(one => isOf(one, 'OH') || isOf(one, 'O'))
    if (!metal || others.length > 0 || !isBasic) return []
    return solubleSaltsOf(metal).flatMap(salt =>
      [['Na2CO3', 'H2O'], ['K2CO3', 'H2O'], ['NaHCO3'], ['(NH4)2CO3', 'H2O']].map(([carrier = '', ...water]) => ({
        left: [salt.text, carrier, ...water],
        right: [saltOf(mustBe(carrier).cations[0]!, salt.anions[0]!).text],
        may: water.length > 0 ? ['CO2'] : ['CO2', 'H2O'],
        why: 'The ion of the metal is an acid in water: carbonate throws down a basic salt, and carbon dioxide goes.',
        mind: 'It foams. How basic it comes hangs on warmth and excess: ignite a part and reckon by the oxide.',
      })),
    )
  },
}

const holdsAmmonia = ({ text, charge }: Part): boolean =>
  complexIons.some(
    row => row.metal === text && row.charge === charge && ligandKey(row.ligand) === 'NH3' && row.logBeta !== undefined,
  )

export const hydroxideDown: Family = {
  id: 'throw down with base',
  name: 'a hydroxide thrown down with a base',
  medium: 'water',
  isRedox: false,
  cost: 0,
  minutes: 90,
  drafts: (target, { from }) => {
    const parts = simple(target)
    if (!parts || !['OH', 'O'].includes(parts.anion.text) || isAlkali(parts.metal)) return []
    const { metal, anion } = parts
    const losesWater = oxideFalls.some(row => row.metal === metal.text && row.charge === metal.charge)
    if (isOf(anion, 'O') !== losesWater || !fallsFromWater(target)) return []
    return sourcesOf(metal, from)
      .flatMap(({ salt, beside }) =>
        ['NaOH', 'KOH', ...(target.row?.water === 'slightly' ? [] : ['NH3'])].map(base => {
          const cation = base === 'NH3' ? AMMONIUM : mustBe(base).cations[0]!
          return {
            left: [salt.text, base],
            right: [...new Set([...beside, saltOf(cation, salt.anions[0]!).text])],
            may: ['H2O'],
            why: losesWater
              ? `The hydroxide loses its water as it falls: {${target.text}} comes.`
              : `{${target.text}} hardly dissolves and falls as the base goes in.`,
            mind: 'It takes excess base with it: wash until the filtrate is neutral.',
            ...(base === 'NH3' &&
              holdsAmmonia(metal) && {
                refused: `Ammonia holds this metal in an ammine: the hydroxide dissolves again.`,
              }),
          }
        }),
      )
      .map(draft =>
        draft.left[1] === 'NH3' && draft.may ? { ...draft, left: [...draft.left, 'H2O'], may: [] } : draft,
      )
  },
}

/** Salts that water takes apart to an oxide salt that stays: BiOCl from BiCl3. */
export const hydrolysis: Family = {
  id: 'hydrolysis',
  name: 'a salt poured into water: the basic salt comes down',
  medium: 'water',
  isRedox: false,
  cost: 1,
  minutes: 60,
  drafts: target => {
    const anions = target.anions.filter(one => !isOf(one, 'O') && !isOf(one, 'OH'))
    const [anion] = anions
    const metal = basicMetal(target)
    if (!metal || !anion || anions.length !== 1 || target.standing !== 'solid') return []
    const salt = saltOf(metal, anion)
    const acid = acidOf(anion)
    return acid && aquaAcidity(metal) < 4
      ? [
          {
            left: [salt.text, 'H2O'],
            right: [acid.text],
            why: `The ion of the metal is a strong acid (pKa ${aquaAcidity(metal)}): much water takes it apart, and {${target.text}} falls.`,
          },
        ]
      : []
  },
}

/** The metal of a basic salt, also where it stands as an oxo cation (BiO). */
function basicMetal(target: Stuff): Part | undefined {
  const [cation] = target.cations
  if (target.cations.length !== 1 || !cation) return undefined
  const isBasic = target.anions.some(one => isOf(one, 'O') || isOf(one, 'OH'))
  const metal = underOxo(cation)
  if (metal !== cation) return metal
  return isBasic ? cation : undefined
}

/** Ammonia, or its carbonate, is set free from its salts by a stronger base; not a product of its own here. */
export const ammoniumDown: Family = {
  id: 'throw down with ammonia and an ammonium salt',
  name: 'a double salt that comes down with ammonia',
  medium: 'water',
  isRedox: false,
  cost: 0,
  minutes: 240,
  drafts: target => {
    const ammonium = target.cations.find(one => isOf(one, 'NH4'))
    const metal = target.cations.find(one => !isOf(one, 'NH4'))
    const [anion] = target.anions
    if (
      !ammonium ||
      !metal ||
      !anion ||
      target.anions.length !== 1 ||
      target.standing !== 'solid' ||
      target.cations.length !== 2
    )
      return []
    const carriers = ['(NH4)2HPO4', 'Na2HPO4', 'NH4H2PO4'].filter(
      text => mustBe(text).elements.has('P') === target.elements.has('P'),
    )
    return solubleSaltsOf(metal).flatMap(salt =>
      carriers.map(carrier => ({
        left: [salt.text, carrier, 'NH3'],
        right: [],
        may: [saltOf(AMMONIUM, salt.anions[0]!).text, saltOf({ text: 'Na', charge: 1 }, salt.anions[0]!).text],
        why: `{${target.text}} hardly dissolves in ammonia and comes down.`,
        mind: 'Slowly, with stirring, and some hours cold before it is filtered.',
      })),
    )
  },
}

/** A sparing solid that another anion turns into one that dissolves less: gypsum into chalk. */
export const lessSolubleSolid: Family = {
  id: 'a solid into a less soluble one',
  name: 'a solid digested with another salt, which turns it into a less soluble one',
  medium: 'water',
  isRedox: false,
  cost: 2,
  minutes: 240,
  drafts: (target, { from }) => {
    const ions = twoIons(target)
    const own = ions && productPerMetal(target)
    if (!ions || own === undefined) return []
    return from.flatMap((solid): Draft[] => {
      const parts = simple(solid)
      const other = parts && productPerMetal(solid)
      if (
        !parts ||
        other === undefined ||
        parts.metal.text !== ions.metal.text ||
        parts.metal.charge !== ions.metal.charge ||
        solid.key === target.key
      )
        return []
      return carriesAnion(ions.anion)
        .filter(isAlkaliSalt)
        .map(carrier => ({
          left: [solid.text, carrier.text],
          right: [saltOf(carrier.cations[0]!, parts.anion).text],
          why: `{${target.text}} leaves less of the metal in the water than {${solid.text}}: stirred warm with the other salt, the solid turns into it.`,
          mind: 'Several times the share, in two goes with the liquor changed, or a core of the first solid stays.',
          ...(own > other && {
            refused: `{${solid.text}} leaves less of the metal in the water than {${target.text}}: it does not turn into it.`,
          }),
        }))
    })
  },
}

/** Solubility product for one ion of the metal: of two solids the one with the smaller stands, where their anions are about as strong. Undefined where the table has none. */
function productPerMetal({ formula, cations }: Stuff): number | undefined {
  const known = findProduct(formula)
  const count = cations[0]?.count
  return known && count ? known.product ** (1 / count) : undefined
}

export const precipitateFamilies: readonly Family[] = [
  throwDown,
  withBicarbonate,
  basicCarbonate,
  hydroxideDown,
  hydrolysis,
  ammoniumDown,
  lessSolubleSolid,
]
