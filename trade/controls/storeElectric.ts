import { use } from '../systems/parts/define.ts'
import { cylinderStat, programmer as timer } from './build.ts'
import { twoPortValves } from './twoValves.ts'

const says = (limit: string) => `Timer to thermostat to valve motor${limit}; either end switch lights the boiler’s call lamp.`
const onStore = {
  boiler: 'Flow boiler',
  clock: 'Timer' as const,
  stored: { thermostat: 'Store thermostat', valve: 'Store valve', from: 'store', cable: 'valve' },
  parts: { clock: use(timer, {}, { label: 'Timer' }), stat: use(cylinderStat, { setting: 62 }, { label: 'Store thermostat' }) },
}

/** Radiators and a thermal store on an electric flow boiler. */
export const storeElectric = twoPortValves({
  ...onStore,
  id: 'store-electric',
  label: 'Radiators and thermal store, store with high limit',
  says: says(', the store’s through its high limit'),
  limited: true,
})
export const storeElectricPlain = twoPortValves({
  ...onStore,
  id: 'store-electric-plain',
  label: 'Radiators and thermal store, no high limit',
  says: says(''),
  limited: { warning: 'No high limit in this feed: the thermostat alone stops the store. Note it.' },
})
