export { readField, type Field, type FieldRead } from './field.ts'
export { combustionAnswer, flueIntegrity, type CombustionAnswer } from './fire/combustion.ts'
export { gasRateAnswer, pipeDrop, type GasRateAnswer } from './fire/gasRate.ts'
export { crossoverStep, type CrossoverSeen, type CrossoverStep } from './hotWater/crossover.ts'
export { cyclingAnswer, type CyclingSuspect } from './hotWater/cycling.ts'
export { flowFor, plateAnswer, primaryNeeded, tapTemperature, type PlateAnswer, type PlateRefusal } from './hotWater/plate.ts'
export { chartTextLimit, readChart, type ChartProblem } from './sensor/chartCsv.ts'
export { rangeFor, thermistorAnswer, thermistorTable, type ThermistorAnswer } from './sensor/thermistor.ts'
export { cylinderAnswer, recoveryMinutes, tundishCauses, type CylinderAnswer, type TundishCause } from './water/cylinder.ts'
export {
  cushionByFilling,
  cushionSeen,
  fillAnswer,
  rightCharge,
  vesselNeeded,
  waterBehind,
  type CushionSeen,
  type FillAnswer,
  type SealedSystem,
} from './water/fillAndVessel.ts'
export { waterContent, waterIn, type WaterPart } from './water/waterContent.ts'
