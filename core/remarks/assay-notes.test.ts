import { describe, expect, it } from 'vitest'
import { computeWorksheet, newWorksheet, type Worksheet } from '#core/assay'
import { parseFormula } from '#core/formula'
import { assayNotes, expectedOf } from '.'

const read = parseFormula('(NH4)2Ni(SO4)2·6H2O')
if (!read.ok) throw new Error('no')
const product = read.value
const nickel = (id: string, ...grosses: string[]): Worksheet => ({
  ...newWorksheet(id, 'gravimetric', { analyte: 'Ni', weighedAs: 'Ni(C4H7N2O2)2' }),
  name: id,
  rows: grosses.map(gross => ({ sample: '0.2500 g', tare: '24.0000 g', gross })),
})
const notes = (sheet: Worksheet, ...others: Worksheet[]) =>
  assayNotes({ sheet, result: computeWorksheet(sheet), product, all: [sheet, ...others] })

describe('assayNotes', () => {
  it('sets the mean against what the formula holds: 58.693 ÷ 394.97 = 14.86 %', () => {
    const sheet = nickel('a', '24.1828 g', '24.1829 g', '24.1827 g')
    expect(expectedOf({ sheet, product })).toBeCloseTo(14.86, 2)
    expect(notes(sheet)[0]).toMatchObject({ tone: 'info', tag: 'Against the formula' })
    expect(notes(nickel('b', '24.1700 g', '24.1702 g'))[0]).toMatchObject({ tone: 'caution' })
  })
  it('expects nothing of an unknown salt', () => {
    const sheet = nickel('a', '24.1828 g')
    const given = { ...sheet.given, unknown: 'an unknown salt of this anion' }
    expect(expectedOf({ sheet: { ...sheet, given }, product })).toBeUndefined()
  })
  it('compares with another person’s worksheet of the same kind', () => {
    const mine = nickel('mine', '24.1828 g', '24.1830 g', '24.1826 g')
    const theirs = nickel('theirs', '24.1750 g', '24.1752 g', '24.1749 g')
    const found = notes(mine, theirs).find(({ tag }) => tag === 'Against “theirs”')
    expect(found).toMatchObject({ tone: 'caution' })
    expect(found!.text).toContain('The means differ')
    expect(notes(mine, newWorksheet('h', 'hydrate')).some(({ tag }) => tag.startsWith('Against “'))).toBe(false)
  })
  it('asks for another value beside one', () => {
    expect(notes(nickel('a', '24.1828 g')).at(-1)).toMatchObject({ tag: 'One value' })
  })
})
