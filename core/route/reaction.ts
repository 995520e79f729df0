import { balance, groupsIn, parseEquation, type Reaction, type Term } from '#core/equation'
import { basicLigands, keptGroups, protonDonors } from '#core/reference'
import { secondLook } from '#core/remarks'
import { changedStates, explosiveBy } from '#core/species'
import type { Draft, Family } from './family'
import type { Stuff } from './stuff'

/** A draft that balances: its reaction, with what of the possible co-products it takes. */
export interface Balance {
  readonly equation: string
  readonly reaction: Reaction
}

const found = new Map<string, Reaction | undefined>()
const MOST = 20_000

function reactionOf(equation: string): Reaction | undefined {
  if (found.has(equation)) return found.get(equation)
  if (found.size > MOST) found.clear()
  const read = parseEquation(equation)
  const balanced = read.ok ? balance(read.value) : undefined
  const reaction = balanced?.ok
    ? balanced.value.unique
      ? balanced.value.reaction
      : firstWhole(balanced.value.basis, read.ok ? read.value.species.length : 0)
    : undefined
  found.set(equation, reaction)
  return reaction
}

/** Of several reactions the first that leaves nobody out. */
const firstWhole = (basis: readonly Reaction[], species: number): Reaction | undefined =>
  basis.find(one => one.reactants.length + one.products.length === species)

/** The draft balanced for its target, with the fewest of its possible co-products; undefined where no set of them balances. */
export function balanced(draft: Draft, target: Stuff): Balance | undefined {
  const may = draft.may ?? []
  const sets = Array.from({ length: 2 ** may.length }, (_, i) => may.filter((__, k) => (i >> k) & 1)).sort(
    (a, b) => a.length - b.length,
  )
  for (const set of sets) {
    const right = [target.text, ...draft.right, ...set]
    if (new Set(right).size !== right.length || draft.left.includes(target.text)) continue
    const equation = `${draft.left.join(' + ')} -> ${right.join(' + ')}`
    const reaction = reactionOf(equation)
    if (reaction) return { equation, reaction }
  }
  return undefined
}

/** What speaks against a balanced reaction, beyond its own family: states of oxidation that may not change, potentials, the acidity of ions, and what explodes. */
export function against({ reaction }: Balance, family: Family): string | undefined {
  const left = reaction.reactants.map(({ species }) => species.formula)
  const right = reaction.products.map(({ species }) => species.formula)
  if (!family.isRedox && (changedStates(left, right)?.length ?? 0) > 0)
    return 'The equation balances only with a change of state of oxidation that nothing here brings about.'
  if (freeAcidBesideBase(reaction)) return 'An acid does not stay free beside ammonia or an amine.'
  if (family.medium === 'water' && !keepsWhole(reaction))
    return 'The equation balances only by burning what is to stay whole.'
  const explosive = [...left, ...right].flatMap(formula => explosiveBy(formula) ?? [])[0]
  if (explosive) return `It goes by way of what explodes: ${explosive}.`
  return secondLook(reaction)[0]?.text
}

/** A base among what goes in, and an acid among what comes out. */
const freeAcidBesideBase = ({ reactants, products }: Reaction): boolean =>
  reactants.some(({ species }) => basicLigands.includes(species.formula.text)) &&
  products.some(({ species }) => protonDonors.some(({ of, charge }) => charge === 0 && of === species.formula.text))

/** Groups that nothing in water at a bench takes apart while there is something else to oxidise: ammonia, acetate and the organic ligands of the table of kept groups. Nitrate, oxalate, sulfite and peroxide are there to react. */
const REACT: ReadonlySet<string> = new Set([
  'nitrate',
  'nitrite',
  'oxalate',
  'carbonate',
  'sulfate',
  'perchlorate',
  'oxygen on oxygen',
  'cyanide',
  'thiocyanate',
  'phosphate',
])
const STAY = new Set(keptGroups.map(({ name }) => name).filter(name => !REACT.has(name)))

function keepsWhole({ reactants, products }: Reaction): boolean {
  const counted = (terms: readonly Term[]): Map<string, number> => {
    const sums = new Map<string, number>()
    for (const { species, coefficient } of terms)
      for (const [name, count] of groupsIn(species.formula)) sums.set(name, (sums.get(name) ?? 0) + coefficient * count)
    return sums
  }
  const [left, right] = [counted(reactants), counted(products)]
  return [...STAY].every(name => Math.abs((left.get(name) ?? 0) - (right.get(name) ?? 0)) < 1e-9)
}
