import type { Path } from '#core/sheet'

/** Where on a sheet a field stands: in its table, or in a panel that opens under it. */
export type FieldPlace =
  | { readonly panel: 'water' | 'gas' | 'heat' | 'product' }
  | { readonly panel: 'supply'; readonly reagent: number }
  | { readonly panel: 'equation' | 'table' }

const panelOf: Readonly<Record<string, 'water' | 'gas' | 'heat' | 'product'>> = {
  solvent: 'water',
  solvents: 'water',
  evaporate: 'water',
  at: 'water',
  vessel: 'water',
  addition: 'gas',
  trap: 'gas',
  ambient: 'gas',
  room: 'gas',
  bath: 'heat',
  yield: 'product',
  product: 'product',
}

/** The place of a field by its path in the plan: `stages`, 0, `solvent` stands in the water panel. */
export function fieldPlace(path: Path): FieldPlace {
  const [first, , key, index, part] = path
  const named = first === 'stages' ? String(key) : String(first)
  if (named === 'equation' || named === 'mix') return { panel: 'equation' }
  if (named === 'reagents' && typeof index === 'number' && part === 'supply') return { panel: 'supply', reagent: index }
  const panel = panelOf[named]
  return panel ? { panel } : { panel: 'table' }
}

const names: Readonly<Record<string, string>> = {
  solvent: 'Water as solvent',
  solvents: 'Solvent',
  evaporate: 'Water boiled off',
  at: 'Working temperature',
  vessel: 'Vessel',
  addition: 'Time of the addition',
  trap: 'Trap',
  ambient: 'Room',
  room: 'Room',
  bath: 'Bath',
  yield: 'Expected yield',
  product: 'Form isolated',
  target: 'Target',
  equation: 'Equation',
  mix: 'Shares of the reactions',
}

/** What a field is called, by its path; `speciesOf` names a reagent by its number, in braces. */
export function fieldName(path: Path, speciesOf: (reagent: number) => string): string {
  const [first, , key, index, part] = path
  if (first !== 'stages') return names[String(first)] ?? 'Plan'
  if (key === 'reagents' && typeof index === 'number')
    return `${part === 'charge' ? 'Charge' : 'Supply'} of {${speciesOf(index)}}`
  return names[String(key)] ?? 'Stage'
}
