import type { ClosingItem } from '@dewpoint/core/diagnosis'

/** A row, for boilers that burn something or for all. */
export interface ClosingRow extends ClosingItem {
  /** only where something burns */
  burns?: true
}

const leaks = [
  'pipework.leak',
  'pipework.leakHot',
  'pipework.leakCold',
  'casing.unionLeaking',
  'hoses.leaking',
  'airVent.dribbling',
  'pump.sealDripping',
  'plate.gasketWeeping',
  'diverter.spindleLeaking',
  'vessel.shellLeaking',
  'exchanger.leaking',
]
const vessel = ['vessel.lostCharge', 'vessel.corePassing', 'vessel.diaphragm', 'vessel.tooSmall', 'vessel.chargedTooHigh']
const tooMuch = ['water.overfilled', 'fillingLoop.lettingBy', 'fillingLoop.leftOpen', 'fillingLoop.leverSnapped', 'plate.perforated', 'cylinder.coilPerforated']
const relief = ['relief.passing', 'relief.liftsEarly']
const waterPressure = ['water.low', ...leaks, ...vessel, ...tooMuch, ...relief]
const recharged = ['vessel.recharge', 'vessel.core', 'vessel.extension', 'vessel.setCharge', 'vessel.replace', 'vessel.add', 'recharged']
const toppedUp = ['water.topUp', 'toppedUp']
const dirty = [
  'plate.heatingSideBlocked',
  'blockFilter.clogged',
  'systemFilter.clogged',
  'pressureSensor.fouled',
  'waterSwitch.dead',
  'radiators.sludged',
  'exchanger.sludged',
  'pump.seized',
]
const stored = ['cylinderVessel.lostCharge', 'cylinderVessel.diaphragm', 'expansionRelief.passing', 'reducingValve.passing']
const wires = ['wire.renew', 'wire.land', 'wire.move', 'wire.part']

/**
 * What must stand in the record before a case is closed, by what was found and done. Common practice; limits are those of the maker and the place,
 * and what concerns gas, products and mains is for those licensed for it.
 */
