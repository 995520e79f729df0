import { chargeText, findSubstance } from '#core/formula'
import {
  aquaAcids,
  CHLORINE,
  exposureLimits,
  fuels,
  notToDryness,
  oxidants,
  protonDonors,
  solvents as solventRows,
  specialCautions,
  violentOxidants,
} from '#core/reference'
import {
  acidOf,
  dissolvedParts,
  dissolvesMetals,
  dryOf,
  formulaOf,
  metalOf,
  standsAs,
  WATER,
  type Operation,
  type Out,
  type Vessel,
} from '#core/vessel'
import type { Charge } from './charges'

/** What a step can hurt by, and what is done about it: usual cautions, common practice, no source. Local rules come first. */
export const cautionWords = {
  'acid-into-water': 'The strong acid goes into what is there, slowly and with cooling; never the other way.',
  'water-onto-acid': 'Water goes onto strong acid here: it boils and spits. Put the acid into the water.',
  exotherm: 'It warms the pot by more than 15 degrees: slowly, in an ice bath.',
  gas: 'Gas comes off: never in a closed vessel, and each portion waits until the one before is calm.',
  foaming: 'It foams: a third of the vessel at most.',
  hydrogen: 'Hydrogen: in the hood, no flame and no spark.',
  'toxic-gas': 'The gas is toxic: in the hood, with the trap that the sheet names.',
  'deadly-gas':
    'The gas kills in small amounts, and the nose stops warning: only with a trap that takes all of it, in the hood, a second person near, and only if you have been taught it.',
  'brown-fumes': 'Nitrogen oxide turns to the brown, poisonous dioxide in air: in the hood, with a trap.',
  chlorine:
    'An oxidant onto acid chloride sets chlorine free: not unless that is wanted, and then in the hood with a trap.',
  'hydrogen-from-carried-metal': 'Metal came along from the stage before: it gives hydrogen with this.',
  'flammable-solvent': 'A flammable solvent: no flame, no hotplate beside it.',
  'hot-vessel': 'It is hot long after it looks so: tongs, and a mat that bears it.',
  'oxidant-with-fuel': 'An oxidant stands beside something that burns: never ground, never dried hot together.',
  'azide-with-acid': 'Acid sets hydrazoic acid free from azide: poisonous, and it explodes.',
  'takes-glass':
    'Hydrogen fluoride stands in the pot: polyethylene, polypropylene or PTFE, no glass and no porcelain; gloves, apron and face shield made for it, calcium gluconate gel within reach, and only if you have been taught it.',
  hydrolysis: 'This ion takes water apart: without free acid a basic salt falls out. Keep acid in.',
  'not-to-dryness': 'What is in here is not heated to dryness.',
} as const
export type CautionCode = keyof typeof cautionWords

export interface Caution {
  readonly code: CautionCode
  /** How much of what this pot gives or holds; `isMost` where it is a bound. */
  readonly amounts?: readonly { readonly form: string; readonly moles: number }[]
  readonly isMost?: true
  readonly why?: string
}

/** Cautions of one kind as one: what several portions give adds up, a bound is the highest. */
export function sumOfCautions(all: readonly Caution[]): Caution[] {
  const byCode = new Map<CautionCode, Caution>()
  for (const one of all) {
    const before = byCode.get(one.code)
    byCode.set(one.code, before ? together(before, one) : one)
  }
  return [...byCode.values()]
}
function together(a: Caution, b: Caution): Caution {
  if (!a.amounts || !b.amounts) return a.amounts ? a : b
  const sums = new Map(a.amounts.map(({ form, moles }) => [form, moles]))
  const adds = SUMMED.has(a.code)
  for (const { form, moles } of b.amounts)
    sums.set(form, adds ? (sums.get(form) ?? 0) + moles : Math.max(sums.get(form) ?? 0, moles))
  return { ...a, amounts: [...sums].map(([form, moles]) => ({ form, moles })) }
}
const SUMMED = new Set<CautionCode>(['gas', 'foaming', 'hydrogen', 'toxic-gas', 'deadly-gas', 'brown-fumes'])

