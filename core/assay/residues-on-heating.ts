import { findElement, molarMass, parseFormula, withWaters, type Formula } from '#core/formula'
import {
  hydrolysedChlorides,
  leaveWithAmmonium,
  metalCharges,
  spinelMetals,
  thermalAnions,
  type ThermalAnionRow,
} from '#core/reference'
import { ionsOf, ionText, partsOf, type Complex, type Ion } from '#core/species'

export interface Residue {
  readonly residue: string
  readonly words: string
  /** What would be gone by then, a fraction of what was weighed. */
  readonly expected: number
}

/** Ions by their number; those that stand for nothing are left out. */
type Counts = ReadonlyMap<string, { readonly charge: number; readonly count: number }>

const WATER = 18.015
/** Of the ways an anion can give way after another, no salt has more. */
const MOST_STAGES = 8

/**
 * What a salt can leave on heating: itself with fewer waters, a complex with fewer of its molecules of ammonia or water, then what its anions become (an
 * oxalate the carbonate, a carbonate the oxide, an ammonium phosphate the diphosphate), the oxides of its metals, and the metal.
 */
export function residuesOf(form: Formula): Residue[] {
  const whole = molarMass(form)
  const { parts, waters } = partsOf(form.text)
  const base = parts.map(({ text, times }) => (times === 1 ? text : `${times}${text}`)).join('·')
  const anhydrous = parseFormula(base)
  if (!anhydrous.ok) return []
  const wet: Residue[] = []
  for (let left = waters - 0.5; left >= 0; left -= 0.5)
    wet.push({
      residue: withWaters(base, left),
      words: `${waters - left} H2O gone`,
      expected: ((waters - left) * WATER) / whole,
    })
  const ions = ionsOf(anhydrous.value) ?? []
  const plain = withoutMolecules(ions)
  const { left: dry, residues: without } = withoutAmmonium(plain, whole)
  return distinct([
    ...wet,
    ...fewerMolecules(ions, whole),
    ...basicChloride(plain, waters, whole),
    ...without,
    ...givenWay(plain, whole),
    ...(without.length > 0 ? givenWay(dry, whole) : []),
    ...oxides(plain, whole),
    ...spinels(plain, whole),
  ])
}

/** A residue that two ways lead to is told once. */
const distinct = (residues: readonly Residue[]): Residue[] =>
  residues.filter(({ residue }, i) => residues.findIndex(other => other.residue === residue) === i)

/** The salt without its ammonium, which leaves with as much of an anion: of several the one that leaves first in the table. */
function withoutAmmonium(counts: Counts, whole: number): { left: Counts; residues: Residue[] } {
  const ammonium = counts.get('NH4')
  const anion = Object.keys(leaveWithAmmonium).find(text => (counts.get(text)?.count ?? 0) > 0)
  const row = anion === undefined ? undefined : counts.get(anion)
  if (!ammonium || anion === undefined || !row) return { left: counts, residues: [] }
  const pairs = Math.min(row.count, ammonium.count / -row.charge)
  const left = new Map(counts)
  for (const [text, { charge, count }, gone] of [
    ['NH4', ammonium, pairs * -row.charge],
    [anion, row, pairs],
  ] as const)
    if (count - gone > 1e-9) left.set(text, { charge, count: count - gone })
    else left.delete(text)
  const salt = saltText(left)
  const read = salt && parseFormula(salt.text)
  if (!salt || !read?.ok) return { left, residues: [] }
  const words = `${leaveWithAmmonium[anion]} gone`
  return {
    left,
    residues: [{ residue: read.value.text, words, expected: 1 - molarMass(read.value) / salt.times / whole }],
  }
}

