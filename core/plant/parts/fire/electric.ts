import { signalIndex as S } from '../../../system/index.ts'
import type { Part } from '../../plant.ts'
import { firing } from './firing.ts'
import { overheat } from './flame.ts'

/** Elements stage in one after another behind a contactor, as many as the board asks for and are whole. */
export const elements: Part = (plant) => {
  const { s, value, optional } = plant
  const wanted = firing(plant, 0)
  const trip = overheat(plant)
  const count = value('elements.count')
  // an element is whole or it is not, a stage switches or it does not
  const whole = Math.round(value('elements.whole'))
  const each = value('burner.power') / count
  const contactor = value('contactor.closes')
  // welded contacts heat whatever is called, as long as their own circuit is fed and the overheat device, which cuts that circuit, is made
  const welded = optional('contactor.welded', 0) > 0.5
  const fed = optional('power.live', 1) * optional('power.terminals', 1) > 0.5
  const stages = Math.round(optional('board.stages', count))
  return () => {
    const ask = wanted()
    trip()
    const live = fed && s[S.overheatOpen]! < 0.5 && (welded || (s[S.elementVolts]! > 180 && contactor > 0.5))
    const asked = welded ? count : Math.ceil(ask * count - 1e-9)
    const on = live ? Math.max(Math.min(asked, whole, stages), 0) : 0
    s[S.flame] = on > 0 ? 1 : 0
    s[S.burnerPower] = on * each
    s[S.elementCurrent] = (on * each * 1000) / 230
  }
}
