import { describe, expect, it } from 'vitest'
import { emptyVessel, formulaOf, operate, type Vessel } from '.'

const acid = (grams: number, water: number, molar: number, anion: string): Vessel => ({
  ...emptyVessel(100),
  solvents: new Map([['water', water]]),
  ions: new Map([
    ['H^+', grams / molar],
    [anion, grams / molar],
  ]),
})
const boil = (vessel: Vessel, water: number) =>
  operate(vessel, { do: 'boil off', water }, { named: [], product: formulaOf('NaCl') })
const share = ({ ions, solvents }: Vessel, molar: number): number => {
  const grams = (ions.get('H^+') ?? 0) * molar
  return grams / (grams + (solvents.get('water') ?? 0))
}

describe('what goes with the steam', () => {
  it('dilute hydrochloric acid loses hardly any at first, and ends near its azeotrope of 20.2 % (CRC, from memory)', () => {
    const thin = acid(2, 98, 36.46, 'Cl^-')
    const half = boil(thin, 50).vessel
    expect((half.ions.get('H^+') ?? 0) / (thin.ions.get('H^+') ?? 1)).toBeGreaterThan(0.99)
    expect(share(boil(thin, 95).vessel, 36.46)).toBeGreaterThan(0.17)
    expect(share(boil(thin, 95).vessel, 36.46)).toBeLessThan(0.2025)
  })
  it('stronger than its azeotrope it loses acid down to it', () => {
    const strong = acid(36, 64, 36.46, 'Cl^-')
    const left = boil(strong, 40).vessel
    expect(share(left, 36.46)).toBeLessThan(0.25)
    expect(share(left, 36.46)).toBeGreaterThan(0.199)
  })
  it('ammonia is gone before a tenth of the water is', () => {
    const vessel: Vessel = {
      ...emptyVessel(100),
      solvents: new Map([['water', 100]]),
      ions: new Map([['NH3', 0.2]]),
    }
    const done = boil(vessel, 20)
    expect(done.vessel.ions.get('NH3') ?? 0).toBeLessThan(0.2 * 0.05)
    expect(done.out[0]!.matter.find(({ form }) => form === 'NH3')!.amount).toBeGreaterThan(0.19)
  })
  it('sulfuric acid stays, and what goes is told, in one boil as in two', () => {
    const vessel: Vessel = {
      ...emptyVessel(100),
      solvents: new Map([['water', 100]]),
      ions: new Map([
        ['H^+', 0.4],
        ['SO4^2-', 0.1],
        ['Cl^-', 0.2],
      ]),
    }
    const once = boil(vessel, 70)
    const twice = boil(boil(vessel, 30).vessel, 40).vessel
    expect(once.vessel.ions.get('SO4^2-')).toBe(0.1)
    expect(twice.ions.get('Cl^-')!).toBeCloseTo(once.vessel.ions.get('Cl^-')!, 6)
    const gone = once.out[0]!.matter.find(({ form }) => form === 'HCl')!.amount
    expect(gone + (once.vessel.ions.get('Cl^-') ?? 0)).toBeCloseTo(0.2, 12)
  })
})
