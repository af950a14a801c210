import type { Payload } from '@dewpoint/core/casebook'
import { engineer, type Line, office, photo } from '../writing.ts'

/** What is known of a past call when its journal is written. */
export interface Told {
  /** a day so many before the call, as the calendar has it */
  on: (daysBefore: number) => string
  /** a day so many after it */
  after: (days: number) => string
  /** what the customer said to the advice at the end */
  declined: boolean
  /** with pictures */
  pictured: boolean
  /** the customer went on reading the gauge, and it fell again */
  falls: boolean
}
type Said = Omit<Payload<'reading'>, 'check'>

const hot = { demand: 'hotWater' } as const
const heat = { demand: 'heating' } as const
const off = { demand: 'none', powerOff: true } as const
const drained = { demand: 'none', drained: true } as const

const read = (at: number, check: string, said: Said): Line => [at, engineer, 'reading', { check, ...said }]
const figure = (at: number, check: string, value: number, unit: string, situation: Said['situation'] = { demand: 'none' }) =>
  read(at, check, { value, unit, situation })
const right = (at: number, ...items: string[]): Line[] => items.map((check) => [at, engineer, 'reading', { check, outcome: 'right' }])
const condemned = (at: number, part: string, fault: string, reason: string): Line => [at, engineer, 'decision', { kind: 'condemned', part, fault, reason }]
const mended = (at: number, remedy: string, fault: string, minutes: number, ...parts: string[]): Line => [
  at,
  engineer,
  'repair',
  { remedy, faults: [fault], result: 'worked', minutes, parts: parts.map((name) => ({ name, quantity: 1, ...(prices[name] && { price: prices[name] }) })) },
]
/** what was charged for parts; made up */
const prices: Record<string, number> = {
  '2 A fuse': 2,
  batteries: 3,
  clip: 4,
  'cartridge seals': 9,
  cleaner: 19,
  'diverter cartridge': 64,
  'expansion vessel': 96,
  fan: 184,
  'burner door seal': 14,
  'fan seal': 8,
  inhibitor: 17,
  'O-ring': 2,
  'pipe insulation': 12,
  'plate seals': 11,
  'pressure sensor': 38,
  'relief valve': 31,
  'sensor O-ring': 2,
  'spark electrode': 24,
  'turbine insert': 29,
  'valve head': 52,
  'vessel cap': 3,
  'vessel washer': 2,
}
const told = (at: number, what: string, { declined }: Pick<Told, 'declined'>, about?: string): Line => [
  at,
  engineer,
  'advice',
  { what, answer: declined ? 'declined' : 'given', ...(about && { about }) },
]
const call = (what: string, words: string, urgency: NonNullable<Payload<'booking'>['urgency']> = 'today'): Line[] => [
  [0, office, 'said', { words }],
  [1, office, 'complaint', { what, where: 'all', pattern: 'always' }],
  [3, office, 'booking', { urgency, vulnerable: ['nobody'], engineer }],
  [30, engineer, 'visit', { event: 'arrived' }],
]
/** both demands run through */
const proved = (at: number): Line[] => [
  read(at, 'display.sequenceHotWater', { outcome: 'complete', situation: hot }),
  read(at + 8, 'display.sequenceHeating', { outcome: 'complete', situation: heat }),
]
/** a name as a finger draws it */
const drawnName = [
  'M14 52C20 18 32 12 36 24S22 58 30 60S52 40 56 30S52 58 60 54S78 34 82 40S78 58 90 52',
  'M96 50C110 20 124 22 116 44S132 58 150 42S176 44 212 38',
]
const closed = (at: number, reason = 'Both demands run through.', ending: Payload<'decision'>['ending'] = 'proven'): Line[] => [
  [at, engineer, 'signature', { by: 'engineer', name: engineer, strokes: drawnName, width: 230, height: 74 }],
  [at + 1, engineer, 'decision', { kind: 'closed', ending, reason }],
  [at + 2, engineer, 'visit', { event: 'left' }],
]
/** a closing figure with what it was held against */
const held = (at: number, check: string, value: number, situation: Said['situation'], limit: NonNullable<Said['limit']>) =>
  read(at, check, { value, unit: limit.unit, situation, limit })
