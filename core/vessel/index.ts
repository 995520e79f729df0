export { acidOf, baseOf, donorOf, madeByAcid, neutralise, type Made, type Protons } from './protons'
