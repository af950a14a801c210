import type { ActionKind, Check, FactKind } from '@dewpoint/core/diagnosis'
import type { Layout } from '@dewpoint/core/system'

/** Facts that narrow the configuration. */
export const facts: FactKind[] = [
  { id: 'modelName', label: 'Model on the plate', type: 'text', narrows: 'label', ofAppliance: 'lasting' },
  { id: 'serial', label: 'Serial number', type: 'text', narrows: 'label', ofAppliance: 'lasting' },
  { id: 'location', label: 'Where it hangs', type: 'text', narrows: 'label', ofAppliance: 'lasting' },
  { id: 'age', label: 'Age of the appliance, years', type: 'number', narrows: 'age', ofAppliance: 'lasting' },
  {
    id: 'gas',
    label: 'Gas',
    type: 'choice',
    narrows: 'label',
    choices: [
      { id: 'naturalGas', label: 'natural gas' },
      { id: 'propane', label: 'propane' },
    ],
    ofAppliance: 'lasting',
  },
  { id: 'systemVolume', label: 'Water in the system', type: 'number', unit: 'l', narrows: 'system.volume', ofAppliance: 'lasting' },
  { id: 'coldFeed', label: 'Cold water temperature', type: 'number', unit: '°C', narrows: 'mains.temperature', ofAppliance: 'passing' },
  { id: 'vesselVolume', label: 'Size of the expansion vessel', type: 'number', unit: 'l', narrows: 'vessel.volume', ofAppliance: 'lasting' },
  { id: 'controls', label: 'How it is wired', type: 'choice', narrows: 'label' },
  { id: 'roomTemperature', label: 'Room temperature', type: 'number', unit: '°C', narrows: 'radiators.roomTemperature', ofAppliance: 'passing' },
]

