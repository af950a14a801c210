import { vesselPressure, vesselWater } from '../physics/index.ts'

type Values = (key: string) => number

/** litres that make a bar where no gas is left to give way. Chosen for this model: hoses and radiators swell */
const stiff = 0.5
/** pre-charge below which no less gas counts: hoses and radiators give as much, bar gauge. Chosen for this model */
const leastCharge = -0.9
/** litres a minute a relief valve passes for each bar above its setting. From memory */
const reliefPerBar = 6

/** The water of a heating system against the gas in its expansion vessel: litres in and out move the pressure. */
export class Cushion {
  pressure: number
  private readonly volume: number
  private readonly charge: number
  private readonly held = new Float64Array(2) // in the vessel; missing before the vessel takes any

  constructor(value: Values, pressure: number, optional: (key: string, otherwise: number) => number = (_key, otherwise) => otherwise) {
    this.volume = value('vessel.volume') * value('vessel.cushion') * optional('vessel.connection', 1)
    this.charge = Math.max(value('vessel.preCharge'), leastCharge)
    this.pressure = pressure
    this.held[0] = vesselWater(this.volume, this.charge, pressure)
    this.held[1] = pressure <= this.charge ? (this.charge - pressure) * stiff : 0
  }

  /** Adds litres, or takes them away when negative. */
  add(litres: number): void {
    const { held } = this
    if (held[1]! > 0) {
      held[1]! -= litres
      if (held[1]! < 0) {
        held[0]! -= held[1]!
        held[1] = 0
      }
    } else held[0]! += litres
    if (held[0]! < 0) {
      held[1]! -= held[0]!
      held[0] = 0
    }
    this.pressure = held[1]! > 0 ? Math.max(this.charge - held[1]! / stiff, 0) : vesselPressure(this.volume, this.charge, held[0]!)
  }

  /**
   * Adds litres while a valve lets out what the pressure at the end of the step makes it pass: a small cushion answers faster than a
   * step lasts, and judged by the pressure at its beginning it would swing.
   *
   * @param passes litres let out over the step at a pressure, growing with it
   * @returns litres let out
   */
  addAgainst(litres: number, passes: (bar: number) => number): number {
    this.add(litres)
    let most = passes(this.pressure)
    let least = 0
    let out = 0
    for (let round = 0; round < 40 && most - least > 1e-7; round++) {
      const middle = (least + most) / 2
      this.add(out - middle)
      out = middle
      if (passes(this.pressure) > middle) least = middle
      else most = middle
    }
    return out
  }
}

/** above which a joint that opens hot leaks, and below which one that opens cold does, °C. From memory */
const hotJoint = 45
const coldJoint = 30

/** What comes in from the mains and goes out by leaks and the relief valve, l/min. */
export function exchange(value: Values, optional: (key: string, otherwise: number) => number) {
  const inflow = optional('fillingLoop.letBy', 0)
  const perforation =
    optional('plate.perforation', 0) + optional('coil.perforation', 0) + optional('cylinder.perforation', 0) + optional('storeCoil.perforation', 0)
  // over a night nothing is drawn: the main stands at its highest
  const mains = optional('mains.standing', value('mains.pressure'))
  const always = value('pipework.leak')
  const hot = optional('pipework.leakHot', 0)
  const cold = optional('pipework.leakCold', 0)
  const opensAt = value('relief.opensAt')
  const passing = value('relief.passing')
  return {
    /** net of mains and leaks at a pressure and the temperature of the pipes; `loopOff` with the filling loop disconnected, `mainsShut` with the cold feed shut */
    gain: (pressure: number, celsius: number, loopOff = false, mainsShut = false) => {
      const leak = always + (celsius > hotJoint ? hot : celsius < coldJoint ? cold : 0)
      const entering = mainsShut ? 0 : ((loopOff ? 0 : inflow) + perforation) * Math.max(mains - pressure, 0)
      return entering - leak * Math.max(pressure, 0)
    },
    relief: (pressure: number) => Math.max(pressure - opensAt, 0) * reliefPerBar + passing * Math.max(pressure, 0),
  }
}
