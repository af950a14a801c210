import { signalIndex as S, type Across, type ControlScheme, type SignalName } from '../../../system/index.ts'
import { calls, wire, type Asked } from '../../../wiring/index.ts'
import type { Plant } from '../../plant.ts'
import { storeCalls } from './storeCalls.ts'

/**
 * What asks the boiler to run, as it is wired: contacts follow programmer and thermostats, valves follow their volts, and what reaches
 * the boiler's terminals is solved for. Where one terminal serves both calls it counts for the water whose valve stands open.
 */
export function wired(plant: Plant, scheme: ControlScheme): () => void {
  const { s, clock, script, board, dt, value, optional } = plant
  const wiring = wire(scheme, value, (key, otherwise) => (script.bridged && key === 'roomStat.stuckClosed' ? 1 : optional(key, otherwise)))
  const { volts, positions } = scheme
  const measured = (Object.entries(volts) as [SignalName, Across][]).map(([signal, [over, under]]) => ({
    column: S[signal],
    over: wiring.net.node(over),
    under: wiring.net.node(under),
  }))
  const valves = (Object.entries(positions) as [SignalName, NonNullable<(typeof positions)['heatingValve']>][]).map(([signal, { device, way }]) => ({
    column: S[signal],
    device,
    // outlets exchanged: each opens to the other's pipes
    way: way !== 'only' && optional(`${device}.portsSwapped`, 0) > 0.5 ? (way === 'heating' ? 'hotWater' : 'heating') : way,
  }))
  const heard = optional('board.heatInput', 1)
  const store = plant.system.layout.hotWater === 'cylinder' || plant.system.layout.hotWater === 'store' ? storeCalls(plant) : () => false
  const room = calls('heating', optional, 0)
  const second = calls('zone2', optional, 0)
  const shared = volts.hotWaterCallVolts !== undefined && volts.heatCallVolts?.[0] === volts.hotWaterCallVolts[0]
  const storeSet = optional('cylinderStat.turnedUp', 1) > 0.5
  const stored = positions.hotWaterValve
  const cold: NonNullable<Asked['cold']> = { heating: false, hotWater: false, zone2: false }
  const asked: Asked = { programmed: script.programmed ?? { heating: true, hotWater: true }, cold, pumping: false }
  s[S.hotWaterSelected] = optional('board.hotWaterOn', 1)
  let heatCall = 0
  const measure = () => {
    for (let index = 0; index < measured.length; index++) {
      const { column, over, under } = measured[index]!
      s[column] = Math.abs(wiring.volts(over, under))
    }
    for (let index = 0; index < valves.length; index++) {
      const { column, device, way } = valves[index]!
      s[column] = wiring.open(device, way)
    }
    heatCall = s[S.heatCallVolts]!
    if (!shared || !stored) return
    const heats = stored.way === 'only' ? wiring.position(stored.device) > 0.8 : wiring.open(stored.device, 'hotWater') > 0.8
    if (!heats) s[S.hotWaterCallVolts] = 0
  }
  return () => {
    const asks = clock[1]! > 0.5
    cold.heating = asks && script.heating && room
    cold.zone2 = asks && script.zone2 === true && second
    cold.hotWater = store() && asks && storeSet
    asked.pumping = board.outputs.pump
    if (wiring.step(asked, dt)) measure()
    s[S.heatCallVolts] = (script.linked && asks ? s[S.supplyVolts]! : heatCall) * heard
  }
}
