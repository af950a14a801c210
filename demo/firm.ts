import type { FirmSettings, Stated, Stocked } from '@dewpoint/contract'
import { usualCosts } from '@dewpoint/core/diagnosis'
import { byName, type Person } from '@dewpoint/core/casebook'
import { engineer } from './writing.ts'

/** What the invented firm has set. */
export const demoFirm: FirmSettings = {
  costs: usualCosts,
  timeZone: 'Europe/London',
  profile: {
    currency: 'EUR',
    name: 'Lantern Row Heating',
    address: '11 Lantern Row, Merrowhaven',
    phone: '0555 010 900',
    emergency: '0555 010 999',
    units: 'metric',
    ways: [],
  },
  revision: 0,
}

/** What it has on the van and in the store, and what it pays where that is not what is assumed. */
export const demoStock: Stocked[] = [
  ['fan', 184, 1, 1],
  ['fan seal', null, 4, 10],
  ['burner door seal', null, 3, 6],
  ['spark electrode', null, 1, 2],
  ['sensing electrode', null, 1, 2],
  ['turbine insert', null, 1, 3],
  ['flow thermistor', null, 2, 4],
  ['hot-water thermistor', null, 2, 4],
  ['diverter cartridge', null, 1, 2],
  ['diverter motor', null, 0, 1],
  ['cartridge seals', null, 2, 4],
  ['plate heat exchanger', 118.5, 0, 1],
  ['plate seals', null, 4, 8],
  ['block filter', null, 2, 4],
  ['pressure sensor', null, 1, 2],
  ['vessel cap', null, 8, 20],
  ['valve core', null, 10, 20],
  ['automatic air vent', null, 1, 2],
  ['relief valve', null, 1, 2],
  ['control board', 212, 0, 0],
  ['valve head', null, 2, 2],
  ['cleaner', null, 2, 6],
  ['inhibitor', null, 4, 12],
  ['fittings', null, 10, 30],
  ['clip', null, 10, 20],
  ['lead', null, 2, 4],
  ['pump', 168, 0, 1],
].map(([part, price, van, store]) => ({ part, price, van, store, revision: 0 }) as Stocked)

/** What its engineers say from their own experience, by kind of boiler. */
export const demoExperience: { system: string; by: Person; said: Stated }[] = [
  { system: 'premix-combi', by: byName(engineer), said: { fault: 'turbineAdapter.leaking', inTen: 1 } },
  { system: 'system-boiler', by: byName(engineer), said: { fault: 'hotWaterValve.motorDead', inTen: 2 } },
]