export const closingRows: ClosingRow[] = [
  // danger
  {
    id: 'close.madeSafe',
    label: 'Unsafe situation labelled and recorded, the responsible person’s consent noted',
    why: 'The case was stopped for a danger: follow the local procedure.',
    after: { danger: ['gasSmell', 'coAlarm', 'fumes', 'waterOnElectrics', 'shock', 'scorching', 'overheated'] },
    never: true,
  },
  // gas and products
  {
    id: 'close.tightness',
    label: 'Tight: fall over two minutes',
    why: 'The gas way was opened, or gas was smelled.',
    after: { opened: ['gasWay'], danger: ['gasSmell'] },
    check: 'measure.tightness',
    never: true,
    burns: true,
  },
  {
    id: 'close.workingPressure',
    label: 'Gas pressure at the inlet, full rate',
    why: 'The gas way was opened.',
    after: { opened: ['gasWay'], found: ['gas.lowPressure'] },
    check: 'measure.gasWorking',
    never: true,
    burns: true,
  },
  {
    id: 'close.gasRate',
    label: 'Gas rate at the meter',
    why: 'Something that sets the flame was touched.',
    after: { opened: ['gasWay'], found: ['gas.lowPressure', 'burner.dirty', 'burner.injectorsBlocked'] },
    check: 'measure.gasRate',
    burns: true,
  },
  {
    id: 'close.products',
    label: 'CO at full rate',
    why: 'The chamber, the flue or the gas way was opened.',
    after: { opened: ['chamber', 'gasWay', 'flue'], danger: ['coAlarm', 'fumes'] },
    check: 'measure.carbonMonoxide',
    never: true,
    burns: true,
  },
  {
    id: 'close.ratioHigh',
    label: 'CO2 at full rate',
    why: 'The chamber or the gas way was opened.',
    after: { opened: ['chamber', 'gasWay'], danger: ['coAlarm', 'fumes'] },
    check: 'measure.carbonDioxideHigh',
    never: true,
    burns: true,
  },
  {
    id: 'close.ratioLow',
    label: 'CO2 at the lowest rate',
    why: 'The chamber or the gas way was opened.',
    after: { opened: ['chamber', 'gasWay'] },
    check: 'measure.carbonDioxideLow',
    never: true,
    burns: true,
  },
  {
    id: 'close.burnerHigh',
    label: 'Burner pressure, full rate',
    why: 'The gas way was opened.',
    after: { opened: ['gasWay'] },
    check: 'measure.burnerPressureHigh',
    never: true,
    burns: true,
  },
  {
    id: 'close.burnerLow',
    label: 'Burner pressure at the lowest rate',
    why: 'The gas way was opened.',
    after: { opened: ['gasWay'] },
    check: 'measure.lowPressureSetting',
    never: true,
    burns: true,
  },
  {
    id: 'close.airInlet',
    label: 'No products in the air inlet',
    why: 'The flue or the chamber was opened: what leaks comes in with the air.',
    after: { opened: ['flue', 'chamber'], found: ['flue.sealLeaking'], danger: ['coAlarm', 'fumes'] },
    check: 'measure.airInlet',
    never: true,
    burns: true,
  },
  {
    id: 'close.flue',
    label: 'Flue whole: joints, fixings, terminal',
    why: 'The flue or the chamber was opened.',
    after: { opened: ['flue', 'chamber'], danger: ['coAlarm', 'fumes'] },
    unsafe: 'fumes',
    never: true,
    burns: true,
  },
  {
    id: 'close.roomAir',
    label: 'No products in the room air',
    why: 'The case was stopped for products of combustion.',
    after: { danger: ['coAlarm', 'fumes'] },
    check: 'measure.roomAir',
    never: true,
    burns: true,
  },
  {
    id: 'close.airPressure',
    label: 'Air pressure at the switch',
    why: 'The air way was worked on.',
    after: { done: ['fan.replace', 'airSwitch.replace', 'airTubes.renew', 'airTubes.drain'] },
    check: 'measure.airPressure',
    burns: true,
  },
  {
    id: 'close.case',
    label: 'Case on, its seal seated all round',
    why: 'The case was off.',
    after: { opened: ['case', 'chamber'] },
    never: true,
  },
  {
    id: 'close.condensate',
    label: 'Condensate runs, trap full of water',
    why: 'Its way was opened, or water stood where it should not.',
    after: { found: ['condensate.blocked', 'condensate.frozen', 'condensate.weeping', 'exchanger.finsDirty'], done: ['exchanger.brush', 'exchanger.replace'] },
    check: 'look.condensateTrap',
    never: true,
    burns: true,
  },
  // water
  {
    id: 'close.drips',
    label: 'No drips: taps shut and open, cold and hot',
    why: 'Water was let out, or something leaked.',
    after: { opened: ['water', 'storedWater'], found: [...leaks, 'turbineAdapter.leaking'] },
  },
  {
    id: 'close.pressureCold',
    label: 'Pressure set, cold',
    why: 'Water was let out or in.',
    after: { opened: ['water'], done: [...toppedUp, 'water.lower', 'letDown', 'water.vent', 'vented', ...recharged] },
    check: 'look.gaugeCold',
  },
  {
    id: 'close.pressureHot',
    label: 'Gauge after a quarter of an hour of heating',
    why: 'The water pressure was wrong: cold it shows nothing yet.',
    after: { found: waterPressure },
    check: 'look.gaugeHot',
  },
  {
    id: 'close.reliefDry',
    label: 'Relief pipe dry after heating up',
    why: 'A valve that has lifted may not seat again.',
    after: { found: [...vessel, ...tooMuch, ...relief] },
    check: 'look.pipeOutside',
  },
  {
    id: 'close.vesselCharge',
    label: 'Vessel charge left',
    why: 'It was changed, or its loss is why the relief valve lifted.',
    after: { done: recharged, found: relief },
    check: 'measure.vesselCharge',
  },
  {
    id: 'close.vesselCore',
    label: 'Vessel’s air valve tested with leak fluid',
    why: 'It was recharged: a core that passes empties it again.',
    after: { done: recharged.filter((id) => id !== 'vessel.replace' && id !== 'vessel.add') },
    check: 'look.vesselCore',
    asks: true,
  },
  {
    id: 'close.topUpsAsked',
    label: 'Top-ups of the year asked',
    why: 'It was short of water: how often tells where it goes.',
    after: { found: ['water.low'], done: toppedUp },
    check: 'ask.topUps',
    anyAnswer: true,
  },
  {
    id: 'close.watch',
    label: 'Pressure watched: a day set to read the gauge again',
    why: 'It was filled and nothing that lost the water was found: only days tell.',
    after: { found: ['water.low'], done: toppedUp },
    unless: [...leaks, ...relief, 'vessel.lostCharge', 'vessel.diaphragm', 'vessel.corePassing', 'water.airLocked'],
    advice: 'due',
    tell: 'Read the gauge again, and say if it falls',
  },
  {
    id: 'close.comeBack',
    label: 'A day set to look again',
    why: 'Something slow may remain.',
    after: { mayStand: [...leaks, ...vessel, ...relief, 'fillingLoop.lettingBy', 'plate.perforated'] },
    advice: 'due',
    tell: 'Come back and look again',
  },
  {
    id: 'close.treatment',
    label: 'System water treated, or its treatment advised',
    why: 'Dirt was found in it.',
    after: { found: dirty, answered: [{ check: 'look.sludge', outcome: 'yes' }] },
    advice: 'told',
    tell: 'Have the system water cleaned and dosed, a filter fitted',
  },
  {
    id: 'close.tundish',
    label: 'Tundish dry while the cylinder heats',
    why: 'The cylinder’s valves or vessel were worked on.',
    after: { found: stored, opened: ['storedWater'], danger: ['overheated'] },
    check: 'look.tundish',
    never: true,
  },
  // electrics and controls
  {
    id: 'close.electrics',
    label: 'Earth, polarity and insulation proved',
    why: 'Electrical work was done, or water came near it.',
    after: { opened: ['electrics'], found: ['board.fuseBlown', 'diverterMotor.wet'], danger: ['shock', 'waterOnElectrics', 'scorching'] },
    unsafe: 'shock',
    never: true,
  },
  {
    id: 'close.nothingUnasked',
    label: 'Nothing runs that was not asked for',
    why: 'Conductors were landed or moved.',
    after: { done: wires },
  },
  {
    id: 'close.zoneOne',
    label: 'First zone called: 24 V at its valve, and it opens',
    why: '24 V that has come back is no proof that the zone runs.',
    after: { done: ['transformer.replace', 'transformer.fuse'] },
    check: 'measure.heatingValveMotor',
    asks: true,
  },
  {
    id: 'close.zoneTwo',
    label: 'Second zone called: 24 V at its valve, and it opens',
    why: '24 V that has come back is no proof that the zone runs.',
    after: { done: ['transformer.replace', 'transformer.fuse'] },
    check: 'measure.zone2ValveMotor',
    asks: true,
  },
  // the customer
  {
    id: 'close.shown',
    label: 'Controls set as they are wanted, display right, customer shown',
    why: 'Owed after every repair.',
    after: { repair: true },
  },
]
