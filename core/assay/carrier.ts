import { commonFactor, parseFormula, relate, type Composition, type Formula } from '#core/formula'
import { ionsOf, partsOf, readBareComplex, readComplex, type Complex } from '#core/species'

/** What of one compound is counted in another, and how many of the first one formula unit of the second stands for. */
export interface Carrier {
  /** As a chemist would name it: `SO4`, `Cl`, `NH3`, `Fe`. */
  readonly by: string
  readonly kind: 'whole' | 'ion' | 'ligand' | 'molecule' | 'element'
  readonly units: number
}

/** One kind of ion, ligand or molecule in a formula unit. */
export interface Part {
  readonly kind: 'ion' | 'ligand' | 'molecule'
  readonly text: string
  readonly key: string
  readonly charge: number
  readonly count: number
  /** The metal that ligands are bound to: it is told by its oxidation state, not by a charge of its own. */
  readonly central?: true
  /** A complex: its metal and its ligands stand beside it. */
  readonly complex?: true
}

/** The same for the same atoms, in whatever order they are written. */
const keyOf = (composition: Composition): string =>
  [...composition]
    .toSorted(([a], [b]) => (a < b ? -1 : 1))
    .map(([symbol, count]) => `${symbol}${count}`)
    .join(' ')
const keyOfText = (text: string): string => {
  const read = parseFormula(text)
  return read.ok ? keyOf(read.value.composition) : text
}
const WATER = keyOfText('H2O')
/** They stand beside nearly everything, and carry nothing. */
const COMMON = ['H', 'O']

/** The ions, ligands and whole molecules that a formula says it is made of; what cannot be read so is left out. */
export function partsHeld(formula: Formula): readonly Part[] {
  const { parts, waters } = partsOf(formula.text)
  const all: Part[] = waters > 0 ? [{ kind: 'molecule', text: 'H2O', key: WATER, charge: 0, count: waters }] : []
  for (const { text, times } of parts) {
    const read = parseFormula(parts.length === 1 ? formula.text : text)
    const ions = read.ok ? ionsOf(read.value) : undefined
    const bare = ions ? undefined : neutralComplex(text)
    if (bare) all.push(...boundIn(bare, times, -bare.ligandCharge))
    else if (!ions) all.push({ kind: 'molecule', text, key: keyOfText(text), charge: 0, count: times })
    for (const { text, charge, count, complex } of ions ?? []) {
      all.push({
        kind: 'ion',
        text,
        key: keyOfText(text),
        charge,
        count: count * times,
        ...(complex && { complex: true }),
      })
      if (complex) all.push(...boundIn(complex, count * times, charge - complex.ligandCharge))
    }
  }
  return all
}

/** `[Pt(NH3)2Cl2]`, `Ni(dmg)2`: a complex without a charge. */
const neutralComplex = (text: string): Complex | undefined => {
  const inner = /^\[(.*)\]$/.exec(text)?.[1]
  return inner === undefined ? readBareComplex(text) : readComplex(inner)
}
const boundIn = ({ metal, ligands }: Complex, times: number, state: number): Part[] => [
  { kind: 'ion', text: metal, key: keyOfText(metal), charge: state, count: times, central: true },
  ...ligands.map(({ text, charge, count }): Part => ({
    kind: 'ligand',
    text,
    key: keyOfText(text),
    charge,
    count: count * times,
  })),
]

const countOf = (formula: Formula, symbol: string): number => formula.composition.get(symbol) ?? 0
const elementsOf = (formula: Formula): string[] =>
  [...formula.composition.keys()].filter(symbol => !COMMON.includes(symbol))

/**
 * How many of `analyte` one `held` stands for, by each thing that could carry it, the likeliest first; empty where nothing does. An analyte that is itself an
 * ion, a ligand or a molecule of the other is counted as such, coordinated ones apart from ionic ones; an element is counted in all of it. Of two compounds
 * the ions that both hold go before the elements that both hold, and hydrogen and oxygen carry nothing.
 */
export function carriersOf(analyte: Formula, held: Formula): Carrier[] {
  const whole = commonFactor(held, analyte)
  if (whole !== undefined) return [{ by: analyte.text, kind: 'whole', units: whole }]
  const isElement = analyte.composition.size === 1 && [...analyte.composition.values()][0] === 1
  const parts = partsHeld(held)
  const [symbol = ''] = analyte.composition.keys()
  if (isElement && analyte.charge === 0) {
    const count = countOf(held, symbol)
    return count > 0 ? [{ by: symbol, kind: 'element', units: count }] : []
  }
  const same = parts.filter(({ key, central }) => !central && key === keyOf(analyte.composition))
  if (same.length > 0)
    return (['ion', 'ligand', 'molecule'] as const).flatMap(kind => {
      const units = same.filter(part => part.kind === kind).reduce((sum, { count }) => sum + count, 0)
      return units > 0 ? [{ by: analyte.text, kind, units }] : []
    })
  return distinct([...sharedParts(analyte, parts), ...sharedElements(analyte, held, parts)])
}

