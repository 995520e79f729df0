import { relate, parseFormula, type Formula, type Relation } from '#core/formula'
import { difference, exact, type Figure } from '#core/quantity'
import { carbonateOf, solvateOf } from '#core/species'
import { dilutedStrength } from './dilution-by-volume'
import type { ChargePlan, SupplyPlan } from './plan'
import type { Path } from './problems'
import type { Charge, ReadStage } from './read-stage'
import { Blocked, need, quantity, refuse } from './refuse'
import { findDensityTable, strengthOf } from '#core/supply'
import { amountFromMass, amountFromVolume, type Supply } from '#core/supply'

/** The stages before one: those that read, and the ids of all. */
export interface Earlier {
  readonly read: readonly ReadStage[]
  readonly ids: readonly string[]
}

export function readSupply(
  plan: SupplyPlan,
  species: Formula,
  givesCarbonDioxide: boolean,
  path: Path,
  earlier: Earlier,
  molarVolume: Figure,
): Supply {
  const pure: Relation = { units: 1, waters: 0 }
  const matched = (weighed: Formula, at: Path): Relation =>
    relate(weighed, species) ??
    solvateOf(weighed, species) ??
    (givesCarbonDioxide ? carbonateOf(weighed, species) : undefined) ??
    refuse(at, { code: 'sheet.form-mismatch', weighed: weighed.text, species: species.text })
  switch (plan.kind) {
    case 'solid': {
      const weighed = plan.formula === undefined ? species : need([...path, 'formula'], parseFormula(plan.formula))
      return {
        kind: 'solid',
        species,
        weighed,
        relation: matched(weighed, [...path, 'formula']),
        ...readPurity(plan, weighed, path),
      }
    }
    case 'solution': {
      const byVolumes = dilutedStrength(species, plan, [...path, 'concentration'])
      if (byVolumes) return { kind: 'solution', species, weighed: species, relation: pure, strength: byVolumes }
      const concentration = quantity(
        plan.concentration,
        [...path, 'concentration'],
        ['concentration', 'mass fraction', 'mass per volume'],
        `concentration of {${species.text}}`,
        { bottle: plan.bottle },
      )
      const density =
        plan.density === undefined
          ? undefined
          : quantity(plan.density, [...path, 'density'], ['density'], `density of {${species.text}}`, {
              bottle: plan.bottle,
            })
      const strength = strengthOf(species, concentration, density)
      const table = findDensityTable(species)
      const beyond = !strength.density && concentration.kind !== 'mass fraction' && table?.rows.at(-1)?.[0] === 100
      if (beyond || (strength.massFraction?.value ?? 0) > 1)
        refuse([...path, 'concentration'], { code: 'sheet.too-strong', species: species.text })
      return { kind: 'solution', species, weighed: species, relation: pure, strength }
    }
    case 'liquid': {
      const density =
        plan.density === undefined
          ? {}
          : {
              density: quantity(plan.density, [...path, 'density'], ['density'], `density of {${species.text}}`, {
                bottle: plan.bottle,
              }),
            }
      return {
        kind: 'liquid',
        species,
        weighed: species,
        relation: pure,
        ...density,
        ...readAssay(plan.assay, species, path, plan.bottle),
      }
    }
    case 'gas':
      return { kind: 'gas', species, weighed: species, relation: pure, molarVolume }
    case 'stage': {
      const source = earlier.read.find(({ id }) => id === plan.from)
      if (!source) {
        if (earlier.ids.includes(plan.from)) throw new Blocked()
        refuse([...path, 'from'], { code: 'sheet.unknown-stage', from: plan.from })
      }
      return {
        kind: 'stage',
        species,
        weighed: source.product.form,
        relation: matched(source.product.form, [...path, 'from']),
        ...(source.inPot && { inPot: true }),
        ...(plan.share !== undefined && {
          share: quantity(
            plan.share,
            [...path, 'share'],
            ['mass fraction', 'number'],
            `share of {${source.product.form.text}}`,
          ),
        }),
        ...(plan.wet !== undefined && !source.inPot && readWet(plan.wet, source.product.form, path)),
      }
    }
  }
}

