import { findSubstance, type Formula } from '#core/formula'
import {
  dangerOfIons,
  dangerOfLigands,
  dangerOfMolecules,
  incompatibilities,
  lightMetals,
  metalsInAcid,
  protonDonors,
  weakDonors,
  type DangerKind,
  type Incompatibility,
} from '#core/reference'
import { ionsOf } from './ions'
import { nameOf } from './names'
import { oxidationStates } from './oxidation'

const donors = [...protonDonors, ...weakDonors]
/** V. Powders of metals from iron and cadmium down burn with what gives oxygen; cobalt, nickel and tin do not to speak of. A judgement. */
const BURNS = -0.4
/** V. From here down a metal takes hydrogen out of cold water; magnesium, at −2.37, hardly does. */
const FROM_WATER = -2.5
const metals = [...metalsInAcid, ...lightMetals]
/** An acid that is weaker by so many units still sets three parts in a hundred free, of equal amounts: enough of a poison. */
const WEAKER = 3

/** pKa of the readiest proton of a substance; 0 for an acid that the tables do not know; undefined for what is none. */
function acidity(formula: Formula): number | undefined {
  const ions = ionsOf(formula) ?? []
  const known = donors.flatMap(({ of, charge, pKa }) =>
    (charge === 0 && of === formula.text) || ions.some(ion => ion.text === of && ion.charge === charge) ? [pKa] : [],
  )
  if (known.length > 0) return Math.min(...known)
  return ions.some(({ text }) => text === 'H') ? 0 : undefined
}

/** The kinds of danger a substance brings to a mixture, as the incompatibility table words them. */
export function dangerKinds(formula: Formula): DangerKind[] {
  const { text, composition } = formula
  const row = findSubstance(formula)?.row
  const ions = ionsOf(formula) ?? []
  const pKa = acidity(formula)
  const potential = metals.find(({ metal }) => metal === text)?.potential ?? 0
  const isOxidiser = row?.hazards?.some(code => code === 'H271' || code === 'H272' || code === 'H270')
  const isOrganic =
    row?.state === 'liquid' && composition.has('C') && (oxidationStates(formula)?.get('C')?.[0] ?? 0) < 2
  const all: readonly (DangerKind | false | undefined)[] = [
    ...ions.map(ion => dangerOfIons[ion.text]),
    ...ions.flatMap(({ complex }) => complex?.ligands.map(ligand => dangerOfLigands[ligand.text]) ?? []),
    dangerOfMolecules[text],
    pKa !== undefined && 'acid',
    pKa !== undefined && pKa < 0 && 'strong acid',
    isOxidiser && 'oxidiser',
    potential <= FROM_WATER && 'light metal',
    potential <= BURNS && 'active metal',
    potential <= BURNS && 'reductant',
    isOrganic && 'organic',
  ]
  return [...new Set(all.filter(kind => kind !== undefined && kind !== false))]
}

export interface Clash {
  readonly one: string
  readonly other: string
  readonly makes: string
}

/** Pairs among these substances that must not meet by accident, and what they make. What is meant to react is told all the same. */
export function clashesOf(formulas: readonly Formula[]): Clash[] {
  const all = formulas.map(formula => ({ formula, kinds: dangerKinds(formula), pKa: acidity(formula) }))
  return all.flatMap((a, i) =>
    all.slice(i + 1).flatMap((b): Clash[] => {
      const row = incompatibilities.find(each => fits(each, a, b) || fits(each, b, a))
      return row ? [{ one: wordsFor(a.formula), other: wordsFor(b.formula), makes: row.makes }] : []
    }),
  )
}

interface Bringing {
  readonly formula: Formula
  readonly kinds: readonly DangerKind[]
  readonly pKa: number | undefined
}
function fits({ one, other, frees }: Incompatibility, a: Bringing, b: Bringing): boolean {
  if (!a.kinds.includes(one) || !b.kinds.includes(other)) return false
  if (!frees) return true
  return [a, b].every(({ formula }) => formula.text !== frees.text) && (b.pKa ?? 0) <= frees.pKa + WEAKER
}

const wordsFor = (formula: Formula): string => nameOf(formula) ?? `{${formula.text}}`
