import type { ControlScheme } from '@dewpoint/core/system'
import { combiMains, combiVoltFree } from './combi.ts'
import { gravityPumped } from './gravityPumped.ts'
import { midPosition } from './midPosition.ts'
import { storeElectric, storeElectricPlain } from './storeElectric.ts'
import { twoValves, twoValvesHighLimit } from './twoValves.ts'
import { fourZones, zones } from './zones.ts'

export { zones }

/** Every control scheme, and the systems it is met on: the usual one of a system first. */
export const schemes: { scheme: ControlScheme; systems: string[] }[] = [
  { scheme: combiVoltFree, systems: ['premix-combi', 'coil-combi'] },
  { scheme: combiMains, systems: ['atmos-combi', 'premix-combi', 'coil-combi'] },
  { scheme: twoValvesHighLimit, systems: ['system-boiler'] },
  { scheme: twoValves, systems: ['system-boiler'] },
  { scheme: midPosition, systems: ['system-boiler'] },
  { scheme: gravityPumped, systems: ['regular-pilot'] },
  { scheme: fourZones, systems: ['zone-24v'] },
  { scheme: storeElectric, systems: ['electric-flow'] },
  { scheme: storeElectricPlain, systems: ['electric-flow'] },
]
