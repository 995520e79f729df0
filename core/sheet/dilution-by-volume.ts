import type { Formula } from '#core/formula'
import { exact, product, sum, type Figure } from '#core/quantity'
import { commercial, type CommercialRow } from '#core/reference'
import { parseFormula, sameStuff } from '#core/formula'
import type { SupplyPlan } from './plan'
import type { Path } from './problems'
import { quantity, refuse } from './refuse'
import { strengthOf, type Strength } from '#core/supply'

const VOLUMES = /^\s*(\d+(?:\.\d+)?)\s*\+\s*(\d+(?:\.\d+)?)\s*$/

/** How a reagent is usually sold, mass percent; undefined where the table does not say. */
export function usualStock(species: Formula): CommercialRow | undefined {
  return commercial.find(({ reagent }) => {
    const read = parseFormula(reagent)
    return read.ok && sameStuff(read.value, species)
  })
}

/**
 * The strength of `1 + 3`: one volume of the stock and three of water, by mass balance (volumes do not add up, masses do). The stock
 * is what the supply says in `of`, or as the reagent is usually sold. Undefined where the text is no such dilution.
 */
export function dilutedStrength(
  species: Formula,
  { concentration, of }: Extract<SupplyPlan, { kind: 'solution' }>,
  path: Path,
): Strength | undefined {
  const match = VOLUMES.exec(concentration)
  if (!match) return undefined
  const usual = usualStock(species)
  const stockText = of ?? (usual && `${usual.percent} % w/w`)
  if (stockText === undefined) return refuse(path, { code: 'sheet.no-stock', species: species.text })
  const stock = strengthOf(
    species,
    quantity(stockText, [...path.slice(0, -1), 'of'], ['mass fraction', 'concentration'], `stock of {${species.text}}`),
  )
  if (!stock.massFraction || !stock.density) return refuse(path, { code: 'sheet.no-stock', species: species.text })
  const [one, other] = [Number(match[1]), Number(match[2])]
  if (one === 0) return refuse(path, { code: 'sheet.no-stock', species: species.text })
  return strengthOf(species, fractionOf(stock.massFraction, stock.density, one, other, species.text))
}

function fractionOf(fraction: Figure, density: Figure, one: number, other: number, species: string): Figure {
  const stock = product('mass of the stock', 'mass', [exact(one, 'volume'), density])
  const water = exact(other * 0.9982, 'mass', 'mass of the water')
  const whole = sum('mass of the dilution', [
    [1, stock],
    [1, water],
  ])
  return product(`mass fraction of {${species}}`, 'mass fraction', [stock, fraction], [whole])
}
