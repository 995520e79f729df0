export { CELSIUS_ZERO, GAS_CONSTANT, LEAST_DRYING, ROOM } from './constants'
export { densityTables, type DensityTable } from './densities'
export { elements, type ElementRow } from './elements'
export { hazardStatements, type HazardCode, substanceBlocks, substances, type Dissolves, type FormRow, type InAir, type SubstanceBlock, type SubstanceRow } from './substances'
export { ligands, ligandSource, plainLigands, type LigandRow } from './ligands'
export { commercial, type CommercialRow } from './commercial'
export { enthalpies, enthalpySources, standardElements, type EnthalpyPhase, type EnthalpyRow } from './enthalpies'
export { basicLigands } from './complex-ions'
export { burningLigands, explosiveAnions, explosiveCompounds, explosiveSalts, neverKept, type ExplosiveSalt } from './explosives'
export { exposureLimits, type ExposureRow } from './exposure-limits'
export { heatOfSolutionSource, heatsOfSolution, type HeatOfSolution } from './heats-of-solution'
export {
  dangerOfIons,
  dangerOfLigands,
  dangerOfMolecules,
  incompatibilities,
  lightMetals,
  type DangerKind,
  type Incompatibility,
} from './incompatibilities'
export { ANHYDRIDE_FROM, counterIons, oxoCations, sameInWater } from './ions'
export { anions, anionStems, cations, ionSource, metalCharges, type IonRow } from './ions'
export { solubilities, solubilitySources, type SolubilityPhase, type SolubilityRow } from './solubilities'
export { doubleSalts, doubleSaltsByName, doubleSaltSources, type DoubleSalt } from './double-salts'
export { acidIons, debyeHuckelSlopes, pitzerPairs, pitzerPsi, pitzerTheta, type PitzerRow } from './pitzer'
export { strengthHazards, type StrengthHazards } from './strength-hazards'
export { slowSalts, type Habit } from './slow-salts'
export { specialCautions, type SpecialCaution } from './special-cautions'
export { solubilityGaps } from './solubility-gaps'
export { solubilityProducts, solubilityProductSource } from './solubility-products'
export { ionVolumes, ionVolumeSource, waterDensities } from './ion-volumes'
export { permittivities, type Cosolvent } from './permittivities'
export { methanolWords } from './methanol'
export { washTests, type WashTestRow } from './wash-tests'
export { metalsLeft, neverTreated, neverTreatedIons, oxidantsLeft, type TreatedRow } from './treatments'
export { hydrolysedChlorides, leaveWithAmmonium, spinelMetals, thermalAnions, type ThermalAnionRow } from './thermal-anions'
export { diamagnetic, magneticStandards, usualMoments, type DiamagneticRow, type UsualMoment } from './magnetism'
export { usualTitrations, weighingForms, type UsualTitration, type WeighingForm } from './assay-methods'
export { ageings, colourMeanings, type AgeingRow } from './ageings'
export { protonAcceptors, protonDonors, weakDonors, type AcceptorRow, type DonorRow } from './protons'
export { solvents, type SolventRow } from './solvents'
export { solubilityRules, type SolubilityRule } from './solubility-rules'
export { vapours, type VapourRow } from './vapours'
export {
  dryingAgents,
  hydratePressures,
  hydratePressureSource,
  saturatedHumidities,
  saturatedHumiditySource,
  waterPressures,
  type HydratePressure,
} from './water-vapour'
export { aquaAcids } from './aqua-acids'
export { CHLORINE, fuels, notToDryness, notWarmed, oxidants, violentOxidants, type OxidantRow } from './oxidants'
export { metalsInAcid, oxidisingAnions, type MetalInAcid } from './metals-in-acid'
export { pictograms } from './pictograms'
export { keptGroups } from './kept-groups'
export { coveredMetals, ionCouples, nobleMetals, reducingAnions } from './couples'
export { usualReagents, type UsualReagent } from './usual-reagents'
export { complexCouples, complexIons, type ComplexIonRow } from './complex-ions'
export { acidicOxides, oxidisedInAlkali, type AcidicOxideRow } from './acidic-oxides'
export { oxoanionReactions, type OxoanionReaction, type OxoanionTerm } from './oxoanion-reactions'
export {
  breakPeroxide,
  burnsTo,
  dissolveInCaustic,
  halidesOf,
  inertOxides,
  oxideFalls,
  passiveIn,
  slowOxides,
  takeWater,
} from './metal-surfaces'
export { everydayNames, oldMetalNames, otherSpellings, shapeWords, unsaidStates, type EverydayName } from './everyday-names'
