import { signalIndex as S } from '../../../system/index.ts'
import type { Part } from '../../plant.ts'
import { efficiency } from '../fire/products.ts'

/** heat the casing loses, W/K. Chosen for this model */
const casing = 4
/** above this it boils: steam carries heat away. °C, W/K */
const boils = 106
const steam = 3000

/** The main exchanger with its water as one well-mixed node: what the burner gives, the circuits take. */
export const exchanger: Part = (plant) => {
  const { s, dt, drawn, script, system, value } = plant
  const room = value('radiators.roomTemperature')
  const mass = value('exchanger.heatCapacity')
  const share = efficiency(plant)
  const electric = system.layout.burner === 'electric'
  s[S.flowTemperature] = s[S.returnTemperature] = script.standsAt ?? (script.cold ? room : 40)
  return () => {
    const flow = s[S.flowTemperature]!
    const back = drawn[1]! > 0 ? drawn[2]! / drawn[1]! : flow
    s[S.returnTemperature] = back
    if (!electric) s[S.burnerPower] = s[S.gasInput]! * share(back)
    const lost = casing * (flow - room) + (flow > boils ? steam * (flow - boils) : 0)
    s[S.flowTemperature] = flow + ((s[S.burnerPower]! * 1000 - drawn[0]! - lost) * dt) / mass
    s[S.boilerRise] = s[S.flowTemperature]! - back
    drawn.fill(0)
  }
}
