import { circulation, conductance, resistanceFor } from '../../../physics/index.ts'
import { signalIndex as S } from '../../../system/index.ts'
import { clamp, type Part } from '../../plant.ts'

/** pressure lost in the main exchanger at the rated heating flow, bar. Chosen for this model */
const acrossExchanger = 0.12
/** gravity flow through a cylinder's own pair of pipes at one kelvin, l/min. From memory, one-inch pipes */
const gravityFlow = 1.2

/**
 * Where the pump's water goes: two ways in parallel, heating and hot water, behind the main exchanger. Each way's resistance follows
 * from the flow it passes in a healthy system; valves, filters and sludge add to it.
 */
export const ways: Part = (plant) => {
  const { s, dt, board, system, value, optional } = plant
  const { ways: kind } = system.layout
  const head = Math.max(value('pump.head'), 0) * (1 - 0.8 * optional('water.air', 0))
  const curve = { shutOff: value('pump.shutOff'), fall: value('pump.shutOff') / value('pump.freeFlow') ** 2 }
  const driven = { shutOff: curve.shutOff * head, fall: curve.fall }
  const heatingRated = optional('radiators.ratedFlow', 0)
  const otherRated = optional('plate.primaryFlow', 0) || optional('cylinder.coilFlow', 0) || optional('zone2.ratedFlow', 0)
  const main = resistanceFor(acrossExchanger, heatingRated || otherRated)
  /** what is left of the pump's pressure for a way at its rated flow */
  const way = (flow: number) => (flow > 0 ? resistanceFor(Math.max(curve.shutOff - curve.fall * flow * flow - main * flow * flow, 1e-3), flow) : Infinity)
  // on a boiler that makes hot water itself the system’s filter stands in the heating return, outside it
  const filter = optional('systemFilter.openness', 1)
  const outside = kind === 'diverter' || kind === 'direct'
  const heatingWay = way(heatingRated) / (outside ? filter * filter : 1)
  const otherWay = way(otherRated) / optional('blockFilter.openness', 1) ** 2
  const heatingOpen = optional('radiators.openness', 1) * optional('radiators.waterways', 1)
  const otherOpen = optional('cylinder.coilOpenness', 1) * optional('zone2.openness', 1)
  const waterway = main / (value('exchanger.waterway') * (outside ? 1 : filter)) ** 2
  const passing = optional('diverter.passing', 0)
  const travel = kind === 'diverter' ? (dt / value('diverter.travelTime')) * value('diverter.freedom') * value('diverter.motor') : 0
  const stays = optional('diverter.returns', 1) < 0.5
  /** a worn valve lets this share through while shut; one body for both ways passes to either */
  const passed = (part: string) => optional(`${part}.passing`, 0) || optional('midValve.passing', 0)
  const past = { heating: passed('heatingValve'), hotWater: passed('hotWaterValve'), zone2: passed('zone2Valve') }
  // past a valve that should stop it, hot water rises to the radiators with the pump standing
  const creep = optional('cylinder.creep', 0) * gravityFlow
  if (kind === 'diverter') s[S.diverterPosition] = value('diverter.start')

  return () => {
    const pumping = s[S.pumpVolts]! > 180
    let a = 1
    let b = 0
    if (kind === 'diverter') {
      if (pumping) {
        const toTap = s[S.diverterVolts]! > 15
        const toHeating = board.outputs.diverter === 'heating' && !stays
        s[S.diverterPosition] = clamp(s[S.diverterPosition]! + (toTap ? travel : toHeating ? -travel : 0), 0, 1)
      }
      b = s[S.diverterPosition]! * (1 - passing) + (1 - s[S.diverterPosition]!) * passing
      a = 1 - b
    } else if (kind === 'twoPort') {
      a = Math.max(s[S.heatingValve]!, past.heating)
      b = Math.max(s[S.hotWaterValve]!, past.hotWater)
    } else if (kind === 'zones') {
      a = Math.max(s[S.heatingValve]!, past.heating)
      b = Math.max(s[S.zone2Valve]!, past.zone2)
    } else if (kind === 'single') {
      a = 0
      b = Math.max(s[S.hotWaterValve]!, past.hotWater)
    }
    const toHeating = heatingRated > 0 ? conductance(heatingWay, a * heatingOpen) : 0
    const toOther = otherRated > 0 && kind !== 'gravity' ? conductance(otherWay, b * otherOpen) : 0
    const both = toHeating + toOther
    const flow = pumping && both > 0 ? circulation(driven, waterway + 1 / (both * both)) : 0
    const rising =
      kind === 'gravity'
        ? Math.max(s[S.hotWaterValve]!, past.hotWater) * gravityFlow * Math.sqrt(Math.max(s[S.flowTemperature]! - s[S.cylinderTemperature]!, 0)) * otherOpen
        : 0
    const creeping = kind === 'gravity' ? creep * Math.sqrt(Math.max(s[S.flowTemperature]! - s[S.radiatorTemperature]!, 0)) : 0
    s[S.waterFlow] = flow + rising + creeping
    s[S.plateFlow] = (both > 0 ? (flow * toOther) / both : 0) + rising
  }
}
