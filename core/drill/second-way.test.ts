import { describe, expect, it } from 'vitest'
import { parseFormula, sameStuff } from '#core/formula'
import { propose, shelfOf, stuffOf } from '#core/route'
import { dilute } from '#core/sheet'
import { clashesOf, formulaFromName } from '#core/species'
import { findCurve, potOfSolutes, restOf, saturationAt } from '#core/solution'
import { families } from './families'
import { makeQuestion } from './make'
import { levels, type Level, type Question } from './question'

const SEEDS = Array.from({ length: 100 }, (_, i) => i + 1)
const all = (family: string, of: readonly Level[] = levels): Question[] =>
  of.flatMap(level => SEEDS.map(seed => makeQuestion(family, seed, level)!))
const formula = (text: string) => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}

describe('the right answer, found another way', () => {
  it('every number comes out of plain arithmetic as it comes out of the core', () => {
    let numbers = 0
    for (const { id } of families)
      for (const { answer, level, seed } of all(id)) {
        if (answer.is !== 'number') break
        numbers += 1
        expect(Math.abs(answer.onPaper / answer.value - 1), `${id} ${level}/${seed}`).toBeLessThan(1e-4)
      }
    expect(numbers).toBeGreaterThan(4000)
  })

  it('a name leads to its formula, and a formula has that name', () => {
    for (const { answer, ask } of all('formula')) {
      if (answer.is !== 'formula') throw new Error('No formula.')
      const name = /formula of (.*)\?/.exec(ask)![1]!
      expect(sameStuff(formula(formulaFromName(name)!), formula(answer.text))).toBe(true)
    }
    for (const { answer } of all('name')) {
      if (answer.is !== 'name') throw new Error('No name.')
      expect(sameStuff(formula(formulaFromName(answer.text)!), formula(answer.formula))).toBe(true)
    }
  })

  it('balanced teeth count every atom the same on both sides, and share no divisor', () => {
    for (const { answer } of all('balance')) {
      if (answer.is !== 'teeth') throw new Error('No teeth.')
      const sums = new Map<string, number>()
      answer.species.forEach(({ text, side }, i) => {
        for (const [symbol, atoms] of formula(text).composition)
          sums.set(symbol, (sums.get(symbol) ?? 0) + (side === 'reactant' ? 1 : -1) * atoms * answer.right[i]!)
      })
      expect([...sums.values()].every(sum => Math.abs(sum) < 1e-9)).toBe(true)
      expect([2, 3, 5, 7].some(by => answer.right.every(one => one % by === 0))).toBe(false)
    }
  })

  it('a degree above where the first is said to come nothing stands in the pot at rest, and a degree below it stands alone', () => {
    for (const { answer, facts, ask, why } of all('first')) {
      if (answer.is !== 'choice') throw new Error('No choice.')
      const water = Number(/in (\d+) g/.exec(ask)![1])
      const from = Number(/from (\d+) °C/.exec(why[0]!)![1])
      const solutes = facts.map(fact => {
        const [, text, moles] = /^\{(.*)\}: ([\d.]+) mol$/.exec(fact)!
        return { form: formula(text!), mass: Number(moles) * massOf(text!) }
      })
      const pot = potOfSolutes(water, solutes, 80)
      if (!pot.ok) throw new Error('No pot.')
      const standing = (celsius: number): string[] => {
        const rest = restOf({ ...pot.value, celsius, water }, [])
        return rest.ok ? rest.value.solids.map(({ solid }) => solid.salt.text) : ['not known']
      }
      const chosen = formula(answer.options[answer.right[0]!]!.slice(1, -1))
      const salt = findCurve(chosen)?.curve.salt.text ?? chosen.text.split('·')[0]!
      const told = `${ask} ${facts.join()}`
      // Told to a whole degree; class weights of atoms move it by less.
      if (from < 79) expect(standing(from + 1.5), told).toEqual([])
      expect(standing(from - 1.5), told).toEqual([salt])
    }
  })

  it('crystals begin where the curve holds just what is dissolved', () => {
    for (const { answer, ask, picture } of all('curve', [2])) {
      if (answer.is !== 'number') throw new Error('No number.')
      const curve = findCurve(formula(picture!.of))!.curve
      const at = saturationAt(curve, answer.value)
      if (!at.ok) throw new Error('Off the curve.')
      expect(Math.abs(at.value.grams - Number.parseFloat(ask)) / Number.parseFloat(ask)).toBeLessThan(2e-3)
    }
  })

  it('of the equations offered only the right one is found as a route from what it starts with', () => {
    for (const { answer, ask } of all('route')) {
      if (answer.is !== 'choice') throw new Error('No choice.')
      const product = formula(/want \{(.*?)\}/.exec(ask)![1]!)
      const goes = answer.options.map(option => {
        const equation = option.slice(1, -1)
        const from = equation
          .split(' → ')[0]!
          .split(' + ')
          .map(term => stuffOf(term.replace(/^\d+ /, ''))!)
        const { routes } = propose(product, false, shelfOf(from))
        return routes.some(({ stages }) => stages[0]!.equation.replace('->', '→') === equation)
      })
      expect(goes.indexOf(true), `${ask} ${answer.options.join(' | ')}`).toBe(answer.right[0])
      expect(goes.filter(Boolean)).toHaveLength(1)
    }
  })

  it('one explanation alone weighs what was weighed', () => {
    for (const { answer, why, ask } of all('explain')) {
      if (answer.is !== 'choice') throw new Error('No choice.')
      const crop = Number(/gave ([\d.]+) g/.exec(ask)![1])
      const near = why.map(line => Math.abs(Number(/: ([\d.]+) g\.$/.exec(line)![1]) / crop - 1) < 0.012)
      expect(near.indexOf(true)).toBe(answer.right[0])
      expect(near.filter(Boolean)).toHaveLength(1)
    }
  })

  it('every pair on the bench is asked for what it makes', () => {
    for (const { answer, facts } of all('caution')) {
      if (answer.is !== 'choice') throw new Error('No choice.')
      const there = facts.map(fact => formula(fact.slice(1, -1)))
      const makes = there.flatMap((one, i) => there.slice(i + 1).flatMap(other => clashesOf([one, other])))
      const named = answer.right.map(place => answer.options[place]!.toLowerCase())
      expect(new Set(named)).toEqual(new Set(makes.map(clash => clash.makes.toLowerCase())))
    }
  })

  it('what goes into what is what the dilution of that stock says, whatever the order of the options', () => {
    for (const { answer, ask } of all('order')) {
      if (answer.is !== 'choice') throw new Error('No choice.')
      const [, reagent, stock, weak] = /\{(.*)\} of (\d+) % to (\d+) %/.exec(ask)!
      const made = dilute({
        from: { reagent: reagent!, concentration: `${stock} % w/w` },
        to: { concentration: `${weak} % w/w`, mass: '250 g' },
      })
      if (!made.ok) throw new Error('Not diluted.')
      expect(answer.options[answer.right[0]!]).toBe(made.value.order)
      expect(answer.options.filter(option => option === made.value.order)).toHaveLength(1)
    }
  })

  it('portions thin what is left one after the other', () => {
    for (const { answer, facts, ask, level } of all('wash')) {
      if (answer.is !== 'number') throw new Error('No number.')
      const [clings, portion] = facts.map(fact => Number(/([\d.]+) mL/.exec(fact)![1])) as [number, number]
      let left = 1
      let portions = 0
      const until = level === 3 ? Number(/less than ([\d.]+) %/.exec(ask)![1]) / 100 : 0
      const most = level === 3 ? Infinity : Number(/after (\d+) portions/.exec(ask)![1])
      while (portions < most && left >= until) {
        left *= clings / (clings + portion)
        portions += 1
      }
      expect(answer.value).toBeCloseTo(level === 3 ? portions : left, 9)
    }
  })
})

const massOf = (text: string): number => {
  const q = formula(text)
  let mass = 0
  for (const [symbol, count] of q.composition) mass += count * weights[symbol]!
  return mass
}
/** Atomic weights to two decimals, IUPAC 2021 abridged (from memory): as a class has them on its wall. */
const weights: Record<string, number> = {
  H: 1.008, N: 14.01, O: 16, Na: 22.99, Mg: 24.31, S: 32.06, Cl: 35.45, K: 39.1, Mn: 54.94, Fe: 55.85, Co: 58.93, Ni: 58.69, Cu: 63.55, Zn: 65.38,
} // prettier-ignore
