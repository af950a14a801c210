import * as say from './statements.ts'

const off = { powerOff: true }
const drained = { demand: 'none' as const, drained: true }

/** Cylinders, the thermal store, the electric boiler. */
export const stored: say.Story[] = [
  {
    title: 'Water in the tundish as it heats',
    heard: 'The funnel in the cupboard runs every evening.',
    system: 'system-boiler',
    tell: ({ complain, answer, measure, repair }) => [
      complain('tundishRuns'),
      answer('ask.tundish', 'hot'),
      say.among(3, 'cylinderVessel.lostCharge', 'cylinderVessel.diaphragm', 'cylinder.airGapLost'),
      measure('measure.airGapCharge', 0.2, 'bar', drained),
      say.stands(0.8, 'cylinderVessel.lostCharge', 'cylinder.airGapLost', 'cylinderVessel.diaphragm'),
      repair('cylinderVessel.recharge'),
      say.barsClosing(/tundish|hot water/i),
    ],
  },
  {
    title: 'Water in the tundish at all times',
    heard: 'It runs day and night, worse at night.',
    system: 'system-boiler',
    tell: ({ complain, answer, measure }) => [
      complain('tundishRuns'),
      answer('ask.tundish', 'always'),
      say.notLikely(0.3, 'cylinderVessel.lostCharge'),
      measure('measure.cylinderPressure', 6.0, 'bar'),
      say.stands(0.8, 'reducingValve.passing'),
    ],
  },
  {
    title: 'Why the high limit tripped',
    heard: 'No hot water at all; last week it was scalding.',
    system: 'system-boiler',
    controls: 'two-valves-high-limit',
    tell: ({ complain, answer }) => [
      complain('noStoredHotWater'),
      answer('look.highLimit', 'tripped', { situation: off }),
      say.stands(0.9, 'highLimit.tripped'),
      say.causeToFind('highLimit.tripped', 'cylinderStat.stuckClosed'),
      answer('measure.cylinderStatOff', 'made', { situation: off }),
      say.allStand(0.8, 'highLimit.tripped', 'cylinderStat.stuckClosed'),
      say.plans('cylinderStat.replace', 'highLimit.reset'),
    ],
  },
  {
    title: 'A hot store and a lukewarm tap',
    heard: 'The store is hot, the tap is not.',
    system: 'electric-flow',
    tell: ({ complain, measure, answer }) => [
      complain('lukewarmStored'),
      measure('measure.storeTemperature', 61, '°C'),
      say.among(4, 'mixingValve.stuckCold', 'storeCoil.scaled'),
      answer('try.mixingValve', 'cold'),
      say.stands(0.9, 'mixingValve.stuckCold'),
    ],
  },
  {
    title: 'One element out of three left',
    heard: 'Takes all day to get hot.',
    system: 'electric-flow',
    tell: ({ complain, measure }) => [
      complain('lukewarmStored'),
      measure('measure.elementCurrent', 13, 'A', { demand: 'hotWater' }),
      say.among(3, 'elements.oneFailed', 'board.stageDead'),
      measure('measure.elementsWhole', 1, '1', off),
      say.stands(0.85, 'elements.oneFailed'),
    ],
  },
  {
    title: 'Three good elements, two of them fed',
    heard: 'Takes all day to get hot, new elements last year.',
    system: 'electric-flow',
    tell: ({ complain, measure, answer }) => [
      complain('lukewarmStored'),
      measure('measure.elementCurrent', 26, 'A', { demand: 'hotWater' }),
      measure('measure.elementsWhole', 3, '1', off),
      answer('measure.elementVolts', 'some', { situation: { demand: 'hotWater' } }),
      say.stands(0.85, 'board.stageDead'),
      say.notLikely(0.1, 'elements.oneFailed'),
    ],
  },
  {
    title: 'Current with nothing calling',
    heard: 'The boiler’s body is hot in the morning, and the meter runs.',
    system: 'electric-flow',
    tell: ({ complain, measure }) => [
      complain('kettles'),
      measure('measure.elementsUnasked', 39, 'A'),
      measure('measure.demandUnasked', 0, 'V'),
      say.stands(0.75, 'contactor.welded'),
      say.leads('contactor.welded'),
    ],
  },
  {
    title: 'Flow and return the wrong way round',
    heard: 'Hot water has been poor ever since the cylinder was put in.',
    system: 'system-boiler',
    tell: ({ complain, answer }) => [
      complain('neverRight'),
      answer('ask.sinceInstalled', 'yes'),
      answer('look.coilPipes', 'lower'),
      say.stands(0.9, 'cylinder.reversed'),
    ],
  },
  {
    title: 'Air in the gravity pipes',
    heard: 'A radiator was changed. Since then the heating works and the cylinder stays cold.',
    system: 'regular-pilot',
    tell: ({ complain, answer }) => [
      complain('noStoredHotWater'),
      answer('ask.recentWork', 'yes'),
      answer('ask.heating', 'fine'),
      answer('look.coilPipesHot', 'metre'),
      say.stands(0.8, 'cylinder.airLocked'),
      say.plans('cylinder.vent'),
    ],
  },
  {
    title: 'A timer left off',
    heard: 'No hot water since the power cut.',
    system: 'electric-flow',
    controls: 'store-electric',
    tell: ({ complain, answer }) => [
      complain('noStoredHotWater'),
      answer('ask.changedOver', 'yes'),
      answer('look.programmeSet', 'yes'),
      say.stands(0.6, 'programmer.hotWaterSetOff'),
      say.plans('programmer.set'),
    ],
  },
  {
    title: 'It trips as the elements come in',
    heard: 'The big breaker in the board goes off as soon as it heats. The timer keeps its time.',
    system: 'electric-flow',
    tell: ({ complain, answer, measure }) => [
      complain('trips'),
      answer('ask.programmerDisplay', 'no'),
      answer('measure.powerVolts', 'none'),
      say.among(2, 'elements.earthFault', 'power.off'),
      measure('measure.elementInsulation', 0.004, 'MΩ', off),
      say.stands(0.9, 'elements.earthFault'),
      say.plans('elements.replace'),
    ],
  },
  {
    title: 'The immersion heater takes the electrics with it',
    heard: 'When the boiler failed we put the immersion on, and everything went off.',
    system: 'system-boiler',
    tell: ({ complain, measure }) => [complain('trips'), measure('measure.immersionInsulation', 0.003, 'MΩ', off), say.stands(0.85, 'immersion.earthFault')],
  },
]