/** A hydrated chloride that loses hydrogen chloride with its water: the basic chloride between it and the oxide. */
function basicChloride(counts: Counts, waters: number, whole: number): Residue[] {
  const chloride = counts.get('Cl')
  const metals = [...counts].filter(([text]) => hydrolysedChlorides.includes(text))
  const [metal] = metals
  if (!chloride || !metal || counts.size !== 2 || waters < chloride.count || chloride.count < 2 * metal[1].count)
    return []
  const changed = new Map(counts)
  changed.delete('Cl')
  changed.set('OH', { charge: -1, count: metal[1].count })
  changed.set('Cl', { charge: -1, count: chloride.count - metal[1].count })
  const salt = saltText(changed)
  const read = salt && parseFormula(salt.text)
  return salt && read?.ok
    ? [
        {
          residue: read.value.text,
          words: 'HCl and H2O gone',
          expected: 1 - molarMass(read.value) / salt.times / whole,
        },
      ]
    : []
}

/** The spinel of one metal in two states, M3O4, or of two metals, one of two and two of three charges. */
function spinels(counts: Counts, whole: number): Residue[] {
  const metals = [...counts].filter(([text, { charge }]) => charge > 0 && metalCharges[text])
  const others = [...counts].some(([text, { charge }]) => charge > 0 && !metalCharges[text] && text !== 'NH4')
  const [one, two, ...more] = metals
  if (!one || others || more.length > 0) return []
  const made = (text: string, units: number): Residue[] => {
    const read = parseFormula(text)
    return read.ok
      ? [{ residue: read.value.text, words: 'the spinel', expected: 1 - (units * molarMass(read.value)) / whole }]
      : []
  }
  if (!two) return spinelMetals.includes(one[0]) ? made(`${one[0]}3O4`, one[1].count / 3) : []
  const [low, high] = one[1].charge <= two[1].charge ? [one, two] : [two, one]
  const fits = low[1].charge === 2 && high[1].charge === 3 && Math.abs(high[1].count - 2 * low[1].count) < 1e-9
  return fits ? made(`${low[0]}${high[0]}2O4`, low[1].count) : []
}

/** The neutral ligands of its one complex, of one kind, leave one after the other: [Ni(NH3)6]Cl2 by NiCl2·2NH3 to NiCl2. */
function fewerMolecules(ions: readonly Ion[], whole: number): Residue[] {
  const complexes = ions.flatMap(({ complex, count }) => (complex ? [{ complex, count }] : []))
  const [only] = complexes
  if (!only || complexes.length > 1) return []
  const [ligand, ...others] = neutralOf(only.complex)
  const read = ligand && parseFormula(ligand.text)
  const salt = saltText(withoutMolecules(ions))
  if (!ligand || others.length > 0 || !read?.ok || salt === undefined) return []
  const all = ligand.count * only.count
  return Array.from({ length: all }, (_, i): Residue => {
    const left = all - 1 - i
    const scale = salt.times
    return {
      residue: left === 0 ? salt.text : `${salt.text}·${left * scale === 1 ? '' : left * scale}${ligand.text}`,
      words: `${i + 1} ${ligand.text} gone`,
      expected: ((i + 1) * molarMass(read.value)) / whole,
    }
  })
}

const neutralOf = ({ ligands }: Complex) => ligands.filter(({ charge }) => charge === 0)

/** The salt that is left once the neutral ligands are gone: the metal with all its anions, inner and outer. */
function withoutMolecules(ions: readonly Ion[]): Counts {
  const counts = new Map<string, { charge: number; count: number }>()
  const add = (text: string, charge: number, count: number): void => {
    counts.set(text, { charge, count: (counts.get(text)?.count ?? 0) + count })
  }
  for (const { text, charge, count, complex } of ions) {
    if (!complex) add(text, charge, count)
    else {
      add(complex.metal, charge - complex.ligandCharge, count)
      for (const ligand of complex.ligands)
        if (ligand.charge !== 0) add(ligand.text, ligand.charge, ligand.count * count)
    }
  }
  return counts
}