/** What can kill at once, or explode: told as a danger, not as a caution. */
export const isGrave = (code: CautionCode): boolean => GRAVE.has(code)
const GRAVE = new Set<CautionCode>([
  'deadly-gas',
  'azide-with-acid',
  'takes-glass',
  'oxidant-with-fuel',
  'not-to-dryness',
])

/** How much a caution is about, in words: `0.50 mol of {CO2}`, `at most 12 mmol of {Cl2}`; empty where it has no amount. */
export function cautionAmount({ amounts = [], isMost, why }: Caution): string {
  const words = amounts.map(({ form, moles }) => told(moles, form)).join(', ')
  return [isMost && words ? `at most ${words}` : words, why ?? ''].filter(Boolean).join(': ')
}

/** One operation as the rules see it. */
export interface Seen {
  readonly before: Vessel
  readonly after: Vessel
  readonly operation: Operation
  readonly out: readonly Out[]
  readonly charge: Charge | undefined
  /** The last of the charges of a reaction that warms its pot. */
  readonly isLastCharge: boolean
}

/** Flash point from which on a liquid no longer counts as flammable, °C: category 3 of the GHS ends there. */
const FLAMMABLE = 60
const flashOf = (name: string): number => solventRows.find(row => row.name === name)?.flash ?? Infinity

const told = (moles: number, form: string): string =>
  `${moles < 0.01 ? `${Number((moles * 1000).toPrecision(2))} mmol` : `${Number(moles.toPrecision(2))} mol`} of {${form}}`

/** Each a rule with its reason: what it sees of an operation, and what it then says. Own steps are judged as proposed ones are. */
const rules: readonly ((seen: Seen) => Caution | undefined)[] = [
  ({ charge }) => (charge?.isStrong ? { code: 'acid-into-water' } : undefined),
  waterOntoAcid,
  ({ isLastCharge }) => (isLastCharge ? { code: 'exotherm' } : undefined),
  seen => gas(seen, 'gas', () => true),
  seen => (seen.before.solvents.size > 0 ? gas(seen, 'foaming', form => form === 'CO2') : undefined),
  seen => gas(seen, 'hydrogen', form => form === 'H2'),
  seen => gas(seen, 'toxic-gas', form => isToxic(form) && !isDeadly(form)),
  seen => gas(seen, 'deadly-gas', isDeadly),
  seen => gas(seen, 'brown-fumes', form => form === 'NO' || form === 'NO2'),
  chlorine,
  carriedMetal,
  ({ operation }) =>
    (operation.do === 'add solvent' || operation.do === 'wash') &&
    [...operation.solvents].some(([name, mass]) => mass > 0 && flashOf(name) < FLAMMABLE)
      ? { code: 'flammable-solvent' }
      : undefined,
  ({ operation }) => (operation.do === 'ignite' ? { code: 'hot-vessel' } : undefined),
  oxidantWithFuel,
  azide,
  takesGlass,
  hydrolysis,
  dryness,
]

export const cautionsOf = (seen: Seen): Caution[] => rules.flatMap(rule => rule(seen) ?? [])

/** A solvent that dries off is told where it is put on. */
const isSolvent = (form: string): boolean => solventRows.some(row => row.formula === form)

/** Gases that leave, by what they do to people: toxic where the tables have a limit for them, hydrogen, and all others by their room. */
function gas({ out }: Seen, code: CautionCode, is: (form: string) => boolean): Caution | undefined {
  const gases = out
    .filter(({ to }) => to === 'gas')
    .flatMap(({ matter }) => matter.filter(({ form, amount }) => !isSolvent(form) && amount > 1e-9 && is(form)))
  return gases.length === 0 ? undefined : { code, amounts: gases.map(({ form, amount }) => ({ form, moles: amount })) }
}
/** Limits in ppm below which a gas is told as toxic; a judgement: carbon dioxide at 5000 crowds air out rather. */
const TOXIC = 1000
const isToxic = (form: string): boolean =>
  exposureLimits.some(row => row.formula === form && (row.eightHours ?? row.short ?? Infinity) < TOXIC)

