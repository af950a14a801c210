import { carbonDioxide, fuels } from '../../../physics/index.ts'
import { signalIndex as S } from '../../../system/index.ts'
import type { Part } from '../../plant.ts'
import { firing } from './firing.ts'
import { flameSense, gasSupply, overheat } from './flame.ts'
import { efficiency, products } from './products.ts'

/** pressure the valve itself needs, mbar, and the least a burner can be lit with and stays lit at. From memory */
const acrossValve = 2.5
const lightsAbove = 0.9

/** Atmospheric burner: burner pressure sets the rate, between a low and a high setting, by a modulating coil. */
export const atmosphericBurner: Part = (plant) => {
  const { s, board, value, optional, system } = plant
  const fuel = system.gas === 'none' ? fuels.naturalGas : fuels[system.gas]
  const low = value('gasValve.lowPressure')
  const high = value('gasValve.highPressure')
  const ignition = value('gasValve.ignitionPressure')
  const rated = value('burner.ratedPressure')
  // with no current in its coil a modulator rests at its lowest
  const moves = optional('board.modulatorDrive', 1) > 0.5 && optional('gasValve.modulatorCoil', 1) > 0.5
  const stuckAt = moves ? value('gasValve.modulatorStuckAt') : 0
  const wanted = firing(plant, 0.3)
  const supply = gasSupply(plant)
  const sense = flameSense(plant)
  const trip = overheat(plant)
  const write = products(plant)
  const fullInput = value('burner.power') / efficiency(plant, true)(45)
  const airAtFull = value('burner.ratedAirRatio')
  const passes = value('gasValve.coil') * value('gasValve.opens')
  const injectors = value('burner.injectors')
  const openness = value('flue.openness')
  const speed = value('fan.maximumSpeed')
  return () => {
    const ask = stuckAt >= 0 ? stuckAt : wanted()
    supply()
    trip()
    const target = board.outputs.rate === 'ignition' && stuckAt < 0 ? ignition : low + (high - low) * ask * ask
    const open = s[S.gasValveVolts]! > 20 && passes > 0.5 && s[S.gasInlet]! > 0
    const pressure = open ? Math.max(Math.min(target, s[S.gasInlet]! - acrossValve), 0) : 0
    const now = pressure > lightsAbove && (s[S.flame]! > 0.5 || s[S.sparkOn]! > 0.5)
    const gas = Math.sqrt(pressure / rated) * injectors
    s[S.burnerPressure] = pressure
    s[S.gasFlowing] = open ? 1 : 0
    s[S.flame] = now ? 1 : 0
    s[S.gasInput] = now ? fullInput * gas : 0
    sense(gas)
    const air = (airAtFull * openness * s[S.fanSpeed]!) / speed / Math.max(gas, 0.2)
    write(now ? carbonDioxide(fuel, Math.max(air, 1)) : 0, gas)
  }
}
