import type { FirmSettings, NewCase, Stated, Stocked } from '@dewpoint/contract'
import { usualCosts } from '@dewpoint/core/diagnosis'
import { newEntry, type Entry, type EntryType, type Payload } from '@dewpoint/core/casebook'

/** A case of the demo with its journal. */
export interface DemoCase {
  open: NewCase
  entries: Entry[]
}

const engineer = 'Ines Quill'
const office = 'Bo Larkspur'
const minute = 60_000

/** What the invented firm has set. */
export const demoFirm: FirmSettings = { costs: usualCosts, timeZone: 'Europe/London', profile: { currency: 'EUR' }, revision: 0 }

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
export const demoExperience: { system: string; said: Stated }[] = [
  { system: 'premix-combi', said: { fault: 'turbineAdapter.leaking', inTen: 1, author: engineer } },
  { system: 'system-boiler', said: { fault: 'hotWaterValve.motorDead', inTen: 2, author: engineer } },
]

/**
 * The demo: Lantern Row Heating, a small invented firm in the invented harbour town of Merrowhaven, its
 * calls of today at different points, and proved cases of the last years.
 *
 * @param now the present, so that the cases are of today and the days before
 */
export function demoCases(now: Date): DemoCase[] {
  const writer = journalWriter()
  const day = now.getTime()
  return atTheirPlaces([
    build(
      writer,
      day - 25 * minute,
      site('Net Loft 3', 'Quay Lane, Merrowhaven', 'Pottery studio. Key with the sailmaker next door.', '0555 010 114'),
      'Combination 28, over the sink',
      '2017-09-14',
      [
        [0, office, 'said', { words: 'Tap runs hot, then cold, then hot again. Worse since the autumn.' }],
        [0, office, 'complaint', { what: 'hotColdHot', where: 'all', pattern: 'always', since: 'the autumn' }],
        [1, office, 'fact', { fact: 'age', value: 9 }],
        [9, engineer, 'reading', { check: 'ask.heating', outcome: 'fine' }],
        [14, engineer, 'reading', { check: 'display.sequenceHotWater', outcome: 'keepsBurning', situation: { demand: 'hotWater' } }],
        [18, engineer, 'reading', { check: 'display.dropOut', outcome: 'yes', situation: { demand: 'hotWater' } }],
      ],
    ),
    build(
      writer,
      day - 70 * minute,
      site('Merrowhaven Sailing School', 'The Slipway, Merrowhaven', 'Changing rooms, eleven showers a morning.', '0555 010 220'),
      'Combination 28, boiler cupboard',
      '2021-03-02',
      [
        [0, office, 'said', { words: 'No hot water in the showers since last night. It does light for a moment when you turn one on.' }],
        [0, office, 'complaint', { what: 'noHotWater', where: 'all', pattern: 'always', since: 'yesterday evening' }],
        [1, office, 'booking', { urgency: 'today', vulnerable: ['trade'], engineer, contact: 'the harbour office', phone: '0555 010 221' }],
        [2, office, 'reading', { check: 'ask.heating', outcome: 'fine' }],
        [
          30,
          engineer,
          'reading',
          { check: 'display.statusTapOpen', outcome: 'keepWarm', situation: { demand: 'hotWater' }, note: 'Fires a few seconds as the tap opens.' },
        ],
      ],
    ),
    build(
      writer,
      day - 26 * 60 * minute,
      site('Harbour Bakery', '2 Kiln Street, Merrowhaven', 'Starts at three in the morning; come after ten.', '0555 010 333'),
      'Combination 28, flour store',
      '2014-05-20',
      [
        [0, office, 'complaint', { what: 'locksOut', pattern: 'always', words: 'Whined for a week, now it stops with a code.' }],
        [3, office, 'fact', { fact: 'age', value: 12 }],
        [4, office, 'reading', { check: 'ask.whine', outcome: 'yes' }],
        [50, engineer, 'reading', { check: 'display.faultCode', outcome: 'fan' }],
        [52, engineer, 'reading', { check: 'listen.fanHum', outcome: 'yes', situation: { demand: 'hotWater' } }],
        [58, engineer, 'reading', { check: 'measure.fanSupply', value: 231, unit: 'V', situation: { demand: 'hotWater' } }],
        [60, engineer, 'reading', { check: 'look.fanTurns', outcome: 'no', situation: { demand: 'hotWater' } }],
        [64, engineer, 'decision', { kind: 'condemned', part: 'fan', fault: 'fan.seized', reason: 'Supplied and standing still.' }],
        [
          118,
          engineer,
          'repair',
          {
            remedy: 'fan.replace',
            result: 'worked',
            minutes: 54,
            parts: [
              { name: 'fan', quantity: 1 },
              { name: 'fan seal', quantity: 1 },
              { name: 'burner door seal', quantity: 1 },
            ],
          },
        ],
        [125, engineer, 'reading', { check: 'display.sequenceHotWater', outcome: 'complete', situation: { demand: 'hotWater' } }],
        [132, engineer, 'reading', { check: 'display.sequenceHeating', outcome: 'complete', situation: { demand: 'heating' } }],
        [133, engineer, 'reading', { check: 'ask.locksOut', outcome: 'no' }],
        [138, engineer, 'reading', { check: 'measure.carbonMonoxide', value: 74, unit: 'ppm', situation: { demand: 'hotWater' } }],
        [139, engineer, 'reading', { check: 'measure.carbonDioxideHigh', value: 9, unit: '%', situation: { demand: 'hotWater' } }],
        [141, engineer, 'reading', { check: 'measure.carbonDioxideLow', value: 8.8, unit: '%', situation: { demand: 'hotWater' } }],
        [143, engineer, 'reading', { check: 'measure.airInlet', value: 0, unit: '%', situation: { demand: 'hotWater' } }],
        [144, engineer, 'reading', { check: 'close.flue', outcome: 'right' }],
        [146, engineer, 'reading', { check: 'close.case', outcome: 'right' }],
        [148, engineer, 'reading', { check: 'close.shown', outcome: 'right' }],
        [149, engineer, 'advice', { what: 'Have the flour dust kept from the air inlet.', answer: 'given' }],
        [
          150,
          engineer,
          'advice',
          { what: 'A fan is seldom the only thing that wears at twelve years: have the seals looked at each year.', answer: 'declined' },
        ],
        [151, engineer, 'decision', { kind: 'closed', reason: 'Both demands run through.' }],
      ],
    ),
    build(
      writer,
      day - 6 * minute,
      site('7 Cockle Row', 'Cockle Row, Merrowhaven', 'Rings twice. Dog is friendly.', '0555 010 407'),
      'Combination 28, kitchen',
      '2019-11-08',
      [
        [
          0,
          office,
          'complaint',
          { what: 'noHeating', where: 'all', pattern: 'always', setTemperature: { value: 21, unit: '°C' }, actualTemperature: { value: 16, unit: '°C' } },
        ],
      ],
    ),
    build(
      writer,
      day - 12 * minute,
      site('Quay Studios, number 2', 'Tar Lane, Merrowhaven', 'Four studios in the old net loft. Boiler behind the stairs.'),
      'Zoned boiler, 24 V valves',
      '2015-10-02',
      [
        [0, office, 'complaint', { what: 'oneZoneCold', where: 'oneZone', pattern: 'always', words: 'Number 1 is warm, we are freezing.' }],
        [30, engineer, 'reading', { check: 'measure.transformer', value: 25.8, unit: 'V', situation: { demand: 'none' } }],
        [33, engineer, 'reading', { check: 'measure.heatingValveMotor', value: 25.6, unit: 'V', situation: { demand: 'heating' } }],
      ],
      'zone-24v',
      'zones-24v',
    ),
    build(
      writer,
      day - 48 * minute,
      site('Harbour Master’s House', 'The Mole, Merrowhaven', 'Cylinder in the airing cupboard, first floor.'),
      'System boiler 24, scullery',
      '2018-03-15',
      [
        [0, office, 'complaint', { what: 'noStoredHotWater', where: 'all', pattern: 'always', since: 'yesterday' }],
        [1, office, 'reading', { check: 'ask.heating', outcome: 'fine' }],
        [41, engineer, 'reading', { check: 'measure.hotWaterValveMotor', value: 229, unit: 'V', situation: { demand: 'hotWater' } }],
        [43, engineer, 'reading', { check: 'measure.permanentLive', value: 231, unit: 'V', situation: { demand: 'none' } }],
      ],
      'system-boiler',
      'two-valves-high-limit',
    ),
    build(
      writer,
      day - 95 * minute,
      site('Lighthouse Cottage', 'Point Road, Merrowhaven', 'Old heat-only boiler, rewired by the last owner.'),
      'Heat-only boiler 22, outhouse',
      '2006-11-01',
      [
        [0, office, 'complaint', { what: 'pumpRunsUnasked', pattern: 'always', words: 'Something hums day and night, thermostat down or not.' }],
        [
          48,
          engineer,
          'reading',
          { check: 'probe.volts', value: 0, unit: 'V', place: 'boiler.demand|supply.N', instrument: 'tester', situation: { demand: 'none' } },
        ],
      ],
      'regular-pilot',
      'gravity-pumped',
    ),
    build(
      writer,
      day - 75 * minute,
      site('Smokehouse Cottage', 'Kiln Street, Merrowhaven', 'No gas in this street.'),
      'Electric flow boiler, cupboard under the stairs',
      '2020-06-30',
      [[0, office, 'complaint', { what: 'lukewarmStored', where: 'all', pattern: 'always', words: 'Bath only half warm, takes all night.' }]],
      'electric-flow',
    ),
    build(
      writer,
      day - 3 * 60 * minute,
      site('Lifeboat Cottage', 'Point Road, Merrowhaven', 'Holiday let, two floors, eleven radiators.', '0555 010 518'),
      'Combination 28, landing',
      '2016-02-11',
      [
        [0, office, 'complaint', { what: 'dripsOutside', pattern: 'sometimes', words: 'Drips when the heating is on. Gauge low every morning.' }],
        [1, office, 'complaint', { what: 'topUps', pattern: 'always' }],
        [40, engineer, 'fact', { fact: 'systemVolume', value: 105, unit: 'l' }],
        [44, engineer, 'reading', { check: 'look.gaugeCold', value: 0.9, unit: 'bar' }],
        [63, engineer, 'reading', { check: 'look.gaugeHot', value: 2.9, unit: 'bar', situation: { demand: 'heating' } }],
      ],
    ),
    build(
      writer,
      day - 55 * minute,
      site('Sail Loft Café', '9 Quay Lane, Merrowhaven', 'Open from eight. Boiler behind the counter, mind the step.'),
      'Combination 28, behind the counter',
      '2015-04-20',
      [
        [0, office, 'complaint', { what: 'displayDark', where: 'all', pattern: 'always', words: 'Dead since this morning. There was a puddle under it.' }],
        [1, office, 'complaint', { what: 'boilerDrips', pattern: 'sometimes' }],
        [2, office, 'fact', { fact: 'age', value: 11 }],
        [3, office, 'fact', { fact: 'cartridgePlace', value: 'front' }],
        [34, engineer, 'action', { action: 'powerOff' }],
        [38, engineer, 'finding', { what: 'water runs from the spindle', fault: 'diverter.spindleLeaking', explainsComplaint: true }],
        [41, engineer, 'finding', { what: 'the motor rattles with water', fault: 'diverterMotor.wet', explainsComplaint: true }],
        [46, engineer, 'finding', { what: 'open', fault: 'board.fuseBlown', explainsComplaint: true }],
      ],
    ),
    ...pastCases(writer, day),
  ])
}

