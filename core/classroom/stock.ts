import { parseQuantity } from '#core/quantity'
import { computePlan, dilute, usualStock } from '#core/sheet'
import { parseFormula } from '#core/formula'
import type { ClassPlan } from './class-plan'
import { groupDocument } from './draw'

/** A solution that a class uses up, and how it is made. */
export interface StockNeed {
  readonly reagent: string
  readonly concentration: string
  /** mL that all groups measure together, and with a tenth more for what stays in flasks and pipettes. */
  readonly used: number
  readonly make: number
  readonly from?: { readonly percent: number; readonly volume: number; readonly water: number; readonly order: string }
  readonly why?: string
}
/** What a tenth more is for: rinsing of burettes, spills, one repeat. A judgement. */
const SPARE = 1.1
/** What is put up in a flask, mL, by steps. */
const STEP = 50

/** The solutions of a class's plan over all of its groups, each by reagent and strength. Groups whose plan does not compute are left out. */
export function stocksFor(plan: ClassPlan): StockNeed[] {
  const needs = new Map<string, { reagent: string; concentration: string; used: number }>()
  for (let number = 1; number <= plan.groups; number++) {
    const { plan: own } = groupDocument(plan, number)
    const computed = computePlan(own)
    if (!computed.ok) continue
    own.stages.forEach(({ reagents }, i) => {
      for (const { species, supply } of reagents) {
        if (supply.kind !== 'solution') continue
        const volume = computed.value.stages[i]!.reagents.find(line => line.species === species)?.volume?.value
        if (volume === undefined) continue
        const key = `${species} ${supply.concentration}`
        const before = needs.get(key) ?? { reagent: species, concentration: supply.concentration, used: 0 }
        needs.set(key, { ...before, used: before.used + volume })
      }
    })
  }
  return [...needs.values()].map(made)
}

function made({ reagent, concentration, used }: { reagent: string; concentration: string; used: number }): StockNeed {
  const make = Math.ceil((used * SPARE) / STEP) * STEP
  const need = { reagent, concentration, used, make }
  const read = parseFormula(reagent)
  const usual = read.ok ? usualStock(read.value) : undefined
  if (!usual) return { ...need, why: 'No usual stock of it is known: make it from the solid, on the shelf’s page.' }
  const strength = parseQuantity(concentration, { kinds: ['mass fraction'], name: 'strength', source: 'strength' })
  if (strength.ok && Math.abs(strength.value.value * 100 - usual.percent) < 0.5)
    return { ...need, why: 'As it is sold.' }
  const diluted = dilute({
    from: { reagent, concentration: `${usual.percent} % w/w` },
    to: { concentration, volume: `${make} mL` },
  })
  if (!diluted.ok || !diluted.value.takeVolume)
    return { ...need, why: 'It cannot be diluted from the usual stock: see the shelf’s page for solutions.' }
  const { takeVolume, water, order } = diluted.value
  return { ...need, from: { percent: usual.percent, volume: takeVolume.value, water: water.value, order } }
}
