export {
  airRatioFromCarbonDioxide,
  airRatioFromOxygen,
  carbonDioxide,
  dewPoint,
  flueHeat,
  flueOxygen,
  fuels,
  saturationPressure,
  vapourPressure,
  type Fuel,
  type GasId,
} from './combustion.ts'
export { coilEffectiveness, counterflowEffectiveness, counterflowHeat, logMeanDifference } from './exchanger.ts'
export { gasRate, heatInput, referenceGases } from './gas.ts'
export { circulation, conductance, resistanceFor, type PumpCurve } from './hydraulics.ts'
export { radiatorOutput } from './radiator.ts'
export { thermistorResistance, thermistorTemperature, type NtcCurve } from './thermistor.ts'
export { chartTrouble, type ChartPoint, type ReadableCurve } from './thermistorChart.ts'
export { nearestBeta, readableCurve, type ThermistorCurve } from './thermistorCurve.ts'
export { expansion, hotPressure, vesselPressure, vesselWater } from './vessel.ts'
export { heatToWater, waterDensity, waterSpecificHeat } from './water.ts'
