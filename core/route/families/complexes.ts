import { dissolveInCaustic, oxidants, substances } from '#core/reference'
import { ACETATE, acidOf, basesOf, saltOf, USUAL_CATIONS, type Part } from '../compose'
import { centreOf, ligandFormula, notHeld, protonated, type Centre } from '../complex'
import type { Draft, Family } from '../family'
import { coupleWith, isInert, volts } from '../properties'
import { mustBe, stuffOf, type Stuff } from '../stuff'
import { solubleSaltsOf } from './sources'

let index: ReadonlyMap<string, Stuff> | undefined
const byKey = (): ReadonlyMap<string, Stuff> =>
  (index ??= new Map(
    substances.flatMap(({ formula }): [string, Stuff][] => {
      const stuff = stuffOf(formula)
      return stuff ? [[stuff.key, stuff]] : []
    }),
  ))

const unique = (texts: readonly string[]): string[] => [...new Set(texts)]

/** Salts of the metal in a state that a bench has, with the anion of the target before the others. */
function metalSalts(centre: Centre, state: number): Stuff[] {
  const ion = { text: centre.metal, charge: state }
  const own = centre.counter && centre.counter.charge < 0 ? [saltOf(ion, centre.counter)] : []
  return [...own, ...solubleSaltsOf(ion)].filter(
    (one, i, all) => one.row && all.findIndex(other => other.key === one.key) === i,
  )
}

/** Ligands that have to be brought: not those that the anion of the salt is, nor water. */
const brought = (centre: Centre): Centre['ligands'] =>
  centre.ligands.filter(({ text }) => text !== 'H2O' && text !== centre.counter?.text)

/** One way to bring all ligands: what goes in, and whether it brings acid that wants a base, or takes a base's place. */
interface Bringing {
  readonly left: readonly string[]
  readonly brings: 'salt' | 'acid' | 'acid and base' | 'molecule'
  readonly cation?: Part
}

function bringings(centre: Centre): Bringing[] {
  const kinds = brought(centre)
  const neutral = kinds.filter(({ charge }) => charge === 0).map(({ text }) => ligandFormula(text))
  const charged = kinds.filter(({ charge }) => charge < 0)
  if (charged.length === 0) return [{ left: neutral, brings: 'molecule' }]
  if (charged.length > 1) return []
  const [{ text, charge }] = charged as [Centre['ligands'][number]]
  const anion = { text: ligandFormula(text), charge }
  const acid = protonated(text, charge, byKey())
  const own = centre.counter && centre.counter.charge > 0 ? [centre.counter] : []
  const cations = own.length > 0 ? own : USUAL_CATIONS
  const salts = cations.flatMap((cation): Bringing[] => {
    const salt = saltOf(cation, anion)
    if (!salt.row) return []
    return [
      { left: [...neutral, salt.text], brings: 'salt', cation },
      ...(acid && own.length > 0
        ? [{ left: [...neutral, salt.text, acid.text], brings: 'acid and base' as const, cation }]
        : []),
    ]
  })
  if (!acid) return salts
  const acidSalts = own.flatMap((cation): Bringing[] => {
    const half = charge === -2 ? saltOf(cation, { text: `H${anion.text}`, charge: -1 }) : undefined
    return half?.row ? [{ left: [...neutral, half.text], brings: 'acid and base', cation }] : []
  })
  const withBase = own.flatMap((cation): Bringing[] =>
    [
      { text: 'OH', charge: -1 },
      { text: 'CO3', charge: -2 },
    ].map(base => ({ left: [...neutral, acid.text, saltOf(cation, base).text], brings: 'acid and base', cation })),
  )
  return [...salts, ...acidSalts, ...withBase, { left: [...neutral, acid.text], brings: 'acid' }]
}

/** Bases that take the proton of a ligand, and what they become with the anion of the metal's salt. */
const BASES: readonly (readonly [base: string, cation: Part, acid?: string])[] = [
  ['NH3', { text: 'NH4', charge: 1 }], ['CH3COONa', { text: 'Na', charge: 1 }, 'CH3COOH'], ['NaOH', { text: 'Na', charge: 1 }],
] // prettier-ignore

/** What oxidises the metal while the ligand holds it, and how far it reaches. */
type Oxidant = readonly [oxidant: string, potential: number, words: string]
const OXIDANTS: readonly Oxidant[] = [
  ['H2O2', oxidants.find(({ of }) => of === 'H2O2')!.potential, 'Peroxide'],
  ['O2', 0.8, 'Air, drawn through for hours,'],
] // prettier-ignore