/** Ions and ligands that stand in both. */
function sharedParts(analyte: Formula, parts: readonly Part[]): Carrier[] {
  const mine = partsHeld(analyte).filter(({ key }) => key !== WATER)
  return mine
    .filter(({ kind, text, central }) => kind !== 'molecule' && !central && !COMMON.includes(text) && text !== 'OH')
    .flatMap(({ kind, key, charge, count, text }): Carrier[] => {
      const other = parts.filter(part => part.key === key && part.kind !== 'molecule' && part.charge === charge)
      const sameKind = other.filter(part => part.kind === kind)
      const counted = sameKind.length > 0 ? sameKind : other
      const units = counted.reduce((sum, part) => sum + part.count, 0) / count
      return units > 0 ? [{ by: text, kind: kind === 'ligand' ? 'ligand' : 'ion', units }] : []
    })
    .toSorted((a, b) => Number(a.kind === 'ligand') - Number(b.kind === 'ligand'))
}

/** Elements that stand in both; of an analyte of several atoms in what cannot be read as ions, no more than all its atoms allow. */
function sharedElements(analyte: Formula, held: Formula, parts: readonly Part[]): Carrier[] {
  const shared = elementsOf(analyte).filter(symbol => countOf(held, symbol) > 0)
  const isUnread = parts.every(({ kind }) => kind === 'molecule')
  const isIon = analyte.charge !== 0 || partsHeld(analyte).every(({ kind }) => kind === 'molecule')
  const bound =
    isUnread &&
    isIon &&
    analyte.composition.size > 1 &&
    [...analyte.composition.keys()].every(one => countOf(held, one) > 0)
      ? Math.min(...[...analyte.composition].map(([symbol, count]) => countOf(held, symbol) / count))
      : Infinity
  return shared.map(symbol => ({
    by: symbol,
    kind: 'element',
    units: Math.min(bound, countOf(held, symbol) / countOf(analyte, symbol)),
  }))
}

/** An element says nothing new where an ion that holds it gives the same number. */
function distinct(carriers: readonly Carrier[]): Carrier[] {
  const kept: Carrier[] = []
  for (const one of carriers) if (!kept.some(({ units }) => Math.abs(units - one.units) < 1e-9)) kept.push(one)
  return kept
}

/** The carrier that a chemist named, or the likeliest; undefined where it carries nothing. */
export function carrierFor(analyte: Formula, held: Formula, by?: string): Carrier | undefined {
  const all = carriersOf(analyte, held)
  if (by === undefined) return all[0]
  const key = keyOfText(by)
  return all.find(one => keyOfText(one.by) === key) ?? elementBy(analyte, held, by)
}

function elementBy(analyte: Formula, held: Formula, by: string): Carrier | undefined {
  const [mine, theirs] = [countOf(analyte, by), countOf(held, by)]
  return mine > 0 && theirs > 0 ? { by, kind: 'element', units: theirs / mine } : undefined
}

/**
 * How many of a titrated species one unit of a form holds: a compound with or without its water, an ion of that charge (the metal of a complex by its
 * oxidation state), a ligand, a molecule; or the other way, where the form is an element or an ion of the species. Undefined where it holds none.
 */
export function unitsTitrated(species: Formula, form: Formula): number | undefined {
  const whole = relate(form, species)?.units
  if (whole !== undefined) return whole
  const key = keyOf(species.composition)
  const same = partsHeld(form).filter(
    part => part.key === key && (part.kind === 'molecule' || part.charge === species.charge),
  )
  const ionic = same.filter(({ kind }) => kind !== 'ligand')
  const counted = (ionic.length > 0 ? ionic : same).reduce((sum, { count }) => sum + count, 0)
  if (counted > 0) return counted
  const [element, ...more] = elementsOf(species)
  if (species.charge !== 0 || element === undefined || more.length > 0 || ionsOf(species)) return undefined
  // A molecule of one element beside hydrogen and oxygen, such as ammonia, is told as that element too.
  const units = countOf(form, element) / countOf(species, element)
  return units > 0 ? units : undefined
}