/** A salt as text with whole numbers, and how many units of the counts it stands for; undefined where no small numbers do. */
function saltText(counts: Counts): { readonly text: string; readonly times: number } | undefined {
  const rows = [...counts].filter(([, { count }]) => count > 0)
  const times = [1, 2, 3, 4, 6].find(n =>
    rows.every(([, { count }]) => Math.abs(count * n - Math.round(count * n)) < 1e-9),
  )
  if (times === undefined || rows.length < 2) return undefined
  const numbers = rows.map(([, { count }]) => Math.round(count * times))
  const divisor = numbers.reduce(common)
  const ordered = rows
    .map(([text, { charge }], i) => ({ text, charge, count: (numbers[i] ?? 0) / divisor }))
    .toSorted((a, b) => Number(a.charge < 0) - Number(b.charge < 0))
  return { text: ordered.map(({ text, count }) => ionText(text, count)).join(''), times: times / divisor }
}
const common = (a: number, b: number): number => (b === 0 ? a : common(b, a % b))

/** The salt after each of its anions has given way, stage by stage. */
function givenWay(start: Counts, whole: number): Residue[] {
  const found: Residue[] = []
  let now = start
  const gone: string[] = []
  for (let stage = 0; stage < MOST_STAGES; stage++) {
    const row = thermalAnions.find(
      ({ of, with: cation }) => (now.get(of)?.count ?? 0) > 0 && (!cation || now.has(cation)),
    )
    if (!row) break
    now = converted(now, row)
    gone.push(row.gone)
    const salt = saltText(now)
    const read = salt && parseFormula(salt.text)
    if (!salt || !read?.ok) continue
    found.push({
      residue: read.value.text,
      words: `${[...new Set(gone)].join(', ')} gone`,
      expected: 1 - molarMass(read.value) / salt.times / whole,
    })
  }
  return found
}

function converted(counts: Counts, { of, to, per, with: cation }: ThermalAnionRow): Counts {
  const now = new Map(counts)
  const { count = 0, charge = 0 } = counts.get(of) ?? {}
  const pairs = cation ? Math.min(count, counts.get(cation)?.count ?? 0) : count
  const lost = cation ? (counts.get(cation)?.charge ?? 0) : 0
  const before = now.get(to)
  now.set(to, { charge: (charge + lost) / per, count: (before?.count ?? 0) + pairs * per })
  if (pairs === count) now.delete(of)
  else now.set(of, { charge, count: count - pairs })
  if (cation) now.delete(cation)
  return now
}

/** The oxides of the metals in each of their usual states, and of a single metal the metal itself. */
function oxides(counts: Counts, whole: number): Residue[] {
  const metals = [...counts].filter(([text, { charge }]) => charge > 0 && metalCharges[text])
  const others = [...counts].some(([text, { charge }]) => charge > 0 && !metalCharges[text] && text !== 'NH4')
  if (others || metals.length === 0 || metals.some(([, { charge }]) => charge > 4)) return []
  const each = metals.map(([text, { charge, count }]) =>
    [...new Set([charge, ...(metalCharges[text] ?? [])])].flatMap(state => {
      const formula =
        state % 2 === 0 ? `${text}O${state === 2 ? '' : state / 2}` : `${text}2O${state === 1 ? '' : state}`
      const read = parseFormula(formula)
      return read.ok
        ? [{ formula, mass: (count / (read.value.composition.get(text) ?? 1)) * molarMass(read.value) }]
        : []
    }),
  )
  if (metals.length > 1) {
    // Of several metals each in its own state: together, as a mixture or a spinel.
    const first = each.flatMap(([one]) => (one ? [one] : []))
    return first.length === metals.length
      ? [
          {
            residue: first.map(({ formula }) => formula).join(' + '),
            words: 'the oxides together',
            expected: 1 - first.reduce((sum, { mass }) => sum + mass, 0) / whole,
          },
        ]
      : []
  }
  const [[text, { count }] = ['', { count: 0 }]] = metals
  const alone = parseFormula(text)
  const made = (each[0] ?? []).map(({ formula, mass }) => ({
    residue: formula,
    words: 'the oxide',
    expected: 1 - mass / whole,
  }))
  return findElement(text) && alone.ok
    ? [...made, { residue: text, words: 'the metal', expected: 1 - (count * molarMass(alone.value)) / whole }]
    : made
}
