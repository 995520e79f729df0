import type { Formula } from '#core/formula'
import { molarMassFigure, sameStuff, parseFormula } from '#core/formula'
import { given, product, type Figure } from '#core/quantity'
import { densityTables, type DensityTable } from '#core/reference'

/** A solution's strength in every way it can be told. What needs a density that is not known is left out. */
export interface Strength {
  /** mol of solute in 1 L. */
  readonly molarity?: Figure
  readonly massFraction?: Figure
  readonly density?: Figure
}

const TABLE_UNCERTAINTY = 0.001

const tables: readonly { readonly table: DensityTable; readonly formula: Formula }[] = densityTables.map(table => {
  const read = parseFormula(table.reagent)
  if (!read.ok) throw new Error(`The density table names ${table.reagent}.`)
  return { table, formula: read.value }
})

export const findDensityTable = (solute: Formula): DensityTable | undefined =>
  tables.find(({ formula }) => sameStuff(formula, solute))?.table

/** Density (g/mL) at a mass fraction, linear between the table's rows; undefined outside them. */
export function densityAt({ rows }: DensityTable, fraction: number): number | undefined {
  const percent = fraction * 100
  for (let i = 1; i < rows.length; i++) {
    const [low, below] = rows[i - 1]!
    const [high, above] = rows[i]!
    if (percent >= low && percent <= high) return below + ((above - below) * (percent - low)) / (high - low)
  }
  return undefined
}

/** The mass fraction at which a mL holds so many grams of solute; undefined where the table does not reach. */
export function fractionAt(table: DensityTable, gramsPerMillilitre: number): number | undefined {
  let low = 0
  const last = table.rows.at(-1)
  if (!last || gramsPerMillilitre > (last[0] / 100) * last[1]) return undefined
  let high = last[0] / 100
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (middle * (densityAt(table, middle) ?? last[1]) < gramsPerMillilitre) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/**
 * Fills in what a concentration (mol/L, mass fraction or mass per volume) and a density say together. Without a density
 * the core's table is asked, at the table's temperature; its values are taken as good to 0.001 g/mL.
 */
export function strengthOf(solute: Formula, concentration: Figure, density?: Figure): Strength {
  const table = findDensityTable(solute)
  const molarMass = molarMassFigure(solute)
  const name = `{${solute.text}}`
  if (concentration.kind === 'mass fraction') {
    const known = density ?? tabulated(table, concentration.value)
    return {
      massFraction: concentration,
      ...(known && {
        density: known,
        molarity: product(`concentration of ${name}`, 'concentration', [known, concentration], [molarMass], 1000),
      }),
    }
  }
  const perVolume =
    concentration.kind === 'mass per volume'
      ? concentration
      : product(`${name} in a mL`, 'mass per volume', [concentration, molarMass], [], 1e-3)
  const molarity =
    concentration.kind === 'concentration'
      ? concentration
      : product(`concentration of ${name}`, 'concentration', [concentration], [molarMass], 1000)
  const fraction = table && fractionAt(table, perVolume.value)
  const known = density ?? (fraction === undefined ? undefined : tabulated(table, fraction))
  return {
    molarity,
    ...(known && {
      density: known,
      massFraction: product(`mass fraction of ${name}`, 'mass fraction', [perVolume], [known]),
    }),
  }
}

function tabulated(table: DensityTable | undefined, fraction: number): Figure | undefined {
  const value = table && densityAt(table, fraction)
  if (!table || value === undefined) return undefined
  return given(value, 'density', `density of ${table.name}`, {
    source: `density table of ${table.name} at ${table.temperature} °C`,
    uncertainty: TABLE_UNCERTAINTY,
    written: `${value.toFixed(3)} g/mL`,
  })
}
