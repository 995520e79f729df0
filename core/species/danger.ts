import { findSubstance, type Formula } from '#core/formula'
import { incompatibilities, type DangerKind } from '#core/reference'
import { ionsOf } from './ions'
import { nameOf } from './names'
import { oxidationStates } from './oxidation'

const STRONG = new Set(['HCl', 'HBr', 'HI', 'HNO3', 'HClO4', 'H2SO4'])
const BY_ANION: Readonly<Record<string, DangerKind>> = {
  CN: 'cyanide', S: 'sulfide', HS: 'sulfide', SO3: 'sulfite', HSO3: 'sulfite', S2O5: 'sulfite', ClO: 'hypochlorite', ClO3: 'chlorate', MnO4: 'permanganate', Cl: 'chloride', NO2: 'nitrite', N3: 'azide',
} // prettier-ignore
const ACTIVE = new Set(['Li', 'Na', 'K', 'Mg', 'Ca', 'Al', 'Zn', 'Fe', 'Mn'])

/** The kinds of danger a substance brings to a mixture, as the incompatibility table words them. */
export function dangerKinds(formula: Formula): DangerKind[] {
  const kinds = new Set<DangerKind>()
  const row = findSubstance(formula)?.row
  const text = formula.text
  for (const ion of ionsOf(formula) ?? []) {
    const kind = BY_ANION[ion.text]
    if (kind) kinds.add(kind)
    if (ion.text === 'H' || ion.text === 'HSO4') kinds.add('acid')
    if (ion.text === 'OH') kinds.add('base')
    if (ion.text === 'NH4') kinds.add('ammonium')
    if (ion.text === 'Ag') kinds.add('silver')
  }
  if (STRONG.has(text)) kinds.add('strong acid')
  if (text === 'H2SO4') kinds.add('conc. sulfuric acid')
  if (text === 'NH3') kinds.add('ammonia')
  if (text === 'H2O2') kinds.add('peroxide')
  if (row?.hazards?.some(code => code === 'H271' || code === 'H272' || code === 'H270')) kinds.add('oxidiser')
  if (formula.composition.size === 1 && ACTIVE.has(text)) kinds.add('active metal')
  if (
    (formula.composition.size === 1 && (ACTIVE.has(text) || ['S', 'P', 'C', 'Si', 'B'].includes(text))) ||
    text === 'NaBH4'
  )
    kinds.add('reductant')
  if (row?.state === 'liquid' && formula.composition.has('C') && (oxidationStates(formula)?.get('C')?.[0] ?? 0) < 2)
    kinds.add('organic')
  return [...kinds]
}

export interface Clash {
  readonly one: string
  readonly other: string
  readonly makes: string
}

/** Pairs among these substances that must not meet by accident, and what they make. What is meant to react is told all the same. */
export function clashesOf(formulas: readonly Formula[]): Clash[] {
  const kinds = formulas.map(formula => ({ formula, kinds: dangerKinds(formula) }))
  const found: Clash[] = []
  kinds.forEach((a, i) =>
    kinds.slice(i + 1).forEach(b => {
      const rows = incompatibilities.filter(
        ({ one, other }) =>
          (a.kinds.includes(one) && b.kinds.includes(other)) || (a.kinds.includes(other) && b.kinds.includes(one)),
      )
      if (rows[0]) found.push({ one: wordsFor(a.formula), other: wordsFor(b.formula), makes: rows[0].makes })
    }),
  )
  return found
}

const wordsFor = (formula: Formula): string => nameOf(formula) ?? `{${formula.text}}`
