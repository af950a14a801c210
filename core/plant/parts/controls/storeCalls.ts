import { signalIndex as S } from '../../../system/index.ts'
import type { Plant } from '../../plant.ts'

/** The cylinder's thermostat closes below its setting and opens a few kelvins above, as it feels the water. */
export function storeCalls({ s, script, value, optional }: Plant): () => boolean {
  const setting = value('cylinderStat.setting')
  const off = optional('cylinderStat.readsHigh', 0)
  const state = new Float64Array([1])
  return () => {
    const felt = s[S.cylinderTemperature]! + off
    if (felt > setting + 1) state[0] = 0
    else if (felt < setting - 4) state[0] = 1
    return script.stored === true && state[0]! > 0.5
  }
}