/** Air instead of peroxide is an afternoon more. A judgement. */
const SLOW_AIR = 2

const ligandWords = (centre: Centre): string =>
  centre.ligands
    .filter(({ text }) => text !== 'H2O')
    .map(({ text }) => text)
    .join(', ')

/** From what a complex is made: its metal in a state, what oxidises it, and how a draft of it is written. */
interface Making {
  readonly centre: Centre
  readonly state: number
  readonly oxidant: Oxidant | undefined
  readonly add: (left: readonly string[], may: readonly string[]) => Draft
}

/** Every draft of a complex from a metal source in one state, with or without an oxidant. */
function draftsOf(centre: Centre, state: number, oxidant?: Oxidant): Draft[] {
  const refused = notHeld(centre)
  const add = (left: readonly string[], may: readonly string[]): Draft => ({
    left: unique([...left, ...(oxidant ? [oxidant[0]] : [])]),
    right: [],
    may: unique([...may, 'H2O']),
    why: reasonOf(centre, oxidant),
    cost: oxidant?.[0] === 'O2' ? SLOW_AIR : 0,
    ...(refused && { refused }),
  })
  const making = { centre, state, oxidant, add }
  return bringings(centre).flatMap(bringing => WAYS[bringing.brings](making, bringing))
}

const reasonOf = (centre: Centre, oxidant: Oxidant | undefined): string =>
  oxidant
    ? `${oxidant[2]} takes the metal to its state ${centre.state} while ${ligandWords(centre)} holds it (${volts(coupleIn(centre) ?? 0)}).`
    : `${ligandWords(centre)} takes the place of the water about the metal.`

const coupleIn = ({ metal, state, ligands }: Centre): number | undefined =>
  coupleWith(metal, state, ligands.map(({ text }) => text)) // prettier-ignore

/** The anion beside a complex cation. */
const anionBeside = ({ counter }: Centre): Part | undefined => (counter && counter.charge < 0 ? counter : undefined)

/** Neutral ligands on a salt: as it is where it has the right anion and nothing is oxidised, else with a supplier of that anion. */
function byMolecules({ centre, state, oxidant, add }: Making, { left }: Bringing): Draft[] {
  const anion = anionBeside(centre)
  return metalSalts(centre, state).flatMap(salt => {
    const own = salt.anions[0]!
    const isSame = own.text === anion?.text
    const asItIs = isSame && !oxidant ? [[]] : []
    const suppliers = anion ? [...asItIs, ...(oxidant || !isSame ? suppliersOf(anion, left) : [])] : [[]]
    return suppliers.map(supplier => add([salt.text, ...left, ...supplier], isSame ? [] : besides(own, supplier)))
  })
}

/** A salt of the ligand on a salt of the metal; oxidised, with the acid that takes up what the oxidant leaves of base. */
function bySalt({ centre, state, oxidant, add }: Making, { left, cation }: Bringing): Draft[] {
  const anion = anionBeside(centre)
  const acids = oxidant ? [...(cation!.text === 'NH4' ? [[]] : []), [unboundOf(centre)?.text ?? 'CH3COOH']] : [[]]
  return metalSalts(centre, state).flatMap(salt => {
    const own = salt.anions[0]!
    const suppliers = anion && own.text !== anion.text ? suppliersOf(anion, left) : [[]]
    return suppliers.flatMap(supplier =>
      acids.map(acid =>
        add(
          [salt.text, ...left, ...supplier, ...acid],
          [
            saltOf(cation!, own).text,
            ...acid.flatMap(one => (one === 'CH3COOH' ? [saltOf(cation!, ACETATE).text] : [])),
          ],
        ),
      ),
    )
  })
}

/** The acid of the ligand and a base, or its acid salt, on an oxide, hydroxide or carbonate of the metal; oxidised, also on its own salt with the ligand; on a hydroxo complex after caustic. */
function byAcidAndBase({ centre, state, oxidant, add }: Making, { left, cation }: Bringing): Draft[] {
  const bound = boundAnion(centre)
  const ownSalt = bound && saltOf(ionOf(centre, state), { text: ligandFormula(bound.text), charge: bound.charge })
  return [
    ...metalBases(centre, state).map(base => add([base, ...left], ['CO2'])),
    ...(ownSalt?.row && oxidant ? [add([ownSalt.text, ...left], ['CO2'])] : []),
    ...hydroxoOf(centre, cation!).map(text => add([text, ...left], ['CO2'])),
  ]
}

