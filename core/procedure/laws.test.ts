import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { StagePlan } from '#core/sheet'
import {
  allDissolved,
  dissolvedOf,
  dryOf,
  formulaOf,
  operate,
  portionOf,
  type Operation,
  type Vessel,
} from '#core/vessel'
import { foldSteps, procedureOf } from '.'
import { drawn, foldOf, stageFor, whenAllIn } from './fixtures/plans'

/* The laws of vessel.md, each over some hundreds of random plans; 1, 2 and 4 stand in procedure.test.ts. */
const RUNS = { numRuns: 150 }
const close = (a: number, b: number, scale: number, what = ''): void =>
  expect(Math.abs(a - b), `${what}: ${a} against ${b}`).toBeLessThan(1e-6 * Math.max(scale, 1e-3))

/** Moles of a dry species in a vessel, standing or told as dissolved. */
function molesIn(vessel: Vessel, named: readonly ReturnType<typeof formulaOf>[], species: string): number {
  const dry = dryOf(formulaOf(species)).dry.text
  return [...dissolvedOf(vessel, named), ...vessel.lumps.map(({ form, moles }) => portionOf(form, moles))]
    .filter(({ form }) => dryOf(formulaOf(form)).dry.text === dry)
    .reduce((sum, { amount }) => sum + amount, 0)
}

describe('law 3: sheet and account tell the same amount for the same thing', () => {
  it('what is made, what is left of the excess, the gas and the water', () => {
    fc.assert(
      fc.property(drawn, plan => {
        const { sheet, stages } = foldOf(stageFor(plan))
        const [account] = stages
        const lines = sheet.stages[0]!
        const reacted = whenAllIn(account!)
        const scale = lines.reagents.reduce((sum, { amount }) => sum + amount.value, 0)
        const wanted = lines.products[0]!
        close(molesIn(reacted, account!.named, wanted.species), wanted.amount.value, scale, wanted.species)
        for (const { species, leftover, limits } of lines.reagents)
          if (!limits) close(molesIn(reacted, account!.named, species), leftover.amount.value, scale, species)
        const gone = account!.events
          .flatMap(({ out, operation }) => (operation.do === 'charge' || operation.do === 'stir' ? out : []))
          .flatMap(({ to, matter }) => (to === 'gas' ? matter : []))
        for (const { formula, amount } of lines.gases)
          close(
            gone.filter(({ form }) => form === formula).reduce((sum, one) => sum + one.amount, 0),
            amount.value,
            scale,
            formula,
          )
        // Sparing hydrates hold theirs.
        const bound = allDissolved(reacted).lumps.reduce(
          (sum, { form, moles }) => sum + 18.015 * dryOf(form).waters * moles,
          0,
        )
        const water = (allDissolved(reacted).solvents.get('water') ?? 0) + bound
        // The sheet’s water is what is left once the product has taken its own.
        const { total, intoProduct } = lines.water
        close(water, total.value + intoProduct.value, 10 * total.value, 'water')
      }),
      RUNS,
    )
  })
})

