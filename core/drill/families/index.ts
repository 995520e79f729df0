import type { Family } from '../family'
import { balanceFamily } from './balancing'
import { firstFamily, washFamily } from './crystals'
import { cautionFamily, explainFamily, routeFamily } from './judging'
import { molarMassFamily } from './masses'
import { formulaFamily, nameFamily } from './names'
import { limitingFamily, weighFamily, yieldFamily } from './sheets'
import { curveFamily, dilutionFamily, orderFamily, waterFamily } from './solutions'
import { backTitrationFamily, beerFamily, mixtureFamily, titrationFamily } from './titrated'
import { burntFamily, gravimetricFamily, watersFamily } from './weighed'

/** Every kind of question, in the order of the work. */
export const families: readonly Family[] = [
  formulaFamily,
  nameFamily,
  molarMassFamily,
  balanceFamily,
  limitingFamily,
  weighFamily,
  yieldFamily,
  waterFamily,
  dilutionFamily,
  orderFamily,
  gravimetricFamily,
  burntFamily,
  watersFamily,
  titrationFamily,
  backTitrationFamily,
  mixtureFamily,
  beerFamily,
  curveFamily,
  firstFamily,
  washFamily,
  cautionFamily,
  explainFamily,
  routeFamily,
]