/** Fatal if inhaled, by the statement of its label. */
const isDeadly = (form: string): boolean => findSubstance(formulaOf(form))?.row.hazards?.includes('H330') === true

/** Acid with less water than this beside it, g to the mole of protons, boils when water is poured in; a judgement: 98 % sulfuric acid has 1, 5 mol/L has 190. */
const STRONG_WATER = 40
function waterOntoAcid({ before, operation }: Seen): Caution | undefined {
  if (operation.do !== 'add solvent' && operation.do !== 'charge') return undefined
  const protons =
    (before.ions.get('H^+') ?? 0) +
    before.lumps.reduce((sum, { form, moles }) => sum + (acidOf(form)?.count ?? 0) * moles, 0)
  const water = operation.solvents.get(WATER) ?? 0
  return protons > 0.01 && water > 1 && (before.solvents.get(WATER) ?? 0) < STRONG_WATER * protons
    ? { code: 'water-onto-acid', amounts: [{ form: 'H^+', moles: protons }] }
    : undefined
}

const keysOf = (operation: Operation): string[] =>
  operation.do === 'charge' ? dissolvedParts(dryOf(operation.formula).dry).map(({ key }) => key) : []
const keyOf = ({ of, charge }: { of: string; charge: number }): string => of + chargeText(charge)

/** An oxidant that takes chloride to chlorine and acid chloride, whichever goes in first; as much as the scarcer of them allows. */
function chlorine({ before, operation }: Seen): Caution | undefined {
  if (operation.do !== 'charge') return undefined
  const brings = keysOf(operation)
  const amount = (key: string): number =>
    (before.ions.get(key) ?? 0) +
    before.lumps.reduce((sum, { form, moles }) => sum + (form.text === key ? moles : 0), 0) +
    (brings.includes(key)
      ? operation.moles * (dissolvedParts(dryOf(operation.formula).dry).find(part => part.key === key)?.count ?? 1)
      : 0)
  const oxidant = oxidants.find(row => row.potential > CHLORINE - MARGIN && amount(keyOf(row)) > 0)
  if (!oxidant || !(amount('H^+') > 0) || !(amount('Cl^-') > 0)) return undefined
  const is = brings.some(key => key === keyOf(oxidant) || key === 'Cl^-' || key === 'H^+')
  const most = Math.min(amount('Cl^-') / 2, (amount(keyOf(oxidant)) * oxidant.electrons) / 2)
  return is ? { code: 'chlorine', amounts: [{ form: 'Cl2', moles: most }], isMost: true } : undefined
}
/** Strong acid and warmth lift an oxidant by so much, V; a judgement. */
const MARGIN = 0.06

/** A metal that came along, and an acid onto it. */
function carriedMetal({ before, operation }: Seen): Caution | undefined {
  if (operation.do !== 'charge' || !dissolvesMetals(operation.formula)) return undefined
  const most = before.lumps.reduce((sum, { form, moles }) => sum + ((metalOf(form)?.charge ?? 0) / 2) * moles, 0)
  return most > 0
    ? { code: 'hydrogen-from-carried-metal', amounts: [{ form: 'H2', moles: most }], isMost: true }
    : undefined
}

const bodiesIn = ({ ions, lumps }: Vessel): Map<string, number> => {
  const all = new Map<string, number>()
  const put = (key: string, moles: number): void => {
    const body = key.split('^')[0] ?? key
    all.set(body, (all.get(body) ?? 0) + moles)
  }
  for (const [key, moles] of ions) put(key, moles)
  for (const { form, moles } of lumps)
    for (const { key, count } of standsAs(dryOf(form).dry) === 'solid'
      ? [{ key: form.text, count: 1 }]
      : dissolvedParts(dryOf(form).dry))
      put(key, moles * count)
  return all
}

