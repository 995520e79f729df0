/**
 * Salts whose crystals are known not to come when they should, and what helps. Texts of preparative chemistry and laboratory manuals, from memory; of salts that are not here nothing is known, and most come when their
 * liquor is a few degrees below saturation.
 */
export type Habit = 'supersaturates' | 'comes slowly' | 'lower hydrate first' | 'wrong ion when hot'
export const slowSalts: readonly (readonly [salt: string, habit: Habit, words: string])[] = [
  ['Na2S2O3', 'supersaturates', 'It stays dissolved far below its point, cold too, until a crystal falls in; then it sets at once, and warms.'],
  ['CH3COONa', 'supersaturates', 'It stays dissolved far below its point, cold too, until a crystal falls in; then it sets at once, and warms.'],
  ['Na2SO4', 'lower hydrate first', 'It supersaturates, and an undisturbed liquor may bring the heptahydrate below 24 °C, which turns into the decahydrate once seeded.'],
  ['Na2CO3', 'lower hydrate first', 'A liquor that is not seeded may bring the heptahydrate in place of the decahydrate.'],
  ['MgSO4', 'supersaturates', 'It stays some ten degrees below its point unless it is stirred or seeded.'],
  ['Na2B4O7', 'lower hydrate first', 'The pentahydrate may come, and stay, some degrees below 61 °C; seed with the decahydrate.'],
  ['Ca(CH3COO)2', 'comes slowly', 'Its liquors turn to a jelly or a syrup, and crystallise over a day.'],
  ['Pb(CH3COO)2', 'supersaturates', 'It stays dissolved below its point, more so where the liquor is basic; a drop of acetic acid and a seed help.'],
  ['Zn(CH3COO)2', 'comes slowly', 'It comes over hours; a little acetic acid keeps the basic salt away.'],
  ['KAl(SO4)2', 'supersaturates', 'An undisturbed liquor stays a few degrees below its point, which is how large octahedra are grown; seed it for many small ones.'],
  ['KCr(SO4)2', 'wrong ion when hot', 'Above about 50 °C the violet ion turns into green ones, which do not crystallise and take days or weeks to turn back: never hotter than that.'],
  ['NH4Cr(SO4)2', 'wrong ion when hot', 'Above about 50 °C the violet ion turns into green ones, which do not crystallise and take days or weeks to turn back: never hotter than that.'],
  ['NH4Fe(SO4)2', 'comes slowly', 'It comes over hours from a liquor that is kept acid and cold.'],
  ['Fe2(SO4)3', 'comes slowly', 'It stays a syrup for days.'],
  ['MnSO4', 'lower hydrate first', 'The hydrates with four and with one water stay for days where five waters would be the right ones.'],
  ['ZnSO4', 'supersaturates', 'An undisturbed liquor stays some degrees below its point.'],
  ['C6H8O7', 'supersaturates', 'A thick liquor stays a syrup until it is seeded.'],
  ['C4H6O6', 'supersaturates', 'A thick liquor stays a syrup until it is seeded.'],
  ['KNaC4H4O6', 'supersaturates', 'It stays dissolved well below its point until it is seeded.'],
  ['Na3C6H5O7', 'comes slowly', 'It stays a syrup for hours; which hydrate comes hangs on the temperature.'],
  ['K3[Fe(C2O4)3]', 'comes slowly', 'It comes over hours, in the dark, and the better for a seed.'],
  ['CaSO4', 'comes slowly', 'Gypsum stays dissolved for an hour at a tenth or two over its limit.'],
  ['MgC2O4', 'comes slowly', 'It comes over hours from cold liquors, and at once from boiling ones.'],
  ['MgNH4PO4', 'comes slowly', 'It comes over hours; rubbing the wall with a rod starts it.'],
  ['H3BO3', 'supersaturates', 'A still liquor stays some degrees below its point.'],
]
