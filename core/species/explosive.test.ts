import { expect, it } from 'vitest'
import { parseFormula } from '#core/formula'
import { explosiveBy } from '.'

const why = (text: string): string | undefined => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return explosiveBy(read.value)
}

// Texts of laboratory safety, from memory.
it.each([
  'AgN3',
  'Pb(N3)2',
  'NH4MnO4',
  'NI3',
  'Ag2C2',
  'AgCNO',
  '[Co(NH3)6](ClO4)3',
  '[Ni(en)3](ClO3)2',
  '[Cu(NH3)4](MnO4)2',
])('%s is known to explode', text => expect(why(text)).toBeDefined())
it.each(['NaN3', 'KClO4', 'KMnO4', '[Co(NH3)6]Cl3', '[Cu(NH3)4]SO4', 'NH4ClO4', 'AgCN', 'Ca(NO3)2'])(
  '%s is not told as one',
  text => expect(why(text)).toBeUndefined(),
)