describe('law 5: what may be split ends in the same state', () => {
  const setting = (stage: StagePlan) => {
    const { stages } = foldOf(stage)
    const { folding, named } = stages[0]!
    return { start: whenAllIn(stages[0]!), setting: { named, product: folding.stage.product.form } }
  }
  const same = (one: Vessel, other: Vessel): void => {
    const scale = [...one.ions.values()].reduce((sum, moles) => sum + moles, 0.01)
    for (const key of new Set([...one.ions.keys(), ...other.ions.keys()]))
      expect(Math.abs((one.ions.get(key) ?? 0) - (other.ions.get(key) ?? 0)), key).toBeLessThan(2e-4 * scale)
    for (const name of new Set([...one.solvents.keys(), ...other.solvents.keys()]))
      close(one.solvents.get(name) ?? 0, other.solvents.get(name) ?? 0, 300 * (one.solvents.get(name) ?? 1), name)
    const solids = ({ lumps }: Vessel): Map<string, number> =>
      lumps.reduce((all, { form, moles }) => all.set(form.text, (all.get(form.text) ?? 0) + moles), new Map())
    const [a, b] = [solids(one), solids(other)]
    for (const form of new Set([...a.keys(), ...b.keys()]))
      expect(Math.abs((a.get(form) ?? 0) - (b.get(form) ?? 0)), form).toBeLessThan(2e-4 * scale)
  }
  it('adding solvent, boiling off, heating and cooling, in one go or in two', () => {
    fc.assert(
      fc.property(drawn, fc.double({ min: 0.05, max: 0.7, noNaN: true }), (plan, share) => {
        const { start, setting: of } = setting(stageFor(plan))
        const water = start.solvents.get('water') ?? 0
        const pairs: readonly (readonly [Operation, readonly Operation[]])[] = [
          [
            { do: 'add solvent', solvents: new Map([['water', 40]]) },
            [0.3, 0.7].map(part => ({ do: 'add solvent' as const, solvents: new Map([['water', 40 * part]]) })),
          ],
          [
            { do: 'boil off', water: share * water },
            [0.4, 0.6].map(part => ({ do: 'boil off' as const, water: part * share * water })),
          ],
          [{ do: 'heat to', celsius: 60 }, [40, 60].map(celsius => ({ do: 'heat to' as const, celsius }))],
          [{ do: 'cool', celsius: 10 }, [18, 10].map(celsius => ({ do: 'cool' as const, celsius }))],
        ]
        for (const [once, twice] of pairs)
          same(
            operate(start, once, of).vessel,
            twice.reduce((vessel, one) => operate(vessel, one, of).vessel, start),
          )
      }),
      { numRuns: 60 },
    )
  })
  it('a charge in one go or in portions', () => {
    fc.assert(
      fc.property(drawn, fc.integer({ min: 2, max: 9 }), (plan, times) => {
        const { stages, sheet } = foldOf(stageFor(plan))
        const [account] = stages
        const steps = account!.steps.map(step => {
          const { repeat: _, ...bare } = step
          return step.does && 'charge' in step.does ? { ...bare, ...(times > 1 && { repeat: { times } }) } : step
        })
        const portions = foldSteps({ ...account!.folding, sheet: sheet.stages[0]! }, steps)
        const last = portions.events.findLast(({ charge, operation }) => charge?.species || operation.do === 'stir')!
        same(whenAllIn(account!), last.after)
      }),
      { numRuns: 60 },
    )
  })
  it('two stages that stay in one pot equal one stage with the summed equation', () => {
    // ZnO + 2 HCl → ZnCl2 + H2O, then ZnCl2 + Na2CO3 → ZnCO3 + 2 NaCl: zinc oxide, acid and soda, with what acid is over meeting the soda.
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 100, noNaN: true }),
        fc.double({ min: 1, max: 1.6, noNaN: true }),
        fc.double({ min: 1, max: 1.6, noNaN: true }),
        (zinc, acid, soda) => {
          const mmol = (value: number): string => `${value.toFixed(4)} mmol`
          const oxide = { species: 'ZnO', supply: { kind: 'solid' as const }, charge: { amount: mmol(zinc) } }
          const hydrochloric = {
            species: 'HCl',
            supply: { kind: 'solution' as const, concentration: '3 mol/L' },
            charge: { amount: mmol(2 * zinc * acid) },
          }
          const carbonate = {
            species: 'Na2CO3',
            supply: { kind: 'solution' as const, concentration: '1 mol/L' },
            // Enough for the acid that is over as well.
            charge: { amount: mmol(zinc * soda + zinc * (acid - 1)) },
          }
          const two = foldOf(
            {
              id: 's1',
              equation: 'ZnO + HCl -> ZnCl2 + H2O',
              reagents: [oxide, hydrochloric],
              product: { species: 'ZnCl2' },
              inPot: true,
            },
            {
              id: 's2',
              equation: 'ZnCl2 + Na2CO3 -> ZnCO3 + NaCl',
              reagents: [{ species: 'ZnCl2', supply: { kind: 'stage', from: 's1' } }, carbonate],
              product: { species: 'ZnCO3' },
            },
          )
          const one = foldOf({
            id: 's1',
            equation: 'ZnO + HCl + Na2CO3 -> ZnCO3 + NaCl + H2O',
            reagents: [oxide, hydrochloric, carbonate],
            product: { species: 'ZnCO3' },
          })
          same(whenAllIn(two.stages[1]!), whenAllIn(one.stages[0]!))
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('law 6: what does not read is a problem at its place', () => {
  it('and takes away only what comes after it, for any step of any procedure', () => {
    fc.assert(
      fc.property(drawn, fc.nat({ max: 40 }), (plan, nth) => {
        const { read, sheet, stages } = foldOf(stageFor(plan))
        const [account] = stages
        const texts = account!.steps.filter(
          ({ does }) => does && ('heatTo' in does || 'coolTo' in does || 'wash' in does),
        )
        const broken = texts[nth % Math.max(1, texts.length)]
        if (!broken) return
        const steps = account!.steps.map(step =>
          step === broken
            ? {
                ...step,
                does:
                  step.does && 'wash' in step.does
                    ? { wash: { ...step.does.wash, volume: 'a cup' } }
                    : { heatTo: 'warm' },
              }
            : step,
        )
        const [kept] = procedureOf(read, sheet, [], () => ({ steps }))
        expect(kept!.problems.map(({ step }) => step)).toEqual([broken.id])
        const at = kept!.events.findIndex(({ step }) => step === broken.id)
        const before = account!.events.findIndex(({ step }) => step === broken.id)
        expect(at).toBe(before)
        expect(kept!.events.slice(0, at)).toEqual(account!.events.slice(0, before))
        expect(kept!.events.slice(at).some(({ isKnown }) => isKnown)).toBe(false)
        expect(kept!.product.mass).toBeUndefined()
      }),
      { numRuns: 80 },
    )
  })
})