/** Acts that put a wrong state right, or change the situation of what is read after them. Chances from memory, as those of the remedies they stand for. */
export const actions: ActionKind[] = [
  { id: 'toppedUp', label: 'Topped up', mends: ['water.low'], caution: 'Both valves shut again. Find where the water went.' },
  { id: 'letDown', label: 'Pressure let down', mends: ['water.overfilled'], caution: 'System cold, a little at a time.' },
  {
    id: 'vented',
    label: 'Radiators vented',
    mends: ['water.airInRadiators', 'water.airLocked'],
    works: 0.85,
    caution: 'System cold and the pump off. Top up afterwards.',
  },
  {
    id: 'recharged',
    label: 'Vessel recharged',
    mends: ['vessel.lostCharge', 'cylinderVessel.lostCharge'],
    works: 0.88,
    caution: 'Water side drained and its drain open: stored pressure.',
  },
  {
    id: 'dried',
    label: 'Dried out',
    mends: ['diverterMotor.wet', 'airTubes.wet'],
    works: 0.75,
    caution: 'Isolated and proved dead. Find what wetted it.',
  },
  { id: 'batteriesChanged', label: 'Thermostat batteries changed', mends: ['roomStat.batteriesFlat'], works: 0.96 },
  { id: 'programmeSet', label: 'Programme and clock set', mends: ['programmer.setWrong', 'programmer.hotWaterSetOff', 'programmer.clockWrong'], works: 0.97 },
  { id: 'receiverPaired', label: 'Thermostat paired again', mends: ['roomStat.notPaired'], works: 0.85 },
  { id: 'pumpFreed', label: 'Pump shaft freed', mends: ['pump.seized'], works: 0.6, caution: 'Isolated and proved dead. Tell the customer it may come back.' },
  {
    id: 'pipeThawed',
    label: 'Condensate pipe thawed',
    mends: ['condensate.frozen'],
    works: 0.85,
    caution: 'Warm water, not boiling; it freezes again tonight without lagging.',
  },
  {
    id: 'toBucket',
    label: 'Condensate run to a bucket',
    undo: 'Pipe back on',
    aside: ['condensate.frozen', 'condensate.pumpFailed'],
    caution: 'Water seal kept in the trap; the bucket is emptied.',
  },
  {
    id: 'filterCleaned',
    label: 'Filter cleaned',
    mends: ['systemFilter.clogged', 'blockFilter.clogged'],
    works: 0.85,
    caution: 'Hot water under pressure: isolated, drained into a bowl.',
  },
  {
    id: 'leverReleased',
    label: 'Valve lever released',
    mends: ['heatingValve.heldOpen', 'hotWaterValve.heldOpen', 'zone2Valve.heldOpen', 'midValve.heldOpen'],
    works: 0.97,
  },
  {
    id: 'highLimitReset',
    label: 'High limit reset',
    mends: ['highLimit.tripped'],
    works: 0.5,
    caution: 'Only once its cause is found: it tripped because the store was too hot.',
  },
  {
    id: 'overheatReset',
    label: 'Overheat device reset',
    mends: ['overheat.open'],
    works: 0.5,
    caution: 'Only once its cause is found, and watched through a whole heat-up.',
  },
  { id: 'loopShut', label: 'Filling loop shut', mends: ['fillingLoop.leftOpen'], caution: 'Handle across the pipe is shut.' },
  { id: 'reset', label: 'Lockout reset', caution: 'Once only, and watch it.' },
  {
    id: 'loopDisconnected',
    label: 'Filling loop disconnected',
    undo: 'Reconnected',
    aside: ['fillingLoop.leftOpen', 'fillingLoop.lettingBy'],
    caution: 'Both valves shut, caps on.',
  },
  {
    id: 'trialSpare',
    label: 'Known-good part fitted as a test',
    undo: 'Original part refitted',
    aside: 'part',
    names: 'part',
    caution: 'Isolated and proved dead; gas-carrying parts only by someone licensed. A trial is no repair.',
    // common practice
    steps: [
      'A spare known to work, of the same type: compare numbers, plugs and any setting (jumper, code plug, screw) with the one fitted.',
      'Off at the spur, fuse out and in your pocket, locked; meter proved, dead at the terminals, meter proved again. Cooled and drained first where water stands behind it.',
      'Write down or photograph how each plug, wire and seal sits before it comes off.',
      'Fit it with new seals where one was opened, set as the old one was. Keep the old one: it goes back or is condemned.',
      'Nothing left loose or touching, case on where the boiler needs it to burn; then power.',
    ],
    then: [
      'Run the demand that failed from its call to its end and mark how far it gets.',
      'Right through: the old part was bad. Fit the new one for good, record the repair, prove it.',
      'Stops as before: the part is cleared. Put the original back and say so here; the fault lies before it or behind it.',
      'Stops elsewhere: more than one thing is wrong. Go on from the new step.',
    ],
  },
  { id: 'coldFeedShut', label: 'Cold feed shut', undo: 'Reopened', bars: { demand: 'hotWater', except: ['try.shutColdFeed'] } },
  { id: 'tapOpened', label: 'Hot tap left running', undo: 'Tap shut', bars: { demand: 'heating' } },
  { id: 'demandHeating', label: 'Heating demand on', undo: 'Demand off' },
  { id: 'drained', label: 'Boiler drained', undo: 'Refilled', bars: { demand: 'any' }, drains: true, caution: 'Isolated, cooled down, drain left open.' },
  { id: 'powerOff', label: 'Powered off, proved dead', undo: 'Power back on', bars: { demand: 'any' } },
  {
    id: 'wireMoved',
    label: 'Conductor moved for a test',
    undo: 'Back on its own terminal',
    names: 'conductor',
    bars: { demand: 'any' },
    caution: 'Dead while it is moved; back on its own terminal afterwards.',
    // common practice: substitution with a known-good signal
    steps: [
      'Find an output that is proved live on demand, of the same voltage as the one in doubt.',
      'Off, locked, proved dead. Note terminal and colour of the conductor at both ends.',
      'Move the one conductor to the proved output; nothing else. Insulated, nothing loose, then power.',
      'Call that output and see whether what hangs on the conductor works.',
    ],
    then: [
      'It works now: what it hangs on is good, the fault lies before its own output.',
      'It does not: what it hangs on, or the conductor, is bad.',
      'Either way: off, proved dead, back on its own terminal, and said here.',
    ],
  },
  { id: 'dangerRuledOut', label: 'Danger asked about and ruled out', rulesOut: true },
  { id: 'madeSafe', label: 'Made safe, by someone licensed for it', makesSafe: true, caution: 'Record who made it safe and how.' },
]

/** Readings of a store that need its cold feed: drawn from it, or pressed on by the main. */
const needColdFeed = [
  'measure.drawTemperature',
  'measure.drawFlow',
  'measure.storeCoilOut',
  'measure.cylinderPressureHot',
  'look.tundish',
  'try.mixingValve',
  'try.drawBath',
  'try.showerCartridge',
  'try.isolateMixers',
]

/** What an act bars here: where water is stored, the store warms with its cold feed shut, and radiators with a tap open. */
export function barsHere(bars: ActionKind['bars'], { hotWater }: Layout, checks: readonly Check[]): ActionKind['bars'] {
  if (!bars || bars.demand === 'any' || (hotWater !== 'cylinder' && hotWater !== 'store')) return bars
  if (bars.demand === 'heating') return undefined
  return { ...bars, except: checks.filter(({ id, situation }) => situation.demand === 'hotWater' && !needColdFeed.includes(id)).map(({ id }) => id) }
}