/** An assay of exactly 100 % is a statement, not a reading. */
function readAssay(
  text: string | undefined,
  weighed: Formula,
  path: Path,
  bottle: string | undefined,
): { assay?: Figure } {
  if (text === undefined) return {}
  const assay = quantity(text, [...path, 'assay'], ['mass fraction'], `assay of {${weighed.text}}`, { bottle })
  return assay.value === 1 ? {} : { assay }
}

/** A solid that is handed on wet: its water by mass, the rest is the form itself. */
function readWet(text: string, form: Formula, path: Path): Pick<Supply, 'assay' | 'moisture'> {
  const name = `water in the wet {${form.text}}`
  const moisture = quantity(text, [...path, 'wet'], ['mass fraction'], name, { zero: true })
  if (moisture.value >= 1) refuse([...path, 'wet'], { code: 'sheet.over-whole', species: form.text })
  return {
    moisture,
    assay: difference(`{${form.text}} in the wet solid`, exact(1, 'mass fraction', 'whole', '100 %'), moisture),
  }
}

/** Assay, moisture and what the rest is; without an assay all that is not moisture counts as the formula. */
function readPurity(
  plan: {
    readonly assay?: string
    readonly moisture?: string
    readonly rest?: 'residue' | 'soluble'
    readonly bottle?: string
  },
  weighed: Formula,
  path: Path,
): Pick<Supply, 'assay' | 'moisture' | 'rest'> {
  const stated = readAssay(plan.assay, weighed, path, plan.bottle)
  if (plan.moisture === undefined) return { ...stated, ...(plan.rest && { rest: plan.rest }) }
  const moisture = quantity(plan.moisture, [...path, 'moisture'], ['mass fraction'], `moisture of {${weighed.text}}`, {
    zero: true,
    bottle: plan.bottle,
  })
  const assay =
    stated.assay ?? difference(`assay of {${weighed.text}}`, exact(1, 'mass fraction', 'whole', '100 %'), moisture)
  if (assay.value + moisture.value > 1 + 1e-9 || assay.value <= 0)
    refuse([...path, 'moisture'], { code: 'sheet.over-whole', species: weighed.text })
  return { assay, moisture, ...(plan.rest && { rest: plan.rest }) }
}

export function readCharge(plan: ChargePlan, supply: Supply, path: Path): Charge {
  const name = `{${supply.weighed.text}}`
  if ('mass' in plan) {
    const mass = quantity(plan.mass, [...path, 'mass'], ['mass'], `mass of ${name}`)
    const amount =
      amountFromMass(supply, mass) ??
      refuse([...path, 'mass'], { code: 'sheet.no-density', species: supply.species.text })
    return { by: 'amount', amount, mass }
  }
  if ('volume' in plan) {
    const volume = quantity(plan.volume, [...path, 'volume'], ['volume'], `volume of ${name}`)
    const byVolume = amountFromVolume(supply, volume)
    const code = supply.kind === 'solid' || supply.kind === 'stage' ? 'sheet.not-by-volume' : 'sheet.no-density'
    return {
      by: 'amount',
      amount: byVolume ?? refuse([...path, 'volume'], { code, species: supply.species.text }),
      volume,
    }
  }
  if ('amount' in plan)
    return {
      by: 'amount',
      amount: quantity(plan.amount, [...path, 'amount'], ['amount'], `amount of {${supply.species.text}}`),
    }
  if ('excess' in plan) {
    const excess = quantity(plan.excess, [...path, 'excess'], ['mass fraction'], 'excess', {
      zero: true,
      aboveWhole: true,
    })
    return { by: 'equivalents', equivalents: exact(1 + excess.value, 'number', 'equivalents') }
  }
  const { equivalents } = plan
  if (!Number.isFinite(equivalents) || equivalents <= 0 || equivalents > 1e6)
    refuse([...path, 'equivalents'], { code: 'sheet.bad-equivalents', value: equivalents })
  return { by: 'equivalents', equivalents: exact(equivalents, 'number', 'equivalents') }
}