/** Cases of one place are of one boiler, as the first of them has it. */
function atTheirPlaces(all: DemoCase[]): DemoCase[] {
  const known = new Map<string, DemoCase['open']>()
  return all.map(({ open, entries }) => {
    const first = known.get(open.site.name) ?? open
    known.set(open.site.name, first)
    return { open: { ...open, site: first.site, appliance: first.appliance }, entries }
  })
}

/** Proved cases of the last years: what the firm knows of its own, and what 7 Cockle Row has had before. */
const proved: [daysAgo: number, place: string, complaint: string, part: string, fault: string, remedy: string, name: string][] = [
  [41, '7 Cockle Row', 'topUps', 'vessel', 'vessel.lostCharge', 'vessel.recharge', 'vessel cap'],
  [203, '7 Cockle Row', 'topUps', 'vessel', 'vessel.lostCharge', 'vessel.recharge', 'vessel cap'],
  [64, 'Tide House', 'noHotWater', 'turbine', 'turbine.stuck', 'turbine.insert', 'turbine insert'],
  [88, 'Chandler’s Yard', 'locksOut', 'fan', 'fan.seized', 'fan.replace', 'fan'],
  [120, 'Tide House', 'hotColdHot', 'plate', 'plate.heatingSideBlocked', 'plate.clean', 'plate seals'],
  [151, 'Old Customs House', 'noHotWater', 'turbine', 'turbine.stuck', 'turbine.insert', 'turbine insert'],
  [177, 'Ferry Steps 4', 'hotColdHot', 'plate', 'plate.heatingSideBlocked', 'plate.clean', 'plate seals'],
  [260, 'Chandler’s Yard', 'hotColdHot', 'plate', 'plate.heatingSideBlocked', 'plate.clean', 'plate seals'],
]

