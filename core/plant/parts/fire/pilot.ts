import { carbonDioxide, fuels } from '../../../physics/index.ts'
import { signalIndex as S } from '../../../system/index.ts'
import type { Part } from '../../plant.ts'
import { flameSense, gasSupply, overheat } from './flame.ts'
import { efficiency, products } from './products.ts'

const acrossValve = 2.5
/** kelvin the control thermostat falls below its setting before it calls again. Common practice */
const differential = 10

/** A pilot lit by spark, proved, then a main burner at one fixed rate under a control thermostat. */
export const pilotBurner: Part = (plant) => {
  const { s, value, optional, system } = plant
  const fuel = system.gas === 'none' ? fuels.naturalGas : fuels[system.gas]
  const supply = gasSupply(plant)
  const sense = flameSense(plant)
  const trip = overheat(plant)
  const write = products(plant)
  const setting = value('controlStat.setting')
  const off = value('controlStat.readsHigh')
  const broken = value('controlStat.open')
  const welded = optional('controlStat.stuckClosed', 0) > 0.5
  const seat = optional('pilot.seat', 1)
  const pilotOpens = value('gasValve.pilotOpens')
  const mainOpens = value('gasValve.opens') * value('gasValve.coil')
  const pilotJet = value('pilot.jet')
  const governed = value('gasValve.highPressure')
  const rated = value('burner.ratedPressure')
  const fullInput = value('burner.power') / efficiency(plant, true)(45)
  const injectors = value('burner.injectors')
  const airAtFull = value('burner.ratedAirRatio')
  const openness = value('flue.openness')
  const speed = value('fan.maximumSpeed')
  s[S.controlStatOpen] = broken
  return () => {
    supply()
    trip()
    const felt = s[S.flowTemperature]! + off
    if (broken > 0.5 || (felt > setting && !welded)) s[S.controlStatOpen] = 1
    else if (felt < setting - differential) s[S.controlStatOpen] = 0
    const gas = s[S.gasInlet]! > 3
    const pilotGas = gas && s[S.pilotValveVolts]! > 180 && pilotOpens > 0.5 && pilotJet > 0.12
    s[S.pilotFlame] = pilotGas && (s[S.pilotFlame]! > 0.5 || s[S.sparkOn]! > 0.5) ? 1 : 0
    const open = gas && s[S.gasValveVolts]! > 180 && mainOpens > 0.5
    const pressure = open ? Math.max(Math.min(governed, s[S.gasInlet]! - acrossValve), 0) : 0
    const now = pressure > 0.7 && (s[S.flame]! > 0.5 || s[S.pilotFlame]! > 0.5)
    const rate = Math.sqrt(pressure / rated) * injectors
    s[S.burnerPressure] = pressure
    s[S.gasFlowing] = open || pilotGas ? 1 : 0
    s[S.flame] = now ? 1 : 0
    s[S.gasInput] = now ? fullInput * rate : 0
    sense(rate)
    // the pilot alone is what the electrode sits in
    if (s[S.pilotFlame]! > 0.5) sense(0, Math.min(pilotJet, 1) * seat)
    const air = (airAtFull * openness * s[S.fanSpeed]!) / speed / Math.max(rate, 0.2)
    write(now ? carbonDioxide(fuel, Math.max(air, 1)) : 0, rate)
  }
}
