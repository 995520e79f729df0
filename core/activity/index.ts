export { excessOf, ionicStrength, logWater, type Excess } from './excess'
export { chargeOfKey, interactionsOf, type Interactions } from './interactions'
export { equilibrium, type Equilibrium, type Problem } from './equilibrium'
