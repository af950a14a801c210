import { expansion } from '../../../physics/index.ts'
import { signalIndex as S } from '../../../system/index.ts'
import { Cushion, exchange } from '../../cushion.ts'
import type { Part } from '../../plant.ts'

/** pressure at which a low-water switch lets go, and at which it makes again, bar. Common practice */
const letsGo = 0.5
const makesAgain = 1

/** Heating water: its expansion against the vessel, what leaks in and out, the relief valve, gauge, sensor and switch. */
export const pressure: Part = ({ s, dt, clock, system, value, optional }) => {
  const room = value('radiators.roomTemperature')
  const volume = value('system.volume')
  const cushion = new Cushion(value, value('water.pressure'), optional)
  const flows = exchange(value, optional)
  const rise = optional('pump.rise', 0.15) * Math.max(value('pump.head'), 0)
  // behind a clogged filter a sensor sees the pump’s pressure late and little
  const hidden = optional('pressureSensor.onReturn', 0) > 0.5 ? 1 : Math.min(optional('blockFilter.openness', 1), 1)
  const response = optional('pressureSensor.response', NaN)
  const sensor = !Number.isNaN(response)
  const offset = optional('pressureSensor.readsHigh', 0)
  const wired = optional('pressureSensor.lead', 1) > 0.5
  const switchHeard = optional('waterSwitchLead.continuity', 1) > 0.5
  const switchStuck = optional('waterSwitch.stuckMade', 0) > 0.5
  const follows = optional('gauge.follows', 1)
  const misreads = optional('gauge.readsHigh', 0)
  const switchWorks = optional('waterSwitch.works', 1)
  const { waterProof } = system.layout
  const calm = cushion.pressure
  const state = new Float64Array([0, 0, calm, 0]) // grown, pump before, sensed at pump start, seconds since last time
  s[S.pressure] = s[S.gauge] = calm
  if (sensor) s[S.sensedPressure] = wired ? calm : 0
  s[S.waterSwitch] = switchHeard && (switchStuck || calm > letsGo) ? 1 : 0
  return () => {
    const pumping = s[S.pumpVolts]! > 180 ? 1 : 0
    state[3]! += dt
    // slow, so once a recorded second, and at once when the pump starts or stops
    if (clock[2]! < 0.5 && pumping === state[1]!) return
    const seconds = state[3]!
    state[3] = 0
    if (pumping > state[1]!) state[2] = s[S.sensedPressure]!
    state[1] = pumping
    const grown = expansion(volume, room, s[S.radiatorTemperature]!) + expansion(3, room, Math.min(s[S.flowTemperature]!, 98))
    const comesIn = grown - state[0]! + (flows.gain(cushion.pressure, s[S.radiatorTemperature]!) * seconds) / 60
    const relief = (cushion.addAgainst(comesIn, (bar) => (flows.relief(bar) * seconds) / 60) * 60) / seconds
    state[0] = grown
    const felt = cushion.pressure + pumping * rise * 0.5
    s[S.pressure] = felt
    s[S.gauge] = Math.max(calm + (felt - calm) * follows + misreads, 0)
    if (sensor) {
      s[S.sensedPressure] = !wired ? 0 : calm + (cushion.pressure - calm + pumping * rise * hidden) * response + offset
      s[S.pressureRise] = pumping > 0 ? s[S.sensedPressure]! - state[2]! : 0
    }
    s[S.reliefFlow] = relief
    s[S.waterSwitch] = switchHeard && (switchStuck || (switchWorks > 0.5 && proved(s, waterProof, cushion.pressure, pumping * rise))) ? 1 : 0
  }
}

function proved(s: Float64Array, kind: string, bar: number, rise: number): boolean {
  if (kind === 'lowWaterSwitch') return bar > (s[S.waterSwitch]! > 0.5 ? letsGo : makesAgain)
  // three jobs at once: pump turning, water there, pressure shown
  if (kind === 'pumpProvingSwitch') return bar > 0.3 && rise > 0.15
  if (kind === 'flowSwitch') return s[S.waterFlow]! > 4
  return true
}