/** The acid of a chelate on a base of the metal, or on a salt with a base that takes its proton. */
function byAcid({ centre, state, add }: Making, { left }: Bringing): Draft[] {
  if (centre.counter) return []
  return [
    ...metalBases(centre, state).map(base => add([base, ...left], ['CO2'])),
    ...metalSalts(centre, state).flatMap(salt => {
      const own = salt.anions[0]!
      return [
        ...BASES.map(([base, with_, acid]) =>
          add([salt.text, ...left, base], [saltOf(with_, own).text, ...(acid ? [acid] : [])]),
        ),
        ...(own.text === 'CH3COO' ? [add([salt.text, ...left], ['CH3COOH'])] : []),
      ]
    }),
  ]
}

const WAYS = { molecule: byMolecules, salt: bySalt, 'acid and base': byAcidAndBase, acid: byAcid } as const

const ionOf = ({ metal }: Centre, charge: number): Part => ({ text: metal, charge })
const boundAnion = (centre: Centre): Centre['ligands'][number] | undefined =>
  brought(centre).find(({ charge }) => charge < 0)
/** The ligand's acid, as it is had. */
const unboundOf = (centre: Centre): Stuff | undefined => {
  const bound = boundAnion(centre)
  return bound && protonated(bound.text, bound.charge, byKey())
}
const metalBases = (centre: Centre, state: number): string[] =>
  basesOf(ionOf(centre, state)).flatMap(base => (isInert(base) ? [] : [base.text]))

/** How more of the anion comes that the crystals need: with the ammonium salt where ammonia is about, with the acid, or as sodium or potassium salt. */
function suppliersOf(anion: Part, left: readonly string[]): string[][] {
  const acid = acidOf(anion)
  const salts = USUAL_CATIONS.map(cation => saltOf(cation, anion)).filter(({ row }) => row !== undefined)
  const ammonium = salts.filter(({ text }) => text.includes('NH4'))
  const others = salts.filter(salt => !ammonium.includes(salt))
  return [...(left.includes('NH3') ? ammonium : []), ...(acid ? [acid] : []), ...others].map(({ text }) => [text])
}

/** What an anion that is left makes with the cations, or the protons, of what was brought. */
const besides = (anion: Part, brought: readonly string[]): string[] =>
  brought.flatMap(text => {
    const [cation] = mustBe(text).cations
    return cation && cation.text !== 'H' ? [saltOf(cation, anion).text] : (acidOf(anion)?.text ?? [])
  })

/** The hydroxo complex that an amphoteric metal stands in after caustic. */
const hydroxoOf = ({ metal, state }: Centre, cation: Part): string[] => {
  const count = 4 - state
  const text = count > 0 ? stuffOf(`${cation.text}${count === 1 ? '' : count}[${metal}(OH)4]`)?.text : undefined
  return text && dissolveInCaustic.some(row => row.metal === metal) ? [text] : []
}

const isHydroxo = ({ ligands }: Centre): boolean => ligands.every(({ text }) => text === 'OH')

export const ligandsOn: Family = {
  id: 'ligands on a metal',
  name: 'ligands that take the place of water',
  medium: 'water',
  isRedox: false,
  cost: 0,
  minutes: 120,
  drafts: target => {
    const centre = centreOf(target)
    return centre && !isHydroxo(centre) ? draftsOf(centre, centre.state) : []
  },
}

export const ligandsOnOxidised: Family = {
  id: 'ligands and an oxidant',
  name: 'ligands that hold a metal while it is oxidised',
  medium: 'water',
  isRedox: true,
  cost: 1,
  minutes: 180,
  drafts: target => {
    const centre = centreOf(target)
    if (!centre) return []
    const potential = coupleIn(centre)
    if (potential === undefined) return []
    return OXIDANTS.filter(one => one[1] > potential).flatMap(one =>
      draftsOf(centre, centre.state - 1, one).map(draft => ({
        ...draft,
        ...(draft.left.includes('NH3') &&
          centre.ligands.every(({ charge }) => charge === 0) && {
            catalyst: 'C',
            mind: 'Charcoal lets all the ligands go on; without it one place keeps what it had.',
          }),
      })),
    )
  },
}

