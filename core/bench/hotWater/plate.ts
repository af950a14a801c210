import { counterflowEffectiveness, heatToWater, logMeanDifference, waterDensity, waterSpecificHeat } from '../../physics/index.ts'

/** What was read round a plate exchanger while a tap runs; null where nobody did. Temperatures in °C. */
export interface PlateReadings {
  coldIn: number | null
  hotOut: number | null
  primaryIn: number | null
  primaryOut: number | null
  /** at the tap, l/min */
  flow: number | null
  /** what one clamp may be out by, K */
  clampError: number
}

/** The plate and burner as the maker made them. */
export interface PlateModel {
  /** conductance clean, W/K */
  clean: number
  /** burner's highest output, kW */
  output: number
}

/** Why four temperatures and a flow cannot be true, or cannot be told apart. */
export type PlateRefusal =
  'tapHotterThanPrimary' | 'primaryHeats' | 'primaryBelowMains' | 'tapNotHeated' | 'aboveBoiling' | 'moreThanBurner' | 'primaryWithinError' | 'tapWithinError'

/** What a plate does. */
export interface PlateAnswer {
  refused: PlateRefusal[]
  /** heat that reaches the water, kW */
  power: number | null
  /** share of the burner's highest output, 0–1 and a little over */
  share: number | null
  /** flow of the primary side by the heat it gives, l/min */
  primaryFlow: number | null
  /** share of the greatest possible heat, 0–1 */
  effectiveness: number | null
  /** W/K, from the log-mean difference */
  conductance: number | null
  /** conductance over a clean one's */
  ofClean: number | null
  /** the same, as far as two clamps leave it open */
  ofCleanRange: [number, number] | null
  verdict: 'nothing' | 'good' | 'furred' | 'blocked' | 'unsure'
}

/** conductance of a clean plate's below which it is called furred, and below which blocked. Chosen for this model between 81/45 and 80/70 */
const furredBelow = 0.7
const blockedBelow = 0.4

/**
 * What a plate exchanger does, from four temperatures and the flow at the tap. Heat by the water's own specific heat; effectiveness and conductance
 * of a counterflow exchanger (Kays and London).
 *
 * Readings that cannot be true are refused, and differences below the joint error of two clamps (√2 times one's): nothing is worked out of those.
 */
export function plateAnswer({ coldIn, hotOut, primaryIn, primaryOut, flow, clampError }: PlateReadings, model: PlateModel): PlateAnswer {
  const joint = clampError * Math.SQRT2
  const refused: PlateRefusal[] = []
  if (coldIn !== null && hotOut !== null) {
    if (hotOut < coldIn - joint) refused.push('tapNotHeated')
    else if (hotOut - coldIn <= joint) refused.push('tapWithinError')
  }
  if (primaryIn !== null && hotOut !== null && hotOut > primaryIn + joint) refused.push('tapHotterThanPrimary')
  if (primaryIn !== null && primaryOut !== null) {
    if (primaryOut > primaryIn + joint) refused.push('primaryHeats')
    else if (primaryIn - primaryOut <= joint) refused.push('primaryWithinError')
  }
  if (primaryOut !== null && coldIn !== null && primaryOut < coldIn - joint) refused.push('primaryBelowMains')
  if ([hotOut, primaryIn, primaryOut].some((one) => one !== null && one > 105)) refused.push('aboveBoiling')

  const power =
    coldIn !== null && hotOut !== null && flow !== null && !refused.some((one) => one.startsWith('tap')) ? heatToWater(flow, coldIn, hotOut) / 1000 : null
  const share = power === null || model.output <= 0 ? null : power / model.output
  if (share !== null && share > 1.2) refused.push('moreThanBurner')
  const nothing: PlateAnswer = {
    refused,
    power,
    share,
    primaryFlow: null,
    effectiveness: null,
    conductance: null,
    ofClean: null,
    ofCleanRange: null,
    verdict: 'nothing',
  }
  if (power === null || primaryIn === null || primaryOut === null || coldIn === null || hotOut === null || flow === null || refused.length > 0) return nothing

  const cold = capacity(flow, coldIn, hotOut)
  const hot = (power * 1000) / (primaryIn - primaryOut)
  const conductance = (power * 1000) / logMeanDifference(Math.max(primaryIn - hotOut, 0.1), Math.max(primaryOut - coldIn, 0.1))
  // each clamp out by its error, the worst way round
  const spread = [-1, 1].map(
    (way) => (power * 1000) / logMeanDifference(Math.max(primaryIn - hotOut + way * joint, 0.1), Math.max(primaryOut - coldIn + way * joint, 0.1)),
  )
  const ofClean = conductance / model.clean
  const range: [number, number] = [Math.min(...spread) / model.clean, Math.max(...spread) / model.clean]
  return {
    refused,
    power,
    share,
    primaryFlow: (hot / (waterSpecificHeat((primaryIn + primaryOut) / 2) * waterDensity(primaryIn))) * 60_000,
    effectiveness: (power * 1000) / (Math.min(cold, hot) * (primaryIn - coldIn)),
    conductance,
    ofClean,
    ofCleanRange: range,
    verdict:
      range[0] > furredBelow || ofClean >= furredBelow
        ? 'good'
        : range[1] < blockedBelow
          ? 'blocked'
          : ofClean < blockedBelow
            ? range[1] < furredBelow
              ? 'blocked'
              : 'unsure'
            : range[1] >= 1
              ? 'unsure'
              : 'furred',
  }
}

/** Capacity flow of a water, W/K; metered at the inlet. */
const capacity = (litresPerMinute: number, inlet: number, outlet: number) =>
  (litresPerMinute / 60_000) * waterDensity(inlet) * waterSpecificHeat((inlet + outlet) / 2)

/**
 * Temperature at the tap that a burner gives at a flow and a mains temperature. Energy balance.
 *
 * @param kilowatts that reach the water
 * @returns °C
 */
export function tapTemperature(kilowatts: number, litresPerMinute: number, mainsCelsius: number): number {
  let rise = (kilowatts * 1000) / capacity(litresPerMinute, mainsCelsius, mainsCelsius + 30)
  for (let round = 0; round < 4; round++) rise = (kilowatts * 1000) / capacity(litresPerMinute, mainsCelsius, mainsCelsius + rise)
  return mainsCelsius + rise
}

/** Flow that a burner heats to a temperature, l/min: the inverse of {@link tapTemperature}. */
export function flowFor(kilowatts: number, mainsCelsius: number, tapCelsius: number): number {
  return tapCelsius > mainsCelsius ? (kilowatts * 1000) / capacity(1, mainsCelsius, tapCelsius) / (tapCelsius - mainsCelsius) : Infinity
}

/**
 * The primary's temperature that a plate needs to pass a power on to the mains side, counterflow.
 *
 * @param conductance of the plate as it is, W/K
 * @param primaryFlow l/min
 * @returns °C at the primary inlet
 */
export function primaryNeeded(kilowatts: number, conductance: number, primaryFlow: number, flow: number, coldIn: number): number {
  const hot = capacity(primaryFlow, 70, 60)
  const cold = capacity(flow, coldIn, 45)
  return coldIn + (kilowatts * 1000) / (counterflowEffectiveness(conductance, hot, cold) * Math.min(hot, cold))
}