function oxidantWithFuel({ before, after, operation }: Seen): Caution | undefined {
  if (operation.do !== 'charge' && operation.do !== 'dry' && operation.do !== 'take to dryness') return undefined
  const there = bodiesIn(after)
  const oxidant = violentOxidants.find(one => (there.get(one) ?? 0) > 1e-6)
  const fuel = fuels.find(one => (there.get(one) ?? 0) > 1e-6)
  const isNew = operation.do !== 'charge' || !bodiesIn(before).has(oxidant ?? '') || !bodiesIn(before).has(fuel ?? '')
  return oxidant && fuel && isNew
    ? {
        code: 'oxidant-with-fuel',
        amounts: [oxidant, fuel].map(form => ({ form, moles: there.get(form) ?? 0 })),
      }
    : undefined
}

function azide({ before, operation }: Seen): Caution | undefined {
  if (operation.do !== 'charge') return undefined
  const brings = keysOf(operation)
  const amount = (key: string): number => (before.ions.get(key) ?? 0) + (brings.includes(key) ? operation.moles : 0)
  const most = Math.min(amount('N3^-'), amount('H^+'))
  return most > 1e-6 ? { code: 'azide-with-acid', amounts: [{ form: 'HN3', moles: most }], isMost: true } : undefined
}

/** What takes glass, put in as it is or made of its ion by an acid; told where it comes about. */
function takesGlass({ before, after, operation }: Seen): Caution | undefined {
  if (operation.do !== 'charge') return undefined
  for (const { of } of specialCautions.filter(row => row.takesGlass)) {
    const donor = protonDonors.find(row => row.charge === 0 && row.of === of)
    const amount = (vessel: Vessel): number => {
      const there = bodiesIn(vessel)
      const made = donor ? Math.min(there.get(donor.leaves) ?? 0, vessel.ions.get('H^+') ?? 0) : 0
      return (there.get(of) ?? 0) + made
    }
    const moles = amount(after)
    if (moles > 1e-6 && amount(before) <= 1e-6) return { code: 'takes-glass', amounts: [{ form: of, moles }] }
  }
  return undefined
}

/** An aqua ion that is a stronger acid than this, pKa, throws a basic salt down unless there is free acid; a judgement. */
const HYDROLYSES = 3
/** Free acid to the mole of such an ion that usually holds it, mol; common practice, no source. */
const ACID_KEPT = 0.1
function hydrolysis({ after, operation }: Seen): Caution | undefined {
  if (
    operation.do !== 'heat to' &&
    operation.do !== 'boil off' &&
    operation.do !== 'boil down' &&
    operation.do !== 'take to dryness'
  )
    return undefined
  const before = operation.do === 'take to dryness' ? bodiesIn(after) : undefined
  for (const { ion, charge, pKa } of aquaAcids) {
    const moles = before?.get(ion) ?? after.ions.get(ion + chargeText(charge)) ?? 0
    if (pKa < HYDROLYSES && moles > 1e-6 && (after.ions.get('H^+') ?? 0) < ACID_KEPT * moles)
      return { code: 'hydrolysis', amounts: [{ form: ion + chargeText(charge), moles }] }
  }
  return undefined
}

function dryness({ before, operation }: Seen): Caution | undefined {
  if (operation.do !== 'take to dryness' && operation.do !== 'distil off' && operation.do !== 'ignite') return undefined
  const there = bodiesIn(before)
  const row = notToDryness.find(
    ({ anion, with: cations }) =>
      (there.get(anion) ?? 0) > 1e-6 && (!cations || cations.some(one => (there.get(one) ?? 0) > 1e-6)),
  )
  return row
    ? { code: 'not-to-dryness', amounts: [{ form: row.anion, moles: there.get(row.anion) ?? 0 }], why: row.why }
    : undefined
}
