export { type Strength, findDensityTable, strengthOf } from './strength'
export {
  type Supply,
  amountFromMass,
  amountFromVolume,
  idealMolarVolume,
  leftoverMass,
  massFor,
  volumeFor,
  waterWith,
} from './supply'