/** A complex of the same ligands with the metal one state lower, oxidised as it is. */
export const oxidiseComplex: Family = {
  id: 'oxidise a complex',
  name: 'a complex oxidised as it is',
  medium: 'water',
  isRedox: true,
  cost: 1,
  minutes: 90,
  drafts: target => {
    const centre = centreOf(target)
    const { counter } = centre ?? {}
    if (!centre || !counter || counter.charge !== 1 || notHeld({ ...centre, state: centre.state - 1 })) return []
    const lower = stuffOf(`${counter.text}${-centre.charge + 1}${centre.text}`)
    if (!lower) return []
    return [
      {
        left: [lower.text, 'Cl2'],
        right: [saltOf(counter, { text: 'Cl', charge: -1 }).text],
        why: 'Chlorine takes one electron from each complex.',
        mind: 'Chlorine: in a hood, and no more of it than the colour asks for.',
      },
      {
        left: [lower.text, 'H2O2', 'HCl'],
        right: [saltOf(counter, { text: 'Cl', charge: -1 }).text, 'H2O'],
        why: 'Peroxide in weak acid takes one electron from each complex.',
      },
    ]
  },
}

/** The oxalato complex of chromium straight from dichromate: oxalate takes it down and holds it. */
export const fromDichromate: Family = {
  id: 'complex from dichromate',
  name: 'dichromate taken down by the ligand that then holds it',
  medium: 'water',
  isRedox: true,
  cost: 1,
  minutes: 150,
  drafts: target => {
    const centre = centreOf(target)
    const counter = centre?.counter
    if (!centre || !counter || counter.charge !== 1 || centre.metal !== 'Cr' || centre.state !== 3) return []
    if (!centre.ligands.every(({ text }) => ligandFormula(text) === 'C2O4')) return []
    const salt = saltOf(counter, { text: 'C2O4', charge: -2 })
    const source = saltOf(counter, { text: 'Cr2O7', charge: -2 })
    return [
      {
        left: [source.text, 'H2C2O4', salt.text],
        right: ['CO2', 'H2O'],
        why: 'Oxalic acid takes dichromate down, and oxalate holds what comes.',
        mind: 'It foams and heats itself: in portions, in a wide vessel.',
      },
    ]
  },
}

/** From a complex at hand: another ion beside it, or one ligand for another. */
export const fromComplex: Family = {
  id: 'from a complex at hand',
  name: 'a complex with another ion or ligand',
  medium: 'water',
  isRedox: false,
  cost: 1,
  minutes: 120,
  drafts: (target, shelf) => {
    const centre = centreOf(target)
    const { counter } = centre ?? {}
    if (!centre || !counter || counter.charge > 0) return []
    const refused = notHeld(centre)
    const near = [...shelf.from, ...[...byKey().values()].filter(one => one.text.includes('['))]
    return near.flatMap((stuff): Draft[] => {
      const other = centreOf(stuff)
      if (
        !other ||
        stuff.key === target.key ||
        other.metal !== centre.metal ||
        other.state !== centre.state ||
        !other.counter ||
        other.counter.charge > 0
      )
        return []
      const isSame = other.text === centre.text
      const gained = centre.ligands.filter(
        one => !other.ligands.some(had => had.text === one.text && had.count >= one.count),
      )
      const kept = centre.ligands.filter(one => other.ligands.some(had => had.text === one.text))
      if (!isSame && (gained.length !== 1 || kept.length === 0)) return []
      const bring = isSame
        ? []
        : gained.map(({ text, charge }) =>
            charge === 0
              ? ligandFormula(text)
              : saltOf({ text: 'Na', charge: 1 }, { text: ligandFormula(text), charge }).text,
          )
      const ions = isSame || other.counter.text !== counter.text ? suppliersOf(counter, bring) : [[]]
      return ions.map(supplier => ({
        left: unique([stuff.text, ...bring, ...supplier]),
        right: [],
        may: unique([
          ...besides(other.counter!, [...bring, ...supplier]),
          ...besides({ text: 'Cl', charge: -1 }, bring),
          'H2O',
        ]),
        why: isSame
          ? 'The complex keeps whole; its ion is exchanged, and the less soluble salt comes.'
          : `${gained.map(({ text }) => text).join(', ')} takes the place of one ligand.`,
        ...(refused && { refused }),
      }))
    })
  },
}
export const complexFamilies: readonly Family[] = [
  ligandsOn,
  ligandsOnOxidised,
  oxidiseComplex,
  fromDichromate,
  fromComplex,
]
