import { signalIndex as S } from '../../../system/index.ts'
import { clamp, type Plant } from '../../plant.ts'

/** share of its range a second by which a board turns the burner down near the limit: water that warms quicker than that still trips it. Chosen for this model */
const turnsDown = 0.05

/**
 * How hard the board asks the burner to work, 0 to 1, in velocity form and slowed as a real board is. Hot water made on the spot
 * is steered by its own thermistor, everything else by the flow's.
 *
 * @param lighting share asked for while lighting
 */
export function firing({ s, dt, board, script, system, value, optional }: Plant, lighting: number): () => number {
  const onTheSpot = system.layout.hotWater === 'plate' || system.layout.hotWater === 'coil'
  const setFlow = value('board.flowSet')
  const setTap = optional('board.hotWaterSet', 46)
  // hot water made on the spot stands near the limit: a board turns the burner down before it must put it out
  const limit = optional('board.highLimit', Infinity)
  const band = optional('board.throttleBand', 0)
  const least = optional('board.throttleTo', 0)
  const state = new Float64Array([lighting, 0])
  return () => {
    const byTap = onTheSpot && board.demand === 'hotWater'
    const error = (byTap ? setTap - s[S.hotWaterSensor]! : setFlow - s[S.flowSensor]!) / 40
    const { rate } = board.outputs
    if (rate === 'modulate' && script.holds) state[0] = script.holds === 'highest' ? 1 : 0
    else if (rate === 'modulate') {
      const before = state[0]!
      state[0] = clamp(state[0]! + clamp(0.06 * error * dt + 0.9 * (error - state[1]!), -0.1 * dt, 0.03 * dt), 0, 1)
      if (byTap && band > 0) state[0] = Math.max(Math.min(state[0], Math.max((limit - s[S.flowSensor]!) / band, least)), before - turnsDown * dt)
    } else state[0] = rate === 'full' ? 1 : rate === 'lowest' ? 0 : lighting
    state[1] = error
    return state[0]!
  }
}
