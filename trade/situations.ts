import type { ActionKind, FactKind } from '@dewpoint/core/diagnosis'

/** Facts that narrow the configuration. */
export const facts: FactKind[] = [
  { id: 'age', label: 'Age of the appliance, years', type: 'number', narrows: 'age' },
  { id: 'systemVolume', label: 'Water in the system', type: 'number', unit: 'l', narrows: 'system.volume' },
  { id: 'coldFeed', label: 'Cold water temperature', type: 'number', unit: '°C', narrows: 'mains.temperature' },
  { id: 'vesselVolume', label: 'Size of the expansion vessel', type: 'number', unit: 'l', narrows: 'vessel.volume' },
  { id: 'controls', label: 'How it is wired', type: 'choice', narrows: 'label' },
  { id: 'roomTemperature', label: 'Room temperature', type: 'number', unit: '°C', narrows: 'radiators.roomTemperature' },
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
  },
  { id: 'dangerRuledOut', label: 'Danger asked about and ruled out', rulesOut: true },
  { id: 'madeSafe', label: 'Made safe, by someone licensed for it', makesSafe: true, caution: 'Record who made it safe and how.' },
]
