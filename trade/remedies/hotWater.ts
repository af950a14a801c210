import { drainFirst, mend, opened, proveDead, qualified, wet, wetOutside, wired, type RemedyRow } from './mend.ts'

const cold: Partial<RemedyRow> = { access: 'caseOff', cautions: ['Water near electrics: dry everything before power.'] }
const unvented: Partial<RemedyRow> = { skill: 'unvented', access: 'drained', cautions: [qualified] }

export const hotWaterRemedies: RemedyRow[] = [
  mend(
    'turbine.insert',
    'Fit a new turbine insert',
    [25, 38, 0.9],
    ['Shut the cold feed, open a tap.', 'Draw the insert, get every fragment out.', 'New insert and O-ring, open slowly, look for drips.'],
    {
      ...cold,
      cautions: ['Fragments and the old O-ring stay in the port.'],
      parts: ['turbine insert'],
      seals: ['O-ring'],
    },
  ),
  mend(
    'turbine.whole',
    'Fit a new turbine with its sensor',
    [40, 84, 0.97],
    ['Isolate, prove dead.', 'Shut the cold feed, open a tap, change the body.', 'Open slowly, look for drips with the tap shut.'],
    { ...cold, parts: ['flow turbine with sensor'], seals: ['O-rings'] },
  ),
  mend(
    'turbineAdapter.renew',
    'Fit a new adapter',
    [30, 18, 0.95],
    ['Shut the cold feed, open a tap.', 'Every fragment and the old O-ring out of the port.', 'Proved with the tap shut: highest pressure.'],
    { ...cold, parts: ['turbine adapter'], seals: ['O-ring'] },
  ),
  mend(
    'turbineLead.mend',
    'Dry, clean and refit the turbine plug, or renew its lead',
    [15, 8, 0.9],
    ['Isolate, prove dead.', 'Plug dry, pins straight, wires not pulled; continuity end to end.', 'Find what wetted it.'],
    { ...opened, parts: ['turbine lead'] },
  ),
  mend(
    'restrictor.replace',
    'Fit a new flow restrictor',
    [20, 9, 0.97],
    ['Shut the cold feed, draw the old one with every fragment.', 'Check the flow with jug and watch.'],
    { access: 'caseOff', parts: ['flow restrictor'] },
  ),
  mend('inletFilter.clean', 'Clean the cold inlet filter', [15, 3, 0.96], ['Shut the cold feed, rinse, new O-ring.'], {
    parts: ['filter O-ring'],
    seals: ['filter O-ring'],
  }),
  mend('mains.openValve', 'Open the valve fully', [6, 1, 0.95], ['To its end, back a quarter; gland dry.'], { skill: 'anyone' }),
  mend('mains.supplier', 'Have the supply seen to', [20, 0, 0.6], ['Pressure and flow at the stop valve noted for the supplier.'], { skill: 'anyone' }),
  mend(
    'tap.advise',
    'Show the customer: slower flow, hotter water',
    [10, 0, 0.7],
    ['Show it at the tap: throttle until it is hot.', 'A larger output or a store is the cure.'],
    { skill: 'anyone' },
  ),
  mend(
    'plate.clean',
    'Clean the plate',
    [60, 20, 0.6],
    [
      'Isolate, drain the block, plate out.',
      'Clean, flush the heating side, new seals.',
      'The system water is a job of its own: without it the plate blocks again.',
    ],
    { ...wet, parts: ['cleaner', 'inhibitor'], seals: ['plate seals'] },
  ),
  mend(
    'plate.replace',
    'Fit a new plate heat exchanger',
    [70, 130, 0.95],
    ['Isolate, drain the block, plate out.', 'New plate with new seals.', 'Clean the system and dose, or it blocks again.'],
    { ...wet, parts: ['plate heat exchanger'], seals: ['plate seals'] },
  ),
  mend('plate.seals', 'Fit new plate seals', [50, 8, 0.93], ['Faces clean, seals seated, watch hot and cold.'], {
    ...wet,
    parts: ['plate seals'],
    seals: ['plate seals'],
  }),
  mend('coil.descale', 'Descale the hot-water coil', [80, 30, 0.75], ['Acid in a closed loop through the hot side only, then rinse.'], {
    ...wet,
    cautions: [drainFirst, 'Acid: gloves, eyes, ventilation.'],
    parts: ['descaler'],
  }),
  mend(
    'blockFilter.renew',
    'Fit a new block filter',
    [25, 12, 0.93],
    ['Isolate, drain the block, draw the filter; descale it if it will not come.', 'Its lug must engage.'],
    { ...wet, parts: ['block filter'] },
  ),
  mend(
    'diverter.cartridge',
    'Fit a new diverter cartridge',
    [60, 62, 0.92],
    [
      'Isolate, drain, unplug the motor before it leaves the valve.',
      'Draw the cartridge with the tool, seals dry or with silicone grease.',
      'Refit, fill, vent, look for drips.',
    ],
    {
      ...wet,
      parts: ['diverter cartridge', 'clip'],
      seals: ['cartridge seals'],
    },
  ),
  mend(
    'diverter.whole',
    'Fit a new diverter valve',
    [95, 128, 0.97],
    ['Isolate, drain, change the body with new seals.', 'Refit, fill, vent, look for drips.'],
    { ...wet, parts: ['diverter valve'], seals: ['seals'] },
  ),
  mend(
    'diverterMotor.replace',
    'Fit a new diverter motor',
    [25, 58, 0.95],
    ['Isolate, prove dead, unplug, lift the head off.', 'Look for what wetted it before fitting the new one.'],
    { ...opened, parts: ['diverter motor'] },
  ),
  mend(
    'diverterMotor.dry',
    'Dry out and refit the motor',
    [30, 0, 0.55],
    ['Water can be heard inside: shake it out, warm air, dry the plug.', 'Mend the leak first. One school dries, another always fits new.'],
    { ...opened },
  ),
  mend('hotWaterThermistor.replace', 'Fit a new hot-water thermistor', [15, 16, 0.97], ['Isolate, prove dead, clip the new one on clean pipe.'], {
    ...opened,
    parts: ['hot-water thermistor'],
  }),
  mend(
    'mixer.cartridge',
    'Find the mixer and fit a new cartridge',
    [45, 32, 0.85],
    ['Shut the isolators of one mixer after another until the crossing stops.', 'Cartridge first; the body can be cracked: compare with its twin.'],
    { parts: ['mixer cartridge'] },
  ),
  mend('hotWaterThermistor.clip', 'Refit the hot-water thermistor with clip and paste', [10, 2, 0.95], ['On clean bare pipe, paste under it, clip tight.'], {
    ...opened,
    parts: ['sensor clip'],
  }),
  mend('mixer.showerCartridge', 'Fit a new thermostatic cartridge', [40, 55, 0.93], ['Isolate, strainers clean, set its stop with a thermometer.'], {
    parts: ['shower cartridge'],
    cautions: ['Water may scald.'],
  }),
  mend('tap.cleanAerator', 'Clean the aerator or shower head', [8, 1, 0.95], ['Off, descale, back on.'], { skill: 'anyone' }),
  mend('boilerColdValve.open', 'Open the cold valve under the boiler', [5, 0, 0.96], ['In line with the pipe is open.'], { skill: 'anyone' }),
  mend('mixer.whole', 'Fit a new mixer tap', [60, 95, 0.97], ['Shut its isolators.', 'A new cartridge in vain points to a cracked body.'], {
    skill: 'anyone',
    parts: ['mixer tap', 'tap tails'],
    seals: ['washers'],
  }),
  mend('cylinder.flushCoil', 'Vent and flush the cylinder coil', [60, 20, 0.8], ['Flow only through the coil, vent its high point, flush, dose.'], {
    ...wetOutside,
    parts: ['cleaner', 'inhibitor'],
  }),
  mend('cylinder.descale', 'Descale the coil from the water side', [110, 35, 0.65], ['Drain the cylinder, inspection port, descaler.'], {
    ...unvented,
    parts: ['descaler'],
    seals: ['port gasket'],
  }),
  mend('cylinder.replace', 'Fit a new cylinder', [300, 780, 0.98], ['Compare with other repairs first.'], {
    ...unvented,
    cautions: [qualified, 'Heavy part.'],
    parts: ['cylinder'],
  }),
  mend('cylinder.swapPipes', 'Swap flow and return at the cylinder', [90, 15, 0.96], ['Flow to the upper connection.'], {
    ...wetOutside,
    parts: ['fittings'],
  }),
  mend(
    'reducingValve.replace',
    'Fit a new pressure-reducing valve',
    [55, 70, 0.96],
    ['Mains off, hot tap open until it stops.', 'Vessel charged to its pressure afterwards.'],
    { ...unvented, parts: ['pressure-reducing valve'] },
  ),
  mend('reducingValve.cleanStrainer', 'Clean the reducing valve’s strainer', [25, 3, 0.95], ['Mains off, hot tap open until it stops, strainer out, rinse.'], {
    ...unvented,
    seals: ['strainer O-ring'],
    parts: ['strainer O-ring'],
  }),
  mend(
    'cylinderVessel.recharge',
    'Recharge the cylinder’s vessel, or restore its air gap',
    [30, 2, 0.88],
    [
      'Mains off, hot tap open until it stops; pump to the pressure of the reducing valve; tap shut, water fully on.',
      'An internal air gap is restored by the maker’s procedure, not by pumping.',
    ],
    { ...unvented },
  ),
  mend('cylinderVessel.replace', 'Fit a new potable-water vessel', [60, 75, 0.97], ['Charge it to the reducing valve’s pressure first.'], {
    ...unvented,
    parts: ['potable expansion vessel'],
  }),
  mend(
    'temperatureRelief.replace',
    'Fit a new temperature relief valve',
    [60, 55, 0.96],
    ['Cylinder drained below it, of the maker’s own pattern.', 'Thermostat and high limit proved before heat.'],
    {
      ...unvented,
      parts: ['temperature relief valve'],
    },
  ),
  mend('expansionRelief.replace', 'Fit a new cylinder relief valve', [45, 48, 0.95], ['Vessel and reducing valve first: they may be why it passes.'], {
    ...unvented,
    parts: ['cylinder relief valve'],
  }),
  mend('mixingValve.replace', 'Fit a new mixing valve', [50, 65, 0.96], ['Isolate, new strainers, set with a thermometer.'], {
    parts: ['mixing valve'],
    seals: ['washers'],
    cautions: ['Water may scald.'],
  }),
  mend(
    'storeCoil.replace',
    'Fit a new mains coil, or a new store',
    [180, 320, 0.95],
    ['Both waters isolated, store drained below the coil.', 'New gaskets; fill, vent, pressure watched over a night.'],
    {
      ...wetOutside,
      parts: ['store coil'],
      seals: ['coil gasket'],
    },
  ),
  mend('storeCoil.descale', 'Descale the mains coil', [90, 30, 0.75], ['Acid in a closed loop through the coil, then rinse.'], {
    cautions: ['Acid: gloves, eyes, ventilation.', proveDead],
    parts: ['descaler'],
  }),
  mend('plate.descale', 'Descale the plate’s mains side', [60, 25, 0.75], ['Plate out; descaler through the mains side only, flush, new seals.'], {
    ...wet,
    cautions: [drainFirst, 'Acid: gloves, eyes, ventilation.'],
    parts: ['descaler'],
    seals: ['plate seals'],
  }),
  mend(
    'cylinder.vent',
    'Vent the pipes to the coil',
    [20, 0, 0.9],
    ['Pump off, cold; vent at the highest point of the coil’s pipes, top up.', 'Flow pipe hot to the cylinder, return following.'],
  ),
  mend('cylinder.openCoilValve', 'Open the valve in the coil’s pipes', [5, 0, 0.97], ['Count the turns; both pipes hot after ten minutes.']),
  mend('gravity.antiGravity', 'Fit or free the anti-gravity valve', [75, 22, 0.9], ['Drain, renew, refill, vent.', 'Hot water alone: radiators stay cold.'], {
    ...wetOutside,
    parts: ['anti-gravity valve'],
    seals: ['fittings'],
  }),
  mend('gravity.repipe', 'Move the gravity return behind the pump', [180, 40, 0.9], ['Its own return to the boiler, clear of the pump’s suction.'], {
    ...wetOutside,
    parts: ['22 mm pipe and fittings'],
  }),
  mend(
    'cylinder.restoreGap',
    'Restore the internal air gap',
    [30, 0, 0.85],
    ['By the maker’s procedure: mains off, lower hot outlet open, drained to the gap, shut, refilled.', 'Heat to the thermostat: tundish dry.'],
    { skill: 'unvented', cautions: [qualified] },
  ),
  mend(
    'reducingValve.cartridge',
    'Fit a new cartridge to the reducing valve',
    [30, 35, 0.9],
    ['Mains off, hot tap open until it stops.', '{reducingValve.setting} bar behind it with nothing drawn.'],
    { ...wetOutside, skill: 'unvented', cautions: [qualified, drainFirst], parts: ['reducing-valve cartridge'] },
  ),
  mend('cylinderColdValve.open', 'Open the cold valve of the cylinder', [3, 0, 0.97], ['Fully, then back a quarter turn.'], { skill: 'anyone' }),
  mend(
    'store.topUp',
    'Top the store up and put its filling right',
    [30, 12, 0.85],
    ['Ball valve free, or the filling point used; inhibitor.', 'Level mark, then the tap hot for ten minutes.'],
    { parts: ['ball valve'] },
  ),
  mend(
    'mixingValve.clean',
    'Clean strainers and check valves of the mixing valve',
    [25, 0, 0.85],
    ['Both feeds shut, strainers out, rinsed, refitted.', 'Tap temperature steady from first to last.'],
    { ...wetOutside },
  ),
  mend('mixingValve.check', 'Fit new check valves to the mixing valve', [30, 14, 0.92], ['Both feeds shut.', 'Cold tap cold with the hot side hot.'], {
    ...wetOutside,
    parts: ['check valves for the mixing valve'],
  }),
  mend(
    'immersion.element',
    'Fit a new immersion element',
    [90, 40, 0.95],
    ['Isolate and prove dead; drain below the boss.', 'Insulation above 1 MΩ before power, then 13 A.'],
    { ...wetOutside, skill: 'electrical', cautions: [proveDead, drainFirst], parts: ['immersion element'], seals: ['boss washer'] },
  ),
  mend('immersion.stat', 'Fit a new immersion thermostat with cut-out', [25, 18, 0.95], ['Isolate and prove dead.', 'Set to 60 °C; it clicks off there.'], {
    ...wired,
    parts: ['immersion thermostat'],
  }),
  mend('immersion.off', 'Switch the immersion heater off and show the customer', [3, 0, 0.97], ['Off at its switch; show which heats what.'], {
    skill: 'anyone',
  }),
]
