import { describe, expect, it } from 'vitest'
import { foldJournal } from '#core/journal'
import { readPlan } from '#core/sheet'
import { explainYield, reaches, type YieldJudgement } from './explain-yield'
import { tableFor } from './table'
import { readingsFor } from './yield-facts'
import type { CauseCode } from './cause'
import { batchOf, planted, type Planted } from './fixtures/planted-causes'

const known = new Map<Planted, YieldJudgement>()
/** Each batch is judged once, for all the tests that look at it. */
function judge(one: Planted): YieldJudgement {
  const judged = known.get(one) ?? judgeNew(one)
  known.set(one, judged)
  return judged
}

const judgeNew = (one: Planted): YieldJudgement => {
  const { plan, steps, entries } = batchOf(one)
  const read = readPlan(plan)
  if (!read.ok) throw new Error(one.name)
  const judged = explainYield({
    plan: read.value,
    lines: foldJournal(entries),
    stageId: 's1',
    steps,
    assays: one.assays ?? [],
  })
  if (!judged) throw new Error(`${one.name}: not weighed`)
  return judged
}

const BESIDE: ReadonlySet<CauseCode> = new Set([
  'wet',
  'by-product',
  'excess reagent',
  'liquor dried in',
  'unreacted solid',
])

/** The first two codes of the order: one cause in two forms is one. */
const leadingTwo = (all: YieldJudgement['explanations']) => [...new Set(all.map(({ cause }) => cause))].slice(0, 2)

describe('explainYield', { timeout: 60_000 }, () => {
  it('has enough planted batches to mean something', () => expect(planted.length).toBeGreaterThanOrEqual(20))

  it.each(planted.map(one => [one.name, one] as const))('%s', (_, one) => {
    const { explanations } = judge(one)
    const order = explanations.map(({ cause, belief }) => `${cause} ${belief.toFixed(2)}`)
    expect(leadingTwo(explanations), order.join(', ')).toContain(one.cause)
    for (const out of one.ruledOut ?? []) expect(explanations.map(({ cause }) => cause)).not.toContain(out)
  })

  it('puts the planted cause first in most of them', () => {
    const first = planted.filter(one => judge(one).explanations[0]?.cause === one.cause)
    expect(first.length / planted.length).toBeGreaterThan(0.7)
  })

  it('does not hang on the very masses it was tuned on: with each moved by 3 % the cause stays first or second in nine of ten', () => {
    const moved = [0.97, 1.03].flatMap(scale =>
      planted.map(one => ({
        one,
        judged: judge({
          ...one,
          weighed: one.weighed.map(text => `${(Number.parseFloat(text) * scale).toFixed(2)} g`),
        }),
      })),
    )
    // A few become an ordinary yield by that, and have nothing to explain.
    const open = moved.filter(({ judged }) => judged.kind !== 'as expected')
    expect(open.length).toBeGreaterThan(1.8 * planted.length)
    const held = open.filter(({ one, judged }) => leadingTwo(judged.explanations).includes(one.cause))
    expect(held.length / open.length).toBeGreaterThan(0.9)
  })

  it('says what a cause needs, and when it alone cannot do it', () => {
    // 10.40 g where 8.86 g was possible: 1.54 g too much. 4.36 g of sulfate were there, so it suffices.
    const sulfate = judge(planted.find(({ name }) => name === 'cuprate not washed, dry')!).explanations[0]!
    // A crop of the 85 % that are usual and what is missing to 10.40 g: 2.9 g of it.
    expect(sulfate.needs).toMatch(/^It would take 2\.[6-9]\d\sg of it\.$/)
    expect(sulfate.most).toBeCloseTo(4.36, 1)
    expect(sulfate.suffices).toBe(true)
    expect(sulfate.speaksFor.map(({ says }) => says)).toContain('The wash was skipped.')
    for (const one of planted) {
      const { explanations, facts, none } = judge(one)
      const all = explanations.reduce((sum, { belief }) => sum + belief, none.ordinary + none.other)
      expect(all).toBeGreaterThan(0.85)
      expect(all).toBeLessThan(1 + 1e-9)
      for (const { needs, settle, suffices, most, cause, usualWhy } of explanations) {
        expect(needs.length).toBeGreaterThan(10)
        expect(settle.length).toBeGreaterThan(10)
        expect(usualWhy.length).toBeGreaterThan(10)
        if (most !== undefined) expect(most).toBeGreaterThanOrEqual(0)
        // What lies beside the product and is said to suffice must be able to reach the mass beside all the product there can be.
        if (BESIDE.has(cause) && suffices)
          expect(facts.theoretical * (1 + 2 * facts.spread) + most!, one.name).toBeGreaterThanOrEqual(facts.actual)
      }
    }
  })

  it('has nothing to explain where the yield is what was expected', () => {
    const one = planted.find(({ name }) => name === 'zinc sulfate weighed once, sticking')
    const fine = judge({ ...one!, weighed: ['32.00 g', '32.00 g'], seen: [] })
    expect(fine.kind).toBe('as expected')
    expect(fine.none.ordinary).toBeGreaterThan(Math.max(...fine.explanations.map(({ belief }) => belief)))
  })

  /* 22.12 g Bi2O3 (465.96 g/mol) make 46.05 g of Bi(NO3)3·5H2O (485.07). All of its water gone, 37.50 g of Bi(NO3)3 (394.99) would be left:
     32.9 g lost something else as well. */
  it('does not let lost water explain a mass below that of the dry salt', () => {
    const bismuth: Planted = {
      name: 'bismuth nitrate, 32.9 g',
      cause: 'transfer loss',
      stage: {
        id: 's1',
        equation: 'Bi2O3 + HNO3 -> Bi(NO3)3 + H2O',
        reagents: [
          { species: 'Bi2O3', supply: { kind: 'solid' }, charge: { mass: '22.12 g' } },
          { species: 'HNO3', supply: { kind: 'solution', concentration: '5 mol/L' }, charge: { equivalents: 1.3 } },
        ],
        product: { species: 'Bi(NO3)3', form: 'Bi(NO3)3.5H2O' },
      },
      weighed: ['32.9 g', '32.9 g'],
      seen: [],
    }
    const found = (one: Planted) => {
      const { facts } = judge(one)
      const row = tableFor(facts).find(({ code }) => code === 'lighter hydrate')!
      return { form: row.form, most: row.most!, reaches: reaches(row, readingsFor(facts)) }
    }
    const light = found({ ...bismuth, stage: { ...bismuth.stage, yield: '99 %' } })
    // All of it as the dry salt weighs 8.55 g less than as the pentahydrate.
    expect(light.form).toBe('Bi(NO3)3')
    expect(light.most).toBeCloseTo(8.46, 1)
    const at = (mass: string) =>
      found({ ...bismuth, stage: { ...bismuth.stage, yield: '99 %' }, weighed: [mass, mass] }).reaches
    expect(at('31.5 g')).toBe(false)
    expect(at('37.0 g')).toBe(true)
  })
})
