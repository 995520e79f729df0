import { describe, expect, it } from 'vitest'
import { parseFormula } from '#core/formula'
import {
  acidicOxides,
  anions,
  basicLigands,
  breakPeroxide,
  burnsTo,
  complexCouples,
  complexIons,
  dissolveInCaustic,
  halidesOf,
  inertOxides,
  ligands,
  metalCharges,
  oxideFalls,
  oxidisedInAlkali,
  oxoanionReactions,
  passiveIn,
  plainLigands,
  slowOxides,
  takeWater,
  usualReagents,
} from '#core/reference'
import { saltOf } from './compose'
import { families } from './families'
import { balanced } from './reaction'
import { mustBe, stuffOf } from './stuff'

const element = (symbol: string): boolean => parseFormula(symbol).ok && symbol in metalCharges
const anion = (text: string, charge?: number): boolean =>
  anions.some(row => row.text === text && (charge === undefined || row.charge === charge))

describe('the tables that routes stand on, row by row', () => {
  it('usual reagents: each once, each a substance of the tables', () => {
    expect(usualReagents.length).toBeGreaterThan(100)
    const keys = usualReagents.map(({ formula }) => mustBe(formula).key)
    expect(new Set(keys).size).toBe(keys.length)
    expect(usualReagents.filter(({ formula }) => !stuffOf(formula)?.row).map(({ formula }) => formula)).toEqual([])
  })
  it('complex ions: a metal in one of its states, a ligand that is known, so many as it has places for, each once', () => {
    expect(complexIons.length).toBeGreaterThan(150)
    const known = new Set<string>([
      ...plainLigands.map(one => one.formula as string),
      ...ligands.flatMap(one => [one.abbreviation as string, one.formula as string]),
    ])
    const names = complexIons.map(({ metal, charge, ligand }) => `${metal} ${charge} ${ligand}`)
    expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([])
    for (const { metal, charge, ligand, most, logBeta } of complexIons) {
      expect(known.has(ligand), ligand).toBe(true)
      expect(metal === 'VO' || metal === 'Te' || element(metal), metal).toBe(true)
      expect(charge >= 1 && charge <= 5 && most >= 1 && most <= 6).toBe(true)
      if (logBeta !== undefined) expect(logBeta > 0 && logBeta < 70).toBe(true)
    }
    for (const { metal, upper, ligand } of complexCouples)
      expect(
        complexIons.some(row => row.metal === metal && row.charge === upper && row.ligand === ligand),
        `${metal} ${ligand}`,
      ).toBe(true)
    expect(basicLigands.every(text => stuffOf(text) !== undefined)).toBe(true)
  })
  it('acidic oxides: each makes an anion that is known, of a substance of the tables; its salt with sodium balances', () => {
    expect(acidicOxides.filter(({ from }) => !stuffOf(from)?.row)).toEqual([])
    for (const { anion: text, from } of acidicOxides) {
      const row = anions.find(one => one.text === text)!
      const target = saltOf({ text: 'Na', charge: 1 }, row)
      const found = ['NaOH', 'Na2CO3'].some(base =>
        balanced({ left: [base, from], right: [], may: ['H2O', 'CO2'], why: '' }, target),
      )
      expect(found, text).toBe(true)
    }
    for (const { anion: text, charge, oxide } of oxidisedInAlkali)
      expect(anion(text, charge) && stuffOf(oxide)?.row).toBeTruthy()
  })
  it('oxoanions into oxoanions: every row balances with potassium, and makes what it says', () => {
    expect(oxoanionReactions.length).toBeGreaterThan(15)
    const cation = { text: 'K', charge: 1 }
    const written = (term: (typeof oxoanionReactions)[number]['left'][number]): string =>
      typeof term === 'string' ? term : saltOf(cation, { text: term[0], charge: term[1] }).text
    for (const { makes, left, right, why } of oxoanionReactions) {
      const target = saltOf(cation, { text: makes[0], charge: makes[1] })
      expect(
        balanced({ left: left.map(written), right: right.map(written), why }, target),
        `${why} ${target.text}`,
      ).toBeDefined()
    }
  })
  it('metals: each is one, its oxide and halide can be written, and burning and halogenation balance', () => {
    for (const { metal, oxide } of burnsTo)
      expect(balanced({ left: [metal, 'O2'], right: [], why: '' }, mustBe(oxide)), oxide).toBeDefined()
    for (const { metal, halogen, charge } of halidesOf) {
      expect(metalCharges[metal]?.includes(charge), `${metal} ${charge}`).toBe(true)
      const target = saltOf({ text: metal, charge }, { text: halogen.replace('2', ''), charge: -1 })
      expect(balanced({ left: [metal, halogen], right: [], why: '' }, target), target.text).toBeDefined()
    }
    for (const { metal } of [...dissolveInCaustic, ...takeWater, ...oxideFalls])
      expect(element(metal), metal).toBe(true)
    expect([...breakPeroxide].every(element)).toBe(true)
    expect([...inertOxides, ...slowOxides].filter(text => !stuffOf(text))).toEqual([])
    expect(passiveIn.filter(({ metal, acid }) => !element(metal) || !stuffOf(acid)?.row)).toEqual([])
  })
  it('families: each has a name of its own, a time, and a cost below a stage', () => {
    expect(families.length).toBeGreaterThan(35)
    expect(new Set(families.map(({ id }) => id)).size).toBe(families.length)
    for (const { cost, minutes, name } of families)
      expect(cost >= 0 && cost < 10 && minutes > 0 && name.length > 5).toBe(true)
  })
})
