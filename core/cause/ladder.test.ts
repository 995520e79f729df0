import { describe, expect, it } from 'vitest'
import { parseFormula } from '#core/formula'
import { foldJournal } from '#core/journal'
import { readPlan } from '#core/sheet'
import { otherSaltsIn } from '#core/outcome'
import { batchOf, planted } from './fixtures/planted-causes'
import { metalOf, relativesOf } from '#core/outcome'
import { potOf } from '#core/vessel'
import { realAccounts, whenReacted } from '#core/outcome'
import { verdictOf } from './verdict'

const formula = (text: string) => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
function setting(name: string) {
  const one = planted.find(found => found.name === name)!
  const { plan, steps, entries } = batchOf(one)
  const read = readPlan(plan)
  if (!read.ok) throw new Error(name)
  return { plan: read.value, lines: foldJournal(entries), stageId: 's1', steps }
}
const rungs = (name: string) => verdictOf(setting(name))!.rungs
const rung = (name: string, form: string) => rungs(name).find(one => one.form === form)

describe('relativesOf', () => {
  const names = (product: string, ...ions: string[]) =>
    relativesOf(formula(product), new Set([...ions, 'OH', 'O'])).map(({ form, kind }) => `${kind} ${form.text}`)
  it('finds the basic salts that these ions can make', () => {
    expect(names('CuSO4·5H2O', 'Cu', 'SO4', 'CO3')).toEqual(
      expect.arrayContaining(['basic CuCO3·Cu(OH)2', 'basic CuSO4·3Cu(OH)2', 'basic Cu(OH)2']),
    )
    expect(names('CuSO4·5H2O', 'Cu', 'SO4')).not.toContain('basic CuCO3·Cu(OH)2')
  })
  it('finds double salts only where the other cation is in the pot', () => {
    expect(names('CuSO4·5H2O', 'Cu', 'SO4', 'K')).toContain('double K2Cu(SO4)2·6H2O')
    expect(names('CuSO4·5H2O', 'Cu', 'SO4')).not.toContain('double K2Cu(SO4)2·6H2O')
  })
  it('takes the metal that the product is made for', () => {
    expect(metalOf(formula('Na2MoO4·2H2O'))).toBe('Mo')
    expect(metalOf(formula('(NH4)2Ni(SO4)2·6H2O'))).toBe('Ni')
    expect(metalOf(formula('KCl'))).toBe('K')
    expect(metalOf(formula('NH4Cl'))).toBeUndefined()
  })
})

describe('ladderOf', { timeout: 60_000 }, () => {
  it('says the yield of a basic salt on the metal', () => {
    /* 33.10 g where 31.25 g of pentahydrate were possible, 0.1252 mol of copper. As CuSO4·3Cu(OH)2 (452.3 g/mol, four copper) 14.16 g at most: 234 %. */
    const basic = rung('copper sulfate damp', 'CuSO4·3Cu(OH)2')!
    expect(basic.percent.value).toBeCloseTo(33.1 / ((0.12515 / 4) * 452.29), 1)
    expect(basic).toMatchObject({ kind: 'basic', verdict: 'impossible' })
  })
  it('calls a form impossible over 100 %, a hydrate unlikely where nothing took its water, possible where a wash does', () => {
    expect(rung('zinc sulfate weighed once, sticking', 'ZnSO4')!.verdict).toBe('impossible')
    expect(rung('zinc sulfate, first crop only', 'ZnSO4·6H2O')).toMatchObject({
      verdict: 'unlikely',
      why: 'nothing took its water',
    })
    expect(rung('zinc sulfate washed with ethanol, turned to powder', 'ZnSO4·6H2O')).toMatchObject({
      verdict: 'possible',
      why: 'the wash takes water out',
    })
  })
  it('finds the higher hydrate likely where the salt was reckoned without its water', () => {
    expect(rung('zinc sulfate reckoned without its water', 'ZnSO4·7H2O')!.verdict).toBe('likely')
  })
  it('is in order, from the heaviest form to the lightest, and each rung says why', () => {
    for (const { name } of planted) {
      const found = rungs(name)
      expect(found.length).toBeGreaterThan(0)
      expect(found.map(({ percent }) => percent.value)).toEqual(
        found.map(({ percent }) => percent.value).toSorted((a, b) => a - b),
      )
      expect(found.every(({ why }) => why.length > 3)).toBe(true)
      expect(found.filter(({ kind }) => kind === 'isolated')).toHaveLength(1)
    }
  })
})

function others(name: string, product: string) {
  const { plan, lines, steps } = setting(name)
  const [account] = realAccounts({ plan, lines, stepsOf: () => steps })!
  const pot = potOf(whenReacted(account!)!, account!.named, [], formula(product))
  return otherSaltsIn(pot!, formula(product))
}
describe('otherSaltsIn', () => {
  it('finds potassium sulfate in a pot of copper, potassium, chloride and sulfate, and what it could weigh', () => {
    /* 20.0 g of pentahydrate: 0.0801 mol of sulfate, 0.1602 mol of potassium: 13.96 g of K2SO4. */
    const found = others('copper chloride wanted, and the potassium salt came', 'CuCl2·2H2O')
    expect(found.find(({ form }) => form === 'K2SO4')!.most).toBeCloseTo(13.96, 1)
    expect(found.some(({ comesFirst }) => comesFirst)).toBe(true)
    expect(found.some(({ form }) => /^CuCl2/.test(form))).toBe(false)
  })
  it('finds none in a pot of one salt', () => {
    expect(others('zinc sulfate weighed once, sticking', 'ZnSO4·7H2O')).toEqual([])
  })
})
