import { expect, it } from 'vitest'
import { parseFormula, type Formula } from '#core/formula'
import { solubilityProducts } from '#core/reference'
import { follow, potOfSolutes, restOf, shippedCurves, type Move, type Rest } from '.'

const formula = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const curves = shippedCurves().map(({ salt }) => salt)
const sparing = solubilityProducts.map(([text]) => formula(text))
const temperatures = Array.from({ length: 21 }, (_, i) => i * 5)

/** mulberry32: the same three partners at every run. */
function seeded(seed: number): () => number {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

const isFinite = (rest: Rest): boolean =>
  [
    rest.freeWater,
    rest.told.water,
    ...rest.told.forms.map(({ mass }) => mass),
    ...rest.solids.map(({ mass }) => mass),
    ...rest.dissolved.values(),
  ].every(Number.isFinite)

/** Hot, boiled down, cold, filtered, and washed until little is left: what a bench does with any of them. */
const moves: readonly Move[] = [
  { do: 'heat', celsius: 80 },
  { do: 'evaporate', water: 40 },
  { do: 'cool', celsius: 5 },
  { do: 'filter', retained: 0.2 },
  { do: 'wash', solvent: 'water', volume: 200, celsius: 20, retained: 0.2 },
  { do: 'wash', solvent: 'water', volume: 200, celsius: 20, retained: 0.2 },
  { do: 'wash', solvent: 'ethanol', volume: 20, celsius: 0, retained: 0.2 },
]

function walk(salts: readonly Formula[], grams: number): string[] {
  const label = salts.map(({ text }) => text).join(' + ')
  const wrong: string[] = []
  const put = potOfSolutes(
    100,
    salts.map(form => ({ form, mass: grams })),
    25,
  )
  if (!put.ok) return [`${label}: ${put.problem.code}`]
  try {
    for (const celsius of temperatures) {
      const rest = restOf({ ...put.value, celsius })
      if (rest.ok && !isFinite(rest.value)) wrong.push(`${label} at ${celsius}: not a number`)
      if (rest.ok && rest.value.freeWater < -1e-9)
        wrong.push(`${label} at ${celsius}: ${rest.value.freeWater} g of water`)
    }
    const course = follow(put.value, moves)
    if (course.ok && course.value.crops.some(({ mass, recovery }) => !Number.isFinite(mass + recovery)))
      wrong.push(`${label}: a crop that is no number`)
  } catch (error) {
    wrong.push(`${label}: ${String(error)}`)
  }
  return wrong
}

it('answers for every salt of the tables at every five degrees, much of it and little', () => {
  expect(curves.length + sparing.length).toBeGreaterThan(200)
  expect(
    [...curves, ...sparing].flatMap(salt => [...walk([salt], 400), ...walk([salt], 0.01), ...walk([salt], 1e-8)]),
  ).toEqual([])
}, 60_000)

it('answers for every salt beside three others', () => {
  const dice = seeded(20261127)
  const all = [...curves, ...sparing]
  const partner = (): Formula => all[Math.floor(dice() * all.length)]!
  expect(curves.flatMap(salt => [partner(), partner(), partner()].flatMap(other => walk([salt, other], 30)))).toEqual(
    [],
  )
}, 60_000)
