import {
  airRatioFromCarbonDioxide,
  airRatioFromOxygen,
  carbonDioxide,
  dewPoint,
  flueHeat,
  flueOxygen,
  fuels,
  referenceGases,
  type GasId,
} from '../../physics/index.ts'

/** What the analyser read; null where it did not. */
export interface AnalyserReadings {
  gas: GasId
  /** dry, shares by volume */
  carbonDioxide: number | null
  oxygen: number | null
  /** share by volume */
  carbonMonoxide: number | null
  flueCelsius: number | null
  airCelsius: number
  /** water coming back to the boiler, °C */
  returnCelsius: number | null
}

/** What is right for the model at this rate. */
export interface CombustionLimits {
  /** carbon dioxide it is set to, and how far from that is right, shares */
  setTo: number | null
  within: number
  /** carbon monoxide, share */
  carbonMonoxide: number
  /** carbon monoxide over carbon dioxide */
  ratio: number
}

export interface CombustionAnswer {
  problem: 'nothing' | 'moreThanPossible' | 'noFlame' | null
  /** air over the air needed; null with a problem */
  airRatio: number | null
  carbonDioxide: number | null
  oxygen: number | null
  /** oxygen that should stand beside the carbon dioxide read: both were read and lie this far off the line, share; null where only one was read */
  offLine: number | null
  /** CO over CO2 */
  ratio: number | null
  /** CO with the air to spare taken out, share */
  airFree: number | null
  dewPoint: number | null
  /** shares of the net heat */
  loss: number | null
  regained: number | null
  /** efficiency on net and gross heating value, before standing loss */
  net: number | null
  gross: number | null
  /** the flue gas condenses at this return */
  condenses: boolean | null
  /** against the model: lean is too much air */
  mixture: 'right' | 'lean' | 'rich' | 'unknown'
  /** what keeps it from being left running */
  fails: ('carbonMonoxide' | 'ratio')[]
}

/** the least carbon dioxide a flame leaves */
const least = 0.005

/**
 * What an analyser's readings mean: stoichiometry of complete combustion in dry air, dew point by Hyland and Wexler's saturation pressure,
 * flue loss from the products' heat.
 */
export function combustionAnswer(read: AnalyserReadings, limits: CombustionLimits): CombustionAnswer {
  const fuel = fuels[read.gas]
  const blank: CombustionAnswer = {
    problem: null,
    airRatio: null,
    carbonDioxide: null,
    oxygen: null,
    offLine: null,
    ratio: null,
    airFree: null,
    dewPoint: null,
    loss: null,
    regained: null,
    net: null,
    gross: null,
    condenses: null,
    mixture: 'unknown',
    fails: read.carbonMonoxide !== null && read.carbonMonoxide > limits.carbonMonoxide ? ['carbonMonoxide'] : [],
  }
  if (read.carbonDioxide === null && read.oxygen === null) return { ...blank, problem: 'nothing' }
  const most = carbonDioxide(fuel, 1)
  if (read.carbonDioxide !== null && read.carbonDioxide > most * 1.02) return { ...blank, problem: 'moreThanPossible' }
  if ((read.carbonDioxide ?? 1) < least || (read.oxygen ?? 0) > 0.203) return { ...blank, problem: 'noFlame' }
  const airRatio = Math.max(1, read.carbonDioxide !== null ? airRatioFromCarbonDioxide(fuel, read.carbonDioxide) : airRatioFromOxygen(fuel, read.oxygen!))
  const dioxide = read.carbonDioxide ?? carbonDioxide(fuel, airRatio)
  const oxygen = flueOxygen(fuel, airRatio)
  const ratio = read.carbonMonoxide === null ? null : read.carbonMonoxide / dioxide
  const heat = read.flueCelsius === null ? null : flueHeat(fuel, airRatio, read.flueCelsius, read.airCelsius)
  const point = dewPoint(fuel, airRatio)
  const net = heat && 1 - heat.loss + heat.regained
  return {
    problem: null,
    airRatio,
    carbonDioxide: dioxide,
    oxygen,
    offLine: read.carbonDioxide !== null && read.oxygen !== null ? read.oxygen - oxygen : null,
    ratio,
    airFree: read.carbonMonoxide === null ? null : (read.carbonMonoxide * most) / dioxide,
    dewPoint: point,
    loss: heat?.loss ?? null,
    regained: heat?.regained ?? null,
    net,
    gross: net && net * (referenceGases[read.gas].net / referenceGases[read.gas].gross),
    condenses: read.returnCelsius === null ? null : read.returnCelsius < point,
    mixture:
      limits.setTo === null
        ? 'unknown'
        : dioxide < limits.setTo - limits.within - 1e-9
          ? 'lean'
          : dioxide > limits.setTo + limits.within + 1e-9
            ? 'rich'
            : 'right',
    fails: [...blank.fails, ...(ratio !== null && ratio > limits.ratio ? (['ratio'] as const) : [])],
  }
}

/** fresh air as the analyser reads it in a tight air inlet: no less oxygen, no more carbon dioxide. From memory */
const freshOxygen = 0.206
const freshDioxide = 0.002

/**
 * Whether products of combustion reach the air side, by an analyser in the air inlet.
 *
 * @returns `share` of what is drawn in that is flue gas again, by what it takes to move the reading so far
 */
export function flueIntegrity(dioxide: number | null, oxygen: number | null, flueDioxide: number): { verdict: 'nothing' | 'tight' | 'leaks'; share: number } {
  if (dioxide === null && oxygen === null) return { verdict: 'nothing', share: 0 }
  const byDioxide = dioxide === null ? 0 : Math.max(dioxide - 0.0004, 0) / flueDioxide
  const byOxygen = oxygen === null ? 0 : Math.max(0.209 - oxygen, 0) / 0.16
  const leaks = (dioxide !== null && dioxide > freshDioxide) || (oxygen !== null && oxygen < freshOxygen)
  return { verdict: leaks ? 'leaks' : 'tight', share: dioxide !== null ? byDioxide : byOxygen }
}
