import { airRatioFromCarbonDioxide, fuels } from '../../../physics/index.ts'
import { signalIndex as S } from '../../../system/index.ts'
import { clamp, type Part } from '../../plant.ts'
import { firing } from './firing.ts'
import { flameSense, gasSupply, overheat } from './flame.ts'
import { efficiency, products } from './products.ts'

/** Air ratios between which a premixed flame stands on its burner. From memory */
const richest = 1.01
const leanest = 1.95
/** share of its air way below which a flame will not light against the back pressure, and below which a burning one is put out. From memory */
const lightsFrom = 0.45
const burnsFrom = 0.32

/** Premix burner: the fan draws gas through the venturi, so its speed sets the rate and the valve sets the ratio. */
export const premixBurner: Part = (plant) => {
  const { s, dt, board, system, value, optional } = plant
  const fuel = system.gas === 'none' ? fuels.naturalGas : fuels[system.gas]
  const needs = value('gas.needs')
  const wanted = firing(plant, value('fan.ignitionSpeed') / value('fan.maximumSpeed'))
  const supply = gasSupply(plant)
  const sense = flameSense(plant)
  const trip = overheat(plant)
  const write = products(plant)
  const most = value('fan.maximumSpeed')
  const least = value('board.minimumFanSpeed')
  const ignition = value('fan.ignitionSpeed')
  const openness = value('flue.openness')
  const fullInput = value('burner.power') / efficiency(plant, true)(45)
  const rated = value('burner.ratedCarbonDioxide') / 100
  const high = rated * value('gasValve.ratioHigh')
  const low = (value('burner.lowCarbonDioxide') / 100) * value('gasValve.ratioLow')
  const passes = value('gasValve.coil') * value('gasValve.opens')
  // water that does not run away climbs to the burner while it burns, and lets it light again for a moment
  const flooded = optional('condensate.flooded', 0) > 0.5
  const floodsAfter = flooded ? optional('condensate.floodsAfter', 0) : Infinity
  const lit = new Float64Array(2) // seconds lit now, and in all
  return () => {
    const ask = wanted()
    if (board.outputs.fan === 'run') s[S.fanCommand] = board.outputs.rate === 'ignition' ? ignition : Math.max(ask * most, least)
    supply()
    trip()
    const air = Math.min(s[S.fanSpeed]! / most, 1) * openness
    const starved = clamp(s[S.gasInlet]! / needs, 0, 1)
    const open = s[S.gasValveVolts]! > 20 && passes > 0.5 && s[S.gasInlet]! > 0
    const share = (low + (high - low) * air) * starved
    const ratio = share > 0.01 ? airRatioFromCarbonDioxide(fuel, share) : Infinity
    const burns = open && s[S.fanSpeed]! > 700 && air > 0.1 && ratio > richest && ratio < leanest && !(lit[1]! >= floodsAfter && lit[0]! > 3)
    const before = s[S.flame]! > 0.5
    const now = burns && (before ? openness > burnsFrom : s[S.sparkOn]! > 0.5 && openness > lightsFrom)
    lit[0] = now ? lit[0]! + dt : 0
    if (now) lit[1]! += dt
    s[S.gasFlowing] = open ? 1 : 0
    s[S.flame] = now ? 1 : 0
    s[S.gasInput] = now ? fullInput * air * (share / rated) : 0
    sense(air)
    write(now ? share : 0, air)
  }
}
