import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { balance, parseEquation } from '#core/equation'
import { parseFormula } from '#core/formula'
import { substances, usualReagents } from '#core/reference'
import { explosiveBy } from '#core/species'
import { readPlan } from '#core/sheet'
import { propose, shelfOf, stuffOf, type Route } from '.'

const f = (text: string) => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const solids = substances.filter(({ state }) => state === 'solid').map(({ formula }) => formula)
/** A product and something that holds one of its metals. */
const COMMON = new Set(['H', 'O', 'C', 'N', 'S', 'Cl', 'Na', 'K'])
const pairs = solids.flatMap(product =>
  substances.flatMap(({ formula }): [string, string][] => {
    const mine = [...stuffOf(product)!.elements].filter(symbol => !COMMON.has(symbol))
    return formula !== product && mine.some(symbol => stuffOf(formula)!.elements.has(symbol))
      ? [[product, formula]]
      : []
  }),
)
const usual = usualReagents.map(({ formula }) => formula)

/** Atoms of a term list, counted here and not by the balancer. */
function atoms(text: string): Map<string, number> {
  const sums = new Map<string, number>()
  for (const term of text.split(' + ')) {
    const [, count = '', formula = ''] = /^(\d+ )?(.*)$/.exec(term.trim()) ?? []
    for (const [symbol, n] of f(formula).composition)
      sums.set(symbol, (sums.get(symbol) ?? 0) + (Number(count) || 1) * n)
  }
  return sums
}
const sameAtoms = (equation: string): boolean => {
  const [left, right] = equation.split('→').map(side => atoms(side.trim()))
  return [...new Set([...left!.keys(), ...right!.keys()])].every(symbol => left!.get(symbol) === right!.get(symbol))
}

function law(route: Route, from: readonly string[]): void {
  const { stages, plan } = route
  const keys = (side: string): string[] => side.split(' + ').map(term => stuffOf(term.trim().replace(/^\d+ /, ''))!.key)
  const taken = stages.map(({ equation }) => keys(equation.split('→')[0]!))
  for (const { equation } of stages) {
    expect(sameAtoms(equation), equation).toBe(true)
    const read = parseEquation(equation.replace('→', '->'))
    expect(read.ok && balance(read.value).ok, equation).toBe(true)
  }
  // Every intermediate goes into a later stage, and every starting material into some stage.
  stages.slice(0, -1).forEach(({ product }, i) => {
    const key = stuffOf(product.species)!.key
    expect(
      taken.slice(i + 1).some(left => left.includes(key)),
      `${product.species} of ${stages.map(one => one.equation).join(' ; ')}`,
    ).toBe(true)
  })
  for (const text of from)
    expect(
      taken.some(left => left.includes(stuffOf(text)!.key)),
      text,
    ).toBe(true)
  // Where the model was asked, it put no other salt before the product.
  for (const { first } of stages) expect(first?.is).not.toBe('other')
  for (const { equation } of stages)
    for (const term of equation.split(/ → | \+ /))
      expect(explosiveBy(f(term.trim().replace(/^\d+ /, '')))).toBeUndefined()
  // Ready to weigh: the plan reads as a sheet once an amount is said.
  const target = plan.map((stage, i) => (i === plan.length - 1 ? { ...stage, target: { mass: '15 g' } } : stage))
  expect(readPlan({ stages: target }).ok, JSON.stringify(readPlan({ stages: target }))).toBe(true)
  expect(route.score).toBeGreaterThanOrEqual(0)
}

describe('what holds of every route', () => {
  it('to any solid of the tables from another substance that holds one of its metals', () => {
    let found = 0
    fc.assert(
      fc.property(fc.constantFrom(...pairs), ([product, from]) => {
        const { routes, why } = propose(f(product), true, shelfOf([stuffOf(from)!]))
        if (routes.length === 0) expect(why).toBeTruthy()
        found += routes.length
        expect(routes.length).toBeLessThanOrEqual(8)
        expect(routes.every((route, i) => i === 0 || route.score <= routes[i - 1]!.score)).toBe(true)
        for (const route of routes) law(route, [from])
      }),
      { numRuns: 400, seed: 20 },
    )
    expect(found).toBeGreaterThan(600)
  })

  it('to the products of the textbook’s list, from what it names', () => {
    const lines = readFileSync(new URL('fixtures/textbook.txt', import.meta.url), 'utf8').split('\n')
    for (const line of lines.filter(one => one.includes(' | ') && !one.startsWith('#'))) {
      const [product = '', from = ''] = line.split(' | ').map(part => part.trim())
      const given = from.split(',').map(text => text.trim())
      const { routes } = propose(f(product), true, shelfOf(given.map(text => stuffOf(text)!)))
      for (const route of routes) law(route, given)
    }
  })

  it('a list of what there is limits what joins, but for water and air', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...solids),
        fc.constantFrom('Cu', 'Zn', 'Fe', 'CaCO3', 'CuSO4', 'NiCO3', 'Al', 'MnO2', 'Na2CO3'),
        fc.subarray(usual, { minLength: 3, maxLength: 12 }),
        (product, from, have) => {
          const { routes } = propose(
            f(product),
            true,
            shelfOf(
              [stuffOf(from)!],
              have.map(text => stuffOf(text)!),
            ),
          )
          const may = new Set([from, ...have].map(text => stuffOf(text)!.key))
          for (const { needs } of routes)
            expect(needs.filter(text => text !== 'C' && !may.has(stuffOf(text)!.key))).toEqual([])
        },
      ),
      { numRuns: 200, seed: 21 },
    )
  })
})
