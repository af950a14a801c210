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
} from './fire/combustion.ts'
export { coilEffectiveness, counterflowEffectiveness, counterflowHeat, logMeanDifference } from './water/exchanger.ts'
export { gasRate, heatInput, referenceGases } from './fire/gas.ts'
export { circulation, conductance, resistanceFor, type PumpCurve } from './water/hydraulics.ts'
export { radiatorOutput } from './water/radiator.ts'
export { thermistorResistance, thermistorTemperature, type NtcCurve } from './sensor/thermistor.ts'
export { chartTrouble, type ChartPoint, type ReadableCurve } from './sensor/thermistorChart.ts'
export { nearestBeta, readableCurve, type ThermistorCurve } from './sensor/thermistorCurve.ts'
export { expansion, hotPressure, vesselPressure, vesselWater } from './water/vessel.ts'
export { heatToWater, waterDensity, waterSpecificHeat } from './water/water.ts'
