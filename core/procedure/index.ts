export { wayOf, type ChosenWay } from './way'
export { procedureOf, toldVessel, type ToldStage, type ToldVessel, type Won } from './procedure'
export type { StageProcedure, Step as PlannedStep } from './propose'
export { cautionWords, type CautionCode } from './cautions'
