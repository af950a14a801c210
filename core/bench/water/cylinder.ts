import { expansion, vesselPressure, vesselWater, waterDensity, waterSpecificHeat } from '../../physics/index.ts'

/** An unvented cylinder, its vessel and its valves. */
export interface Cylinder {
  /** stored water, l */
  litres: number
  coldCelsius: number
  hotCelsius: number
  /** what the reducing valve holds it at, cold, bar */
  reducedTo: number
  /** where the expansion relief valve lifts, bar */
  relief: number
  vesselLitres: number
  /** charge of its vessel, water off and a hot tap open, bar */
  charge: number
}

/** What a heat-up does in an unvented cylinder. */
export interface CylinderAnswer {
  /** water grows by, l */
  grows: number
  /** pressure hot with the vessel as it is, bar */
  hot: number
  /** below the expansion relief valve, bar; negative where it lifts at every heat-up */
  room: number
  /** stored temperature at which it lifts, °C; null where it never does below 95 */
  liftsAt: number | null
  /** vessel that would just take it at the right charge, l */
  vesselNeeded: number
  /** the charge that suits: what the reducing valve holds */
  rightCharge: number
}

const hottest = 95

/**
 * What an unvented cylinder does while it heats: the check valve keeps the growing water in, its vessel takes it up. Boyle's law, water from its
 * density (Kell 1975). The charge that suits is the pressure the reducing valve holds: common practice.
 */
export function cylinderAnswer({ litres, coldCelsius, hotCelsius, reducedTo, relief, vesselLitres, charge }: Cylinder): CylinderAnswer {
  const grows = expansion(litres, coldCelsius, hotCelsius)
  // no vessel: nothing gives way but the tank and its pipes
  const held = vesselLitres > 0 ? vesselWater(vesselLitres, charge, reducedTo) : 0
  const at = (celsius: number) =>
    vesselLitres > 0
      ? Math.max(vesselPressure(vesselLitres, charge, held + expansion(litres, coldCelsius, celsius)), reducedTo)
      : celsius > coldCelsius + 1
        ? 40
        : reducedTo
  const hot = at(hotCelsius)
  const share = vesselWater(1, reducedTo, relief)
  let [from, to] = [coldCelsius, hottest]
  for (let round = 0; round < 50; round++) {
    const middle = (from + to) / 2
    if (at(middle) < relief) from = middle
    else to = middle
  }
  return {
    grows,
    hot,
    room: relief - hot,
    liftsAt: at(hottest) < relief ? null : (from + to) / 2,
    vesselNeeded: share > 0 ? grows / share : Infinity,
    rightCharge: reducedTo,
  }
}

/**
 * Time to bring a store from one temperature to another at a steady power, its standing loss taken off. Energy balance.
 *
 * @param kilowatts that reach the water, > 0
 * @param lossWattsPerKelvin standing loss to a room of 20 °C
 * @returns minutes; Infinity where the loss eats the power
 */
export function recoveryMinutes(litres: number, fromCelsius: number, toCelsius: number, kilowatts: number, lossWattsPerKelvin = 2): number {
  const step = (toCelsius - fromCelsius) / 50
  if (step <= 0) return 0
  let seconds = 0
  for (let index = 0; index < 50; index++) {
    const celsius = fromCelsius + (index + 0.5) * step
    const power = kilowatts * 1000 - lossWattsPerKelvin * Math.max(celsius - 20, 0)
    if (power <= 0) return Infinity
    seconds += ((litres / 1000) * waterDensity(fromCelsius) * waterSpecificHeat(celsius) * step) / power
  }
  return seconds / 60
}

/** What was seen at the tundish and round about it; null where nobody looked. */
export interface TundishSeen {
  /** when water runs there */
  runs: 'heatUp' | 'always' | 'never' | null
  /** whether it is hot */
  isHot: boolean | null
  /** pressure behind the reducing valve cold, nothing drawn, bar */
  pressure: number | null
  /** charge of its vessel with the water off and a hot tap open, bar */
  charge: number | null
  /** it went on after the vessel was pumped up */
  afterRecharge: boolean | null
}

/** What makes a tundish run. */
export type TundishCause = 'temperatureRelief' | 'reducingValve' | 'vessel' | 'reliefSeat' | 'vesselSmall' | 'none'

/** within which a pressure is as it should be, bar. Chosen for this model */
const near = 0.5

/**
 * What makes a tundish run, the likeliest first. Common practice: hot water means the temperature relief, which is dangerous; else the vessel first,
 * then the reducing valve, then the seat of the expansion relief.
 *
 * @returns causes that are left, in the order they are looked at; `none` where nothing runs
 */
export function tundishCauses(cylinder: Cylinder, seen: TundishSeen): TundishCause[] {
  if (seen.runs === 'never') return ['none']
  if (seen.isHot) return ['temperatureRelief']
  const sound = cylinderAnswer({ ...cylinder, charge: seen.charge ?? cylinder.charge })
  const causes: TundishCause[] = []
  const valveHolds = seen.pressure === null ? null : seen.pressure <= cylinder.reducedTo + near
  const vesselFlat = seen.charge === null ? null : seen.charge < cylinder.reducedTo - near
  const wasPumped = seen.afterRecharge === true
  if (valveHolds === false) causes.push('reducingValve')
  if (vesselFlat !== false && !wasPumped && seen.runs !== 'always') causes.push('vessel')
  if (vesselFlat === false && sound.room < 0 && seen.runs !== 'always') causes.push('vesselSmall')
  if (valveHolds === null) causes.push('reducingValve')
  if (vesselFlat !== false && !wasPumped && seen.runs === 'always') causes.push('vessel')
  causes.push('reliefSeat')
  return causes
}