const burns = (at: number): Line[] => [
  held(at, 'measure.carbonMonoxide', 68, hot, { high: 200, unit: 'ppm', source: 'common practice; the model’s own comes first' }),
  held(at + 1, 'measure.carbonDioxideHigh', 9, hot, { low: 8.1, high: 9.9, unit: '%', source: 'this model' }),
  held(at + 2, 'measure.carbonDioxideLow', 8.7, heat, { low: 7.9, high: 9.8, unit: '%', source: 'this model' }),
  held(at + 3, 'measure.airInlet', 0, hot, { high: 0.2, unit: '%', source: 'from memory: fresh air has 0.04%' }),
]
/** the gauge as it was left, cold */
const gaugeLeft = (at: number) => held(at, 'look.gaugeCold', 1.2, { demand: 'none' }, { low: 1, high: 1.5, unit: 'bar', source: 'common practice' })

/** Past calls as they are written down: the complaint, what was read, what was mended, how it was proved. Common practice; the houses are made up. */
export const pastStories = {
  vesselRecharged: ({ on, after, declined, pictured, falls }: Told): Line[] => [
    ...call('topUps', 'Pressure keeps dropping, we have to fill it.', 'soon'),
    ...[40, 26, 13, 4].map((ago): Line => [4, office, 'history', { event: 'topUp', on: on(ago), value: 1.3, unit: 'bar' }]),
    figure(33, 'look.gaugeCold', 0.6, 'bar'),
    ...(pictured ? ([[34, engineer, 'photo', photo('gauge-low', 'gauge')]] as Line[]) : []),
    figure(48, 'look.gaugeHot', 2.8, 'bar', heat),
    figure(62, 'measure.vesselCharge', 0.1, 'bar', drained),
    condemned(63, 'vessel', 'vessel.lostCharge', 'Flat with the drain open, holds when pumped.'),
    mended(88, 'vessel.recharge', 'vessel.lostCharge', 35, 'vessel cap'),
    figure(90, 'measure.vesselCharge', 0.9, 'bar', drained),
    read(92, 'look.vesselCore', { outcome: 'no', situation: drained }),
    ...proved(94),
    gaugeLeft(104),
    figure(118, 'look.gaugeHot', 1.7, 'bar', heat),
    figure(119, 'look.pipeOutside', 0, 'l'),
    ...right(121, 'close.case', 'close.drips', 'close.shown'),
    told(122, 'Read the gauge each month and write it down.', { declined: false }),
    told(123, 'A new vessel rather than a second recharge: this one is near its age.', { declined }),
    [124, engineer, 'followUp', { what: 'Ask for the gauge', on: after(28), kind: 'call' }],
    ...closed(125),
    ...(falls
      ? [6, 12, 19, 27].map((days, index): Line => [
          days * 24 * 60,
          office,
          'history',
          { event: 'gaugeReading', on: after(days), value: [1.2, 1.05, 0.95, 0.8][index]!, unit: 'bar', state: 'cold' },
        ])
      : []),
  ],
  vesselRenewed: ({ on, pictured }: Told): Line[] => [
    ...call('topUps', 'It is down again, the third time now.', 'soon'),
    ...[30, 16, 5].map((ago): Line => [4, office, 'history', { event: 'topUp', on: on(ago), value: 1.2, unit: 'bar' }]),
    figure(33, 'look.gaugeCold', 0.5, 'bar'),
    ...(pictured ? ([[34, engineer, 'photo', photo('gauge-low', 'gauge')]] as Line[]) : []),
    read(58, 'look.vesselValve', { outcome: 'water', situation: { demand: 'none' } }),
    condemned(60, 'vessel', 'vessel.diaphragm', 'Water at its air valve.'),
    mended(128, 'vessel.replace', 'vessel.diaphragm', 68, 'expansion vessel', 'vessel washer'),
    figure(130, 'measure.vesselCharge', 0.9, 'bar', drained),
    ...proved(132),
    gaugeLeft(142),
    figure(158, 'look.gaugeHot', 1.6, 'bar', heat),
    figure(159, 'look.pipeOutside', 0, 'l'),
    ...right(160, 'close.case', 'close.drips', 'close.shown'),
    ...closed(162),
  ],
  turbineStuck: ({ declined }: Told): Line[] => [
    ...call('noHotWater', 'No hot water at any tap since this morning. Heating is fine.'),
    [5, office, 'reading', { check: 'ask.heating', outcome: 'fine' }],
    read(36, 'display.statusTapOpen', { outcome: 'keepWarm', situation: hot }),
    read(48, 'look.turbine', { outcome: 'stiff', situation: { demand: 'none' } }),
    condemned(49, 'turbine', 'turbine.stuck', 'Stiff in the hand, scale on the rotor.'),
    mended(78, 'turbine.insert', 'turbine.stuck', 28, 'turbine insert', 'O-ring'),
    read(80, 'display.statusTapOpen', { outcome: 'hotWater', situation: hot }),
    ...proved(82),
    gaugeLeft(91),
    ...right(92, 'close.case', 'close.drips', 'close.shown'),
    told(94, 'A strainer on the cold inlet: grit jams the turbine.', { declined }),
    ...closed(95),
  ],
  plateBlocked: ({ declined, pictured }: Told): Line[] => [
    ...call('hotColdHot', 'Shower goes hot, cold, hot. Drives us mad.', 'soon'),
    read(34, 'display.dropOut', { outcome: 'yes', situation: hot }),
    figure(40, 'measure.lowestFanSpeed', 1250, 'rev/min', heat),
    figure(47, 'measure.flowThermistor', 2.5, 'kΩ', { ...off, temperature: { value: 60, unit: '°C' } }),
    figure(55, 'measure.platePrimaryIn', 81, '°C', hot),
    figure(56, 'measure.platePrimaryOut', 71, '°C', hot),
    condemned(58, 'plate', 'plate.heatingSideBlocked', '81 in, 71 out: nearly a plain pipe. Minimum rate and thermistor are right.'),
    ...(pictured ? ([[90, engineer, 'photo', photo('plate-sludge', 'case')]] as Line[]) : []),
    [91, engineer, 'finding', { what: 'black sludge on the heating side of the plate', explainsComplaint: true }],
    mended(120, 'plate.clean', 'plate.heatingSideBlocked', 62, 'cleaner', 'inhibitor', 'plate seals'),
    ...proved(122),
    figure(131, 'measure.tapTemperature', 51, '°C', hot),
    gaugeLeft(133),
    ...right(134, 'close.case', 'close.drips', 'close.shown'),
    told(136, 'Have the system water cleaned and dosed, a filter fitted: what blocked the plate is still in the radiators.', { declined }, 'close.treatment'),
    ...closed(138),
  ],
  fanSeized: ({ pictured }: Told): Line[] => [
    ...call('locksOut', 'It whined for days, now it stops with a code.'),
    [4, office, 'reading', { check: 'ask.whine', outcome: 'yes' }],
    read(33, 'display.faultCode', { outcome: 'fan' }),
    read(38, 'listen.fanHum', { outcome: 'yes', situation: hot }),
    figure(44, 'measure.fanSupply', 230, 'V', hot),
    read(46, 'look.fanTurns', { outcome: 'no', situation: hot }),
    ...(pictured ? ([[47, engineer, 'photo', photo('fan-dust', 'case')]] as Line[]) : []),
    condemned(48, 'fan', 'fan.seized', 'Supplied and standing still.'),
    mended(104, 'fan.replace', 'fan.seized', 55, 'fan', 'fan seal', 'burner door seal'),
    ...proved(106),
    read(116, 'display.faultCode', { outcome: 'none' }),
    ...burns(118),
    ...right(124, 'close.flue', 'close.case', 'close.shown'),
    ...closed(126),
  ],
  condensateFrozen: ({ declined }: Told): Line[] => [
    ...call('locksOut', 'Stopped last night in the frost. It gurgled before.'),
    [4, office, 'reading', { check: 'ask.frost', outcome: 'yes' }],
    [5, office, 'reading', { check: 'ask.gurgle', outcome: 'yes' }],
    read(34, 'display.faultCode', { outcome: 'flame' }),
    read(40, 'look.condensateTrap', { outcome: 'frozen', situation: { demand: 'none' } }),
    condemned(41, 'condensate', 'condensate.frozen', 'Ice in the outside run.'),
    mended(66, 'condensate.thaw', 'condensate.frozen', 24, 'pipe insulation'),
    ...proved(68),
    read(78, 'look.condensateTrap', { outcome: 'runs', situation: { demand: 'none' } }),
    read(79, 'display.faultCode', { outcome: 'none' }),
    ...right(80, 'close.case', 'close.shown'),
    told(82, 'Have the outside run led larger and shorter: lagging alone holds a light frost.', { declined }),
    ...closed(84),
  ],
  sensorFouled: ({ declined }: Told): Line[] => [
    ...call('locksOut', 'It says pressure, but the gauge is fine.'),
    read(33, 'display.faultCode', { outcome: 'water' }),
    figure(35, 'look.gaugeCold', 1.3, 'bar'),
    figure(36, 'display.pressure', 0.2, 'bar'),
    condemned(38, 'pressureSensor', 'pressureSensor.fouled', 'Gauge and display are 1.1 bar apart.'),
    mended(70, 'pressureSensor.replace', 'pressureSensor.fouled', 30, 'pressure sensor', 'clip', 'sensor O-ring'),
    ...proved(72),
    figure(81, 'display.pressure', 1.2, 'bar'),
    gaugeLeft(82),
    read(83, 'display.faultCode', { outcome: 'none' }),
    ...right(84, 'close.case', 'close.drips', 'close.shown'),
    told(86, 'Have the system water cleaned and dosed, a filter fitted.', { declined }, 'close.treatment'),
    ...closed(88),
  ],
  statBatteries: (_told: Told): Line[] => [
    ...call('noHeating', 'Radiators cold, hot water is fine.'),
    figure(38, 'measure.statBatteries', 1.9, 'V'),
    condemned(39, 'roomStat', 'roomStat.batteriesFlat', 'Two cells at 1.9 V together.'),
    mended(44, 'roomStat.batteries', 'roomStat.batteriesFlat', 5, 'batteries'),
    ...proved(46),
    ...right(56, 'close.shown'),
    ...closed(58, 'It calls again; both demands run through.'),
  ],
  electrodeWorn: (_told: Told): Line[] => [
    ...call('locksOut', 'Clicks and clicks, then a code.'),
    read(33, 'display.faultCode', { outcome: 'flame' }),
    read(37, 'listen.spark', { outcome: 'no', situation: hot }),
    read(52, 'look.sparkGap', { outcome: 'tracks', situation: { demand: 'none' } }),
    condemned(54, 'ignition', 'ignition.tracking', 'Tracks across cracked porcelain.'),
    mended(82, 'ignition.renew', 'ignition.tracking', 30, 'spark electrode', 'burner door seal'),
    ...proved(84),
    read(94, 'display.faultCode', { outcome: 'none' }),
    ...burns(96),
    ...right(101, 'close.flue', 'close.case', 'close.shown'),
    ...closed(103),
  ],
  cartridgeStuck: (_told: Told): Line[] => [
    ...call('radiatorsInSummer', 'Radiators get warm whenever a tap runs.', 'soon'),
    figure(40, 'measure.heatingFlowOnTap', 61, '°C', hot),
    read(46, 'look.diverterRod', { outcome: 'moves', situation: { demand: 'none' } }),
    condemned(50, 'diverter', 'diverter.passing', 'Rod travels, flow pipe hot at a tap.'),
    mended(96, 'diverter.cartridge', 'diverter.passing', 48, 'diverter cartridge', 'cartridge seals'),
    ...proved(98),
    figure(108, 'measure.heatingFlowOnTap', 24, '°C', hot),
    gaugeLeft(109),
    ...right(110, 'close.case', 'close.drips', 'close.shown'),
    ...closed(112),
  ],
  motorWetted: ({ pictured }: Told): Line[] => [
    ...call('displayDark', 'Everything is dark since it dripped.'),
    [34, engineer, 'finding', { what: 'water runs from the spindle', fault: 'diverter.spindleLeaking', explainsComplaint: true }],
    ...(pictured ? ([[35, engineer, 'photo', photo('spindle-wet', 'under')]] as Line[]) : []),
    read(40, 'measure.boardFuse', { outcome: 'blown', situation: off }),
    ...(pictured ? ([[41, engineer, 'photo', photo('fuse-blown', 'case')]] as Line[]) : []),
    mended(88, 'diverter.cartridge', 'diverter.spindleLeaking', 46, 'diverter cartridge', 'clip', 'cartridge seals'),
    mended(100, 'diverterMotor.dry', 'diverterMotor.wet', 12),
    mended(106, 'board.fuse', 'board.fuseBlown', 6, '2 A fuse'),
    ...proved(108),
    gaugeLeft(118),
    ...right(119, 'close.electrics', 'close.case', 'close.drips', 'close.shown'),
    ...closed(121),
  ],
  reliefPassing: ({ pictured }: Told): Line[] => [
    ...call('dripsOutside', 'The pipe in the wall drips day and night.', 'soon'),
    ...(pictured ? ([[33, engineer, 'photo', photo('relief-drip', 'relief')]] as Line[]) : []),
    figure(34, 'look.gaugeCold', 1.0, 'bar'),
    figure(36, 'look.pipeOutside', 0.4, 'l'),
    figure(40, 'look.gaugeHot', 1.7, 'bar', heat),
    figure(50, 'measure.vesselCharge', 0.85, 'bar', drained),
    condemned(52, 'relief', 'relief.passing', 'Drips at one bar, vessel has its charge.'),
    mended(98, 'relief.replace', 'relief.passing', 45, 'relief valve', 'washers'),
    figure(99, 'measure.vesselCharge', 0.85, 'bar', drained),
    ...proved(101),
    gaugeLeft(111),
    figure(126, 'look.gaugeHot', 1.7, 'bar', heat),
    figure(127, 'look.pipeOutside', 0, 'l'),
    ...right(128, 'close.case', 'close.drips', 'close.shown'),
    ...closed(130),
  ],
  valveHeadDead: (_told: Told): Line[] => [
    ...call('noStoredHotWater', 'Cylinder stays cold, radiators are fine.'),
    [4, office, 'reading', { check: 'ask.heating', outcome: 'fine' }],
    figure(40, 'measure.hotWaterValveMotor', 230, 'V', hot),
    figure(44, 'measure.hotWaterValveSwitched', 0, 'V', hot),
    read(48, 'look.hotWaterValveLever', { outcome: 'springsBack', situation: hot }),
    condemned(50, 'hotWaterValve', 'hotWaterValve.motorDead', '230 V at the motor, it does not move; the lever is free.'),
    mended(76, 'hotWaterValve.head', 'hotWaterValve.motorDead', 24, 'valve head'),
    ...proved(78),
    ...right(90, 'close.electrics', 'close.shown'),
    ...closed(92),
  ],
  zoneFuse: (_told: Told): Line[] => [
    ...call('allZonesCold', 'All the studios are cold.'),
    figure(36, 'measure.transformer', 0, 'V'),
    read(41, 'measure.transformerFuse', { outcome: 'blown', situation: off }),
    condemned(42, 'transformer', 'transformer.fuseBlown', 'Primary live, secondary fuse open.'),
    mended(60, 'transformer.fuse', 'transformer.fuseBlown', 15, 'fuse'),
    read(62, 'display.sequenceHeating', { outcome: 'complete', situation: heat }),
    figure(66, 'measure.heatingValveMotor', 25.4, 'V', heat),
    ...right(70, 'close.electrics', 'close.shown'),
    ...closed(72, 'Both zones called and warm.'),
  ],
  airSwitchWet: (_told: Told): Line[] => [
    ...call('locksOut', 'Fan runs, nothing lights, then a code.'),
    read(33, 'display.faultCode', { outcome: 'air' }),
    figure(40, 'measure.airPressure', 0.3, 'mbar', hot),
    [46, engineer, 'finding', { what: 'water in the air switch’s tubes', fault: 'airTubes.wet', explainsComplaint: true }],
    mended(66, 'airTubes.drain', 'airTubes.wet', 18),
    ...proved(68),
    figure(78, 'measure.airPressure', 1.6, 'mbar', hot),
    read(79, 'display.faultCode', { outcome: 'none' }),
    ...right(80, 'close.case', 'close.shown'),
    ...closed(82),
  ],
  exchangerLeaks: ({ declined }: Told): Line[] => [
    ...call('boilerDrips', 'Water under the boiler, and it rumbles.', 'soon'),
    [36, engineer, 'finding', { what: 'water inside the chamber', fault: 'exchanger.leaking', explainsComplaint: true }],
    told(50, 'The main exchanger leaks: a new one costs more than half a boiler of this age. A new boiler quoted.', { declined }),
    ...closed(52, 'Not mended: the owner decides between an exchanger and a new boiler. Isolated and drained.', 'notMended'),
  ],
  gasPressureLow: (_told: Told): Line[] => [
    ...call('lukewarm', 'Never really hot, worse in the evening.', 'soon'),
    figure(40, 'measure.gasWorking', 13.5, 'mbar', hot),
    figure(46, 'measure.gasWorkingMeter', 15, 'mbar', hot),
    condemned(48, 'gasSupply', 'gas.regulatorLow', 'Low at the meter as well.'),
    told(50, 'The supplier sets the regulator: asked for today.', { declined: false }),
    ...closed(52, 'Waiting for the supplier; not proved.', 'unproven'),
  ],
  flueApart: ({ pictured }: Told): Line[] => [
    ...call('locksOut', 'Stops now and then. Smells a little.'),
    ...(pictured ? ([[34, engineer, 'photo', photo('flue-joint', 'flue')]] as Line[]) : []),
    [35, engineer, 'reading', { check: 'close.flue', outcome: 'notRight' }],
    [36, engineer, 'action', { action: 'madeSafe', note: 'Gas off at the cock and capped, labelled, owner told.' }],
    [37, engineer, 'signature', { by: 'customer', name: 'A. Bream' }],
    ...closed(39, 'Flue joint apart behind the boxing. Off and labelled; the owner has it opened.', 'unsafe'),
  ],
} satisfies Record<string, (told: Told) => Line[]>
