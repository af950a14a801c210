import { build, type DemoCase, minute, site, type Writer } from '../writing.ts'
import { pastStories } from './stories.ts'

/** Houses the firm knows, with their boilers. */
const houses = {
  cockle: ['7 Cockle Row', 'Cockle Row, Merrowhaven', 'Combination 28, kitchen', '2019-11-08'],
  tide: ['Tide House', '1 Ropewalk, Merrowhaven', 'Combination 28, utility room', '2013-10-01'],
  chandler: ['Chandler’s Yard', 'The Slipway, Merrowhaven', 'Combination 28, sail store', '2012-04-12'],
  customs: ['Old Customs House', 'Quay Lane, Merrowhaven', 'Combination 28, attic', '2016-06-20'],
  ferry: ['Ferry Steps 4', 'Ferry Steps, Merrowhaven', 'Combination 28, bathroom', '2015-01-15'],
  ropewalk: ['Ropewalk 9', 'Ropewalk, Merrowhaven', 'Combination 28, hall cupboard', '2018-08-08'],
  kelp: ['Kelp Cottage', 'Point Road, Merrowhaven', 'Combination 28, kitchen', '2014-02-03'],
  netmaker: ['Netmaker’s Arms', '3 Kiln Street, Merrowhaven', 'Combination 28, cellar', '2017-12-01'],
  herring: ['Herring Court 2', 'Herring Court, Merrowhaven', 'Combination 28, landing', '2020-09-17'],
  harbour: ['Harbour Master’s House', 'The Mole, Merrowhaven', 'System boiler 24, scullery', '2018-03-15', 'system-boiler', 'two-valves-high-limit'],
  pilot: ['Pilot’s Rest', 'The Mole, Merrowhaven', 'System boiler 24, loft', '2016-10-10', 'system-boiler', 'two-valves'],
  studios: ['Quay Studios, number 2', 'Tar Lane, Merrowhaven', 'Zoned boiler, 24 V valves', '2015-10-02', 'zone-24v', 'zones-24v'],
  smoke: ['Kippering Shed', 'Tar Lane, Merrowhaven', 'Fanned combination 24', '2008-05-05', 'atmos-combi', 'direct'],
} as const satisfies Record<string, readonly [name: string, address: string, label: string, installedOn: string, system?: string, controls?: string]>

/** Closed calls of two years, the latest first; p: with pictures, d: the advice was declined, f: the gauge fell again since. */
const calls: [daysAgo: number, house: keyof typeof houses, story: keyof typeof pastStories, marks?: string][] = [
  [9, 'herring', 'condensateFrozen', 'd'],
  [16, 'netmaker', 'fanSeized', 'p'],
  [27, 'tide', 'plateBlocked', 'pd'],
  [41, 'cockle', 'vesselRecharged', 'pdf'],
  [52, 'pilot', 'valveHeadDead'],
  [64, 'tide', 'turbineStuck'],
  [75, 'ropewalk', 'statBatteries'],
  [88, 'chandler', 'electrodeWorn'],
  [96, 'ferry', 'flueApart', 'p'],
  [107, 'customs', 'sensorFouled', 'd'],
  [120, 'smoke', 'airSwitchWet'],
  [133, 'kelp', 'reliefPassing', 'p'],
  [151, 'customs', 'turbineStuck', 'd'],
  [162, 'harbour', 'valveHeadDead'],
  [177, 'ferry', 'plateBlocked', 'd'],
  [190, 'netmaker', 'cartridgeStuck'],
  [203, 'cockle', 'vesselRecharged', 'd'],
  [219, 'kelp', 'exchangerLeaks', 'd'],
  [231, 'studios', 'zoneFuse'],
  [248, 'ropewalk', 'turbineStuck'],
  [260, 'chandler', 'plateBlocked', 'd'],
  [277, 'herring', 'motorWetted', 'p'],
  [291, 'pilot', 'statBatteries'],
  [305, 'customs', 'plateBlocked', 'p'],
  [322, 'ferry', 'condensateFrozen'],
  [334, 'tide', 'condensateFrozen', 'd'],
  [347, 'netmaker', 'gasPressureLow'],
  [362, 'kelp', 'vesselRecharged'],
  [380, 'smoke', 'airSwitchWet'],
  [401, 'chandler', 'fanSeized'],
  [428, 'ropewalk', 'electrodeWorn'],
  [455, 'harbour', 'statBatteries'],
  [476, 'customs', 'turbineStuck', 'd'],
  [503, 'ferry', 'cartridgeStuck'],
  [539, 'tide', 'sensorFouled', 'd'],
  [574, 'cockle', 'statBatteries'],
  [611, 'chandler', 'vesselRenewed', 'p'],
  [655, 'netmaker', 'turbineStuck'],
  [688, 'kelp', 'condensateFrozen'],
  [721, 'studios', 'zoneFuse'],
]

const day = 24 * 60 * minute

/** What the firm has closed in two years: faults that come back to the same houses, pictures, advice that was taken or not. */
export function pastCases(writer: Writer, now: number): DemoCase[] {
  return calls.map(([daysAgo, house, story, marks = ''], index) => {
    // rung about in the morning, one hour or another
    const at = Math.floor((now - daysAgo * day) / day) * day + (8 * 60 + ((index * 37) % 300)) * minute
    const [name, address, label, installedOn, system, controls] = houses[house] as readonly [string, string, string, string, string?, string?]
    const onDay = (days: number) => new Date(at + days * day).toISOString().slice(0, 10)
    const lines = pastStories[story]({
      on: (days) => onDay(-days),
      after: onDay,
      declined: marks.includes('d'),
      pictured: marks.includes('p'),
      falls: marks.includes('f'),
    })
    return build(writer, at, site(name, address, ''), label, installedOn, lines, system, controls)
  })
}
