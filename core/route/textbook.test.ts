import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { parseEquation } from '#core/equation'
import { parseFormula } from '#core/formula'
import { propose, shelfOf, stuffOf, type Route } from '.'

const lines = readFileSync(new URL('fixtures/textbook.txt', import.meta.url), 'utf8')
  .split('\n')
  .filter(line => line.trim() !== '' && !line.startsWith('#'))
  .map(line => line.split(' | ').map(part => part.trim()) as [string, string, string, string])

const f = (text: string) => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const routesTo = (product: string, from: string): readonly Route[] =>
  propose(f(product), true, shelfOf(from.split(',').map(text => stuffOf(text.trim())!))).routes

/** The species of an equation, by side. */
function sides(equation: string): { left: Set<string>; right: Set<string> } {
  const read = parseEquation(equation.replace('→', '->'))
  if (!read.ok) throw new Error(`${equation}: ${JSON.stringify(read.problem)}`)
  const side = (wanted: string) =>
    new Set(read.value.species.filter(one => one.side === wanted).map(({ formula }) => keyOf(formula.text)))
  return { left: side('reactant'), right: side('product') }
}
const keyOf = (text: string): string =>
  text.includes('·') && text.includes('H2O') ? text : (stuffOf(text)?.key ?? text)

const holds = (equation: string, asked: string): boolean => {
  const [has, wants] = [sides(equation), sides(asked)]
  return [...wants.left].every(key => has.left.has(key)) && [...wants.right].every(key => has.right.has(key))
}
const isNamed = ({ stages }: Route, asked: string): boolean =>
  asked.split(' ; ').every(one => stages.some(({ equation }) => holds(equation, one)))

describe('routes that a text names, among the first three', () => {
  it('are eighty and more', () => expect(lines.length).toBeGreaterThanOrEqual(80))
  for (const [product, from, asked] of lines)
    it(`${product} from ${from}`, () => {
      const routes = routesTo(product, from)
      const at = routes.findIndex(route => isNamed(route, asked))
      expect(
        { at, first: routes.slice(0, 3).map(({ stages }) => stages.map(({ equation }) => equation).join(' ; ')) },
        asked,
      ).toMatchObject({ at: expect.toSatisfy((n: number) => n >= 0 && n < 3) })
    })
})