function pastCases(writer: ReturnType<typeof journalWriter>, now: number): DemoCase[] {
  return proved.map(([daysAgo, place, complaint, part, fault, remedy, name]) => {
    const at = now - daysAgo * 24 * 60 * minute
    return build(writer, at, site(place, 'Merrowhaven', ''), 'Combination 28', '2018-05-01', [
      [0, office, 'complaint', { what: complaint, pattern: 'always' }],
      [48, engineer, 'decision', { kind: 'condemned', part, fault, reason: 'Most likely by a wide margin.' }],
      [95, engineer, 'repair', { remedy, faults: [fault], result: 'worked', parts: [{ name, quantity: 1 }] }],
      [110, engineer, 'decision', { kind: 'closed', reason: 'Both demands run through.' }],
    ])
  })
}

type Line = { [T in EntryType]: [minutes: number, author: string, type: T, payload: Payload<T>] }[EntryType]

function site(name: string, address: string, note: string, phone = '') {
  return { name, address, note, phone }
}

function build(
  writer: ReturnType<typeof journalWriter>,
  at: number,
  place: ReturnType<typeof site>,
  label: string,
  installedOn: string,
  lines: Line[],
  system = 'premix-combi',
  controls = 'direct',
): DemoCase {
  return {
    open: {
      id: writer.id(at),
      openedAt: new Date(at).toISOString(),
      site: { id: writer.id(at), ...place },
      appliance: { id: writer.id(at), system, label, installedOn },
      controls,
      settings: {},
    },
    entries: lines.reduce<Entry[]>((seen, [minutes, author, type, payload]) => {
      const now = at + minutes * minute
      return [...seen, newEntry(type, payload, { id: writer.id(now), now, author, seen })]
    }, []),
  }
}

/** UUIDs of version 7 from a time and a counter: the same demo gets the same ids. */
function journalWriter() {
  let count = 0
  return {
    id(time: number): string {
      const stamp = Math.floor(time).toString(16).padStart(12, '0')
      const number = (++count).toString(16).padStart(12, '0')
      return `${stamp.slice(0, 8)}-${stamp.slice(8)}-7000-8000-${number}`
    },
  }
}
