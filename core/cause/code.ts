import type { CauseCode } from './explanation'

/** The ranking’s own codes as scripts know them. */
export const codeOf: Readonly<Record<CauseCode, string>> = {
  water: 'wet',
  'heavier form': 'heavier hydrate',
  'by-product': 'by-product',
  'soluble excess': 'excess reagent',
  'undissolved solid': 'unreacted solid',
  digits: 'digits swapped',
  'factor of two': 'factor of two',
  'waters left out': 'waters left out',
  'left in the liquor': 'left in the liquor',
  'lost in the wash': 'wash loss',
  spilled: 'transfer loss',
  'weak reagent': 'weak reagent',
  'not finished': 'not finished',
  'lighter form': 'lighter hydrate',
  'reagent was a hydrate': 'wrong hydrate charged',
  'second crop': 'crop not taken',
  'other salt': 'other salt',
  'side reaction': 'side reaction',
  'wrong limiting reagent': 'wrong limiting reagent',
}
