import { drainFirst, mend, opened, storedPressure, wet, wetOutside, type RemedyRow } from './mend.ts'

export const waterRemedies: RemedyRow[] = [
  mend(
    'pump.free',
    'Free the shaft and see whether it starts',
    [12, 0, 0.35],
    ['Vent screw out over a cloth, turn the shaft.', 'It often sticks again: say so.'],
    { ...opened },
  ),
  mend(
    'pump.replace',
    'Fit a new pump',
    [55, 180, 0.96],
    ['Isolate, drain, change the head; of another make, the whole pump.', 'Fill, vent, de-aerate before it runs dry.'],
    { ...wet, parts: ['pump'], seals: ['pump seals'] },
  ),
  mend(
    'water.vent',
    'Vent from the highest radiator, de-aerate',
    [30, 0, 0.9],
    ['Pump off, highest first, then the board’s de-aeration until it goes quiet.', 'Correct the pressure, find how air came in.'],
    { skill: 'heating' },
  ),
  mend(
    'water.topUp',
    'Top up, vent, and find where it went',
    [15, 0, 0.97],
    ['One hand on the valve, eyes on the gauge; close both valves.', 'Vent from the highest radiator, correct the pressure.'],
    { skill: 'anyone', cautions: ['A slow gauge overfills: pause.'] },
  ),
  mend('water.lower', 'Lower the pressure a little at a time', [12, 0, 0.97], ['System cold, drain or radiator vent, cloth and bowl, a helper at the gauge.'], {
    cautions: ['Do not unscrew the vent pin.'],
  }),
  mend('radiators.freePin', 'Free the radiator valve’s pin', [10, 0, 0.8], ['Head off, pin pressed and let out a few times, never pulled.'], {
    skill: 'anyone',
  }),
  mend('vessel.clearPipe', 'Clear or renew the pipe to the vessel', [45, 14, 0.92], ['Drain, pipe or hose off, rinse, rod the vessel’s connection.'], {
    ...wet,
    parts: ['vessel hose'],
    seals: ['fibre washers'],
  }),
  mend('fillValve.replace', 'Fit a new automatic fill valve', [40, 45, 0.96], ['Isolate both sides; set it to the cold pressure.'], {
    ...wetOutside,
    parts: ['fill valve'],
  }),
  mend('radiators.open', 'Open the valves and balance', [30, 0, 0.95], ['Turns noted before moving a lockshield.'], { skill: 'anyone' }),
  mend(
    'radiators.flush',
    'Flush the radiators, fit a filter, dose',
    [240, 90, 0.75],
    ['Mechanical cleaning of the worst; results of flushing are disputed: say so.', 'Filter, inhibitor.'],
    { ...wetOutside, parts: ['cleaner', 'inhibitor', 'system filter'] },
  ),
  mend('systemFilter.clean', 'Clean the filter and dose', [20, 12, 0.95], ['Both sides shut, magnet out, rinse, new O-ring.'], {
    cautions: [drainFirst],
    parts: ['filter O-ring', 'inhibitor'],
    seals: ['filter O-ring'],
  }),
  mend(
    'pressureSensor.replace',
    'Fit a new pressure sensor and clean its port',
    [25, 32, 0.94],
    ['Isolate, drain, clean the port, new seal.', 'Clean or renew the filter it is fed through.'],
    { ...wet, parts: ['pressure sensor', 'clip'], seals: ['sensor O-ring'] },
  ),
  mend(
    'waterSwitch.replace',
    'Fit a new water switch and clean its port',
    [35, 40, 0.94],
    ['Isolate, drain, clean the port, new seal.', 'Never join its contacts to make it run.'],
    { ...wet, parts: ['water switch'], seals: ['switch O-ring'] },
  ),
  mend('gauge.replace', 'Fit a new gauge', [25, 16, 0.97], ['Drain below it, capillary not kinked.'], { ...wet, parts: ['pressure gauge'] }),
  mend('pipework.mend', 'Find and mend the leak', [75, 20, 0.85], ['Proved with the system hot and cold.', 'Top up and dose.'], {
    ...wetOutside,
    parts: ['fittings'],
  }),
  mend('unions.remake', 'Remake the joint with a new washer', [30, 4, 0.93], ['New washer or O-ring, always.', 'Wipe, watch through a heating run.'], {
    ...wet,
    parts: ['fibre washers'],
    seals: ['fibre washer'],
  }),
  mend('hoses.renew', 'Fit two new hoses', [40, 34, 0.94], ['Rinse what they held, new clips, no twist.'], { ...wet, parts: ['flexible hoses', 'clips'] }),
  mend('hoses.rigid', 'Fit the rigid kit instead', [55, 48, 0.98], ['Measure, flush, new washers.'], {
    ...wet,
    parts: ['rigid pipe kit'],
    seals: ['fibre washers'],
  }),
  mend('airVent.renew', 'Fit a new automatic vent', [25, 14, 0.96], ['Dry everything below it before power.'], {
    ...wet,
    parts: ['automatic air vent'],
    seals: ['vent washer'],
  }),
  mend(
    'relief.clean',
    'Clean the relief valve’s seat',
    [20, 0, 0.5],
    ['Lift and flush a few times, clean the seat.', 'Check the vessel: it may be why it lifted.'],
    { cautions: ['Hot water under pressure.'] },
  ),
  mend('relief.replace', 'Fit a new relief valve', [35, 22, 0.97], ['Drain, renew with new washers.', 'Check the vessel: it may be why it lifted.'], {
    ...wet,
    parts: ['relief valve'],
    seals: ['washers'],
  }),
  mend(
    'vessel.recharge',
    'Recharge the vessel',
    [25, 2, 0.88],
    ['Drain the water side and leave the drain open.', 'To 1 bar at the air valve, leak fluid, wipe, cap.', 'Refill and vent.'],
    { access: 'drained', cautions: [storedPressure], parts: [], seals: ['vessel cap'] },
  ),
  mend('vessel.core', 'Fit a new valve core and recharge', [32, 3, 0.9], ['Let all air out before changing the core.', 'Leak fluid, wipe, cap.'], {
    access: 'drained',
    cautions: [storedPressure],
    parts: ['valve core'],
    seals: ['vessel cap'],
  }),
  mend('vessel.extension', 'Fit an extension to the valve and recharge', [35, 9, 0.92], ['Where the valve is awkward.'], {
    access: 'drained',
    cautions: [storedPressure],
    parts: ['valve extension'],
  }),
  mend(
    'vessel.replace',
    'Replace the vessel, or add one outside',
    [80, 95, 0.97],
    ['Drain, change or add one on the return.', 'Set its charge before filling.'],
    {
      access: 'drained',
      cautions: [storedPressure, 'Heavy part.'],
      parts: ['expansion vessel'],
      seals: ['vessel washer'],
    },
  ),
  mend(
    'vessel.add',
    'Add a second vessel on the return',
    [75, 80, 0.97],
    ['Size it by the sum: volume, fill, flow temperature.', 'Set its charge before filling.'],
    { access: 'drained', cautions: [storedPressure], parts: ['expansion vessel', 'tee and valve'], seals: ['vessel washer'] },
  ),
  mend('vessel.setCharge', 'Let the vessel’s charge down to 1 bar', [20, 0, 0.97], ['Water side drained, drain open.'], {
    access: 'drained',
    cautions: [storedPressure],
  }),
  mend(
    'fillingLoop.replace',
    'Blank off the valve and fit an external loop',
    [40, 34, 0.95],
    ['Isolate, blank the built-in valve, new loop with check valve.', 'Leave it disconnected and capped.'],
    { ...wet, parts: ['filling loop'] },
  ),
  mend(
    'fillingLoop.renewValves',
    'Fit new built-in filling valves',
    [50, 42, 0.95],
    ['Isolate, drain the block.', 'New valves with new seals; shut, they keep shut: watch the gauge.'],
    {
      ...wet,
      parts: ['filling valves'],
      seals: ['O-rings'],
    },
  ),
  mend('hoses.rinse', 'Take both hoses off, bend and rinse them', [20, 2, 1], ['What crunches when bent is dirt.', 'New washers, no twist.'], {
    ...wet,
    seals: ['fibre washers'],
  }),
  mend('water.treat', 'Clean and dose the system water', [30, 28, 1], ['Cleaner through the system, filter emptied, inhibitor to the dose for its volume.'], {
    parts: ['cleaner', 'inhibitor'],
  }),
  mend('fillingLoop.shut', 'Shut both handles, lower the pressure', [10, 0, 0.97], ['Handle across the pipe = shut.', 'Watch it: does it still let by?'], {
    skill: 'anyone',
  }),
  mend('pump.set', 'Set the pump’s speed or mode', [10, 0, 0.93], ['Curve or speed by the system; flow and return read again.'], { skill: 'heating' }),
  mend('pump.openValves', 'Open the pump’s valves', [8, 0, 0.96], ['Slot in line with the pipe is open; ask why they were shut.'], { skill: 'heating' }),
  mend('pump.turnRound', 'Turn the pump round', [45, 6, 0.96], ['Arrow with the flow; new seals, vent.'], {
    ...wet,
    parts: ['pump seals'],
    seals: ['pump seals'],
  }),
  mend(
    'bypass.set',
    'Clean and set the bypass',
    [25, 0, 0.9],
    ['About 0.3 bar, from memory: the maker’s figure first.', 'Valves shut: flow stays, nothing bangs.'],
    { skill: 'heating' },
  ),
  mend('airVent.open', 'Open the automatic vent’s cap', [4, 0, 0.9], ['A turn open, then de-aerate.'], { skill: 'anyone' }),
  mend('relief.pipe', 'Put the discharge pipe right', [60, 20, 0.95], ['Metal, falling all the way, ending where it can be seen and hurts nobody.'], {
    parts: ['pipe and fittings'],
  }),
  mend('fillingLoop.valve', 'Renew the loop’s valve or hose', [20, 18, 0.94], ['Both sides isolated.', 'Loop off and capped afterwards.'], {
    ...wetOutside,
    parts: ['filling loop valve'],
    seals: ['fibre washers'],
  }),
  mend(
    'pipework.trace',
    'Trace the hidden leak and mend it',
    [180, 40, 0.6],
    [
      'Room by room: pressure held in each part, floor up where it falls.',
      'Leak sealer is disputed: say so, and never before boiler and vessel are ruled out.',
    ],
    { ...wetOutside, parts: ['pipe and fittings'] },
  ),
]
