/** What ties an input of a bench tool to a boiler: the parameter that gives its usual figure, and the check a reading of it belongs to. */
export interface BenchLink {
  parameter?: string
  /** the first of these that a boiler has */
  checks?: readonly string[]
}

/** A sum that stands by itself on the bench. */
export interface BenchToolRow {
  label: string
  /** what it answers, in a line */
  says: string
  /** by the name of its input */
  links: Record<string, BenchLink>
  /** readings that are worked out, by a name of their own */
  derived?: Record<string, readonly string[]>
}

/** Every tool of the bench by its name, in the order they are offered. */
export const benchTools = {
  thermistor: {
    label: 'Thermistor',
    says: 'Resistance to temperature and back; how far a sensor is out, and where the high limit then acts.',
    links: { highLimit: { parameter: 'board.highLimit' } },
    derived: {
      flow: ['measure.flowThermistor'],
      return: ['measure.returnThermistor'],
      hotWater: ['measure.hotWaterThermistor'],
    },
  },
  fill: {
    label: 'Fill and vessel',
    says: 'Cold fill to hot pressure, where the relief valve lifts, and what a cold and a hot reading say of the cushion.',
    links: {
      litres: { parameter: 'system.volume', checks: ['look.systemVolume'] },
      vessel: { parameter: 'vessel.volume', checks: ['look.vesselPlate'] },
      charge: { parameter: 'vessel.preCharge', checks: ['measure.vesselCharge'] },
      relief: { parameter: 'relief.opensAt' },
      seenCold: { checks: ['look.gaugeCold', 'display.pressure'] },
      seenHot: { checks: ['look.gaugeHot'] },
    },
  },
  'pressure-watch': {
    label: 'Pressure watch',
    says: 'A gauge read over days: leak, relief valve, cushion, filling loop, plate or gauge, with odds; when it stops, and the reading that tells most.',
    links: {
      litres: { parameter: 'system.volume', checks: ['look.systemVolume'] },
      vessel: { parameter: 'vessel.volume', checks: ['look.vesselPlate'] },
      charge: { parameter: 'vessel.preCharge' },
      relief: { parameter: 'relief.opensAt' },
      mains: { parameter: 'mains.standing' },
    },
    // a gauge hot or cold is opened where the two are compared
    derived: { watched: ['try.standOvernight', 'try.standLoopOff', 'try.dayAndNight', 'try.fallsHot', 'try.standMainsShut'] },
  },
  'hot-water': {
    label: 'Plate and hot water',
    says: 'Heat to the tap, how well the plate exchanges, why the burner goes off and on, and the crossover test.',
    links: {
      coldIn: { checks: ['measure.mainsTemperature'], parameter: 'mains.temperature' },
      hotOut: { checks: ['measure.tapTemperature', 'measure.drawTemperature'] },
      flow: { checks: ['measure.tapFlow', 'measure.drawFlow'] },
      primaryIn: { checks: ['measure.platePrimaryIn'] },
      primaryOut: { checks: ['measure.platePrimaryOut'] },
      clean: { parameter: 'plate.conductance' },
      output: { parameter: 'burner.power' },
      highLimit: { parameter: 'board.highLimit' },
      tapSet: { parameter: 'board.hotWaterSet', checks: ['look.hotWaterSetting'] },
      displayAtCutOut: { checks: ['display.flowHot'] },
    },
  },
  'gas-rate': {
    label: 'Gas rate',
    says: 'Time the meter: gross and net input against the plate, and what the pipe loses on the way.',
    links: {
      atMeter: { checks: ['measure.gasWorkingMeter'] },
      atBoiler: { checks: ['measure.gasWorking'] },
    },
    derived: { rate: ['measure.gasRate'] },
  },
  combustion: {
    label: 'Combustion',
    says: 'CO2 or O2 to excess air, ratio, dew point and losses; against the model, and products in the air inlet.',
    links: {
      flue: { checks: ['measure.flueTemperature'] },
      inletDioxide: { checks: ['measure.airInlet'] },
      inletOxygen: { checks: ['measure.airInletOxygen'] },
      setHigh: { parameter: 'burner.ratedCarbonDioxide' },
      setLow: { parameter: 'burner.lowCarbonDioxide' },
    },
    derived: {
      dioxideHigh: ['measure.carbonDioxideHigh'],
      dioxideLow: ['measure.carbonDioxideLow'],
      monoxideHigh: ['measure.carbonMonoxide'],
      monoxideLow: ['measure.carbonMonoxideLow'],
      ratioHigh: ['measure.ratio'],
    },
  },
  cylinder: {
    label: 'Cylinder',
    says: 'What a heat-up does in an unvented cylinder, why its tundish runs, and how long it takes to recover.',
    links: {
      litres: { parameter: 'cylinder.volume' },
      hot: { checks: ['measure.storeTemperature'] },
      charge: { checks: ['measure.airGapCharge'] },
      pressure: { checks: ['measure.cylinderPressure'] },
    },
  },
} as const satisfies Record<string, BenchToolRow>

/** The name of a tool that works on figures. */
export type BenchToolId = keyof typeof benchTools

/** The tool a check's reading can be opened in; nothing where there is none. */
export function benchToolOf(check: string): BenchToolId | undefined {
  const has = (checks: readonly string[] | undefined) => checks?.includes(check) === true
  return (Object.keys(benchTools) as BenchToolId[]).find((id) => {
    const { links, derived }: BenchToolRow = benchTools[id]
    return Object.values(links).some(({ checks }) => has(checks)) || Object.values(derived ?? {}).some(has)
  })
}
