import type { CheckRow } from '../../rows/row.ts'
import { at, check, clamped, cue, hotWater, inTheStream, none, number, oneOf, parameter, run, state, unvented, yesNo } from '../kinds.ts'

const warm = at('hotWater', 'storeWarm')

/** Cylinder and thermal store. */
export const storedChecks: CheckRow[] = [
  check(
    'measure.storeTemperature',
    'Stored water at the end of a heat-up',
    hotWater,
    clamped(run('stored', 'cylinderTemperature', 'last'), [5, 85], 3),
    ['Clamp under the lagging, two thirds up; or a tap run for a minute.'],
    {
      minutes: 25,
      concerns: warm,
    },
  ),
  check(
    'measure.coilFlow',
    'Coil flow pipe after ten minutes',
    hotWater,
    clamped(run('stored', 'plateIn', 'mean', { from: 480, to: 720 }), [5, 95], 3),
    ['Clamp on bare pipe at the cylinder.'],
    {
      minutes: 10,
      concerns: warm,
    },
  ),
  check(
    'measure.coilReturn',
    'Coil return pipe after ten minutes',
    hotWater,
    clamped(run('stored', 'plateOut', 'mean', { from: 480, to: 720 }), [5, 95], 3),
    ['Clamp on bare pipe at the cylinder, the same moment.'],
    {
      minutes: 10,
      concerns: warm,
    },
  ),
  check(
    'look.coilPipes',
    'Which coil pipe warms first?',
    hotWater,
    state({ id: 'upper', label: 'the upper' }, { id: 'lower', label: 'the lower: swapped' }, 'cylinder.reversed', { above: 0.5 }, 0.05),
    ['A hand on both as it starts: flow belongs to the upper.'],
    {
      minutes: 4,
      direct: true,
      concerns: warm,
    },
  ),
  check(
    'measure.drawTemperature',
    'Tap temperature, first half minute, cylinder hot',
    hotWater,
    inTheStream(run('drawOff', 'tapTemperature', 'mean', { from: 10, to: 40 }), [5, 75]),
    ['Thermometer in the stream; store known to be at 60 °C.'],
    {
      cautions: ['Water may scald.'],
      concerns: warm,
    },
  ),
  check(
    'measure.drawFlow',
    'Flow at the hot tap',
    hotWater,
    number('l/min', run('drawOff', 'tapFlow', 'max'), 'jug', 0.6, [1, 24], [0, 60]),
    ['Jug and watch, fifteen seconds, times four.'],
    { minutes: 2, concerns: warm },
  ),
  check(
    'look.cylinderStat',
    'Cylinder thermostat’s dial',
    none,
    number('°C', parameter('cylinderStat.setting'), 'dial', 1.5, [25, 75], [0, 100]),
    ['As found. 60 °C keeps legionella down.'],
    {
      minutes: 1,
      direct: true,
      concerns: at('hotWater', 'statCalls'),
    },
  ),
  check(
    'try.cylinderStatClick',
    'Cylinder thermostat: at which store temperature does it click off?',
    hotWater,
    number('K', parameter('cylinderStat.readsHigh'), 'clamp', 2.5, [-35, 35], [-80, 80]),
    ['Dial slowly down until it clicks, clamp beside it: dial less clamp.'],
    { minutes: 5, direct: true, concerns: at('hotWater', 'statCalls') },
  ),
  check(
    'measure.cylinderPressure',
    'Pressure behind the reducing valve, nothing drawn',
    none,
    number('bar', run('idle', 'cylinderPressure', 'last'), 'tester', 0.12, [0, 9], [0, 16]),
    ['Gauge at the drain or the port of the valve.', 'A bar above {reducingValve.setting} with nothing drawn: the valve passes.'],
    {
      minutes: 6,
      direct: true,
      cautions: [unvented],
    },
  ),
  check(
    'measure.cylinderPressureHot',
    'Pressure behind the reducing valve, cylinder hot',
    hotWater,
    number('bar', run('stored', 'cylinderPressure', 'max'), 'tester', 0.15, [0, 7], [0, 16]),
    ['At the end of a heat-up, nothing drawn.'],
    {
      minutes: 25,
      cautions: [unvented],
    },
  ),
  check(
    'measure.airGapCharge',
    'Cylinder vessel charge, water off, tap open',
    { demand: 'none', drained: true },
    number('bar', parameter('cylinderVessel.preCharge'), 'tester', 0.1, [0, 5], [-0.2, 12]),
    ['Mains off, hot tap open until it stops, then the tester.', 'An internal air gap has no valve: it is restored by the maker’s procedure.'],
    { minutes: 10, access: 'drained', cautions: [unvented], direct: true, mistake: 'With water behind it the reading is the water’s.' },
  ),
  check(
    'look.airGapWater',
    'Cylinder vessel air valve: air or water?',
    none,
    state({ id: 'air', label: 'air' }, { id: 'water', label: 'water' }, 'cylinderVessel.cushion', { below: 0.3 }),
    ['A brief press, cloth over it.'],
    {
      cautions: [unvented],
      direct: true,
    },
  ),
  check(
    'look.tundish',
    'Tundish while the cylinder heats',
    hotWater,
    oneOf(
      [
        { id: 'always', label: 'runs at all times', when: [{ read: run('idle', 'tundishFlow', 'last'), above: 0.002 }] },
        { id: 'dry', label: 'dry', when: ['stored', 'storeOn'].map((id) => ({ read: run(id, 'tundishFlow', 'max'), below: 0.002 })) },
        { id: 'hot', label: 'runs as it gets hot' },
      ],
      0.03,
    ),
    ['Dry it, then watch a heat-up.'],
    { minutes: 20, cautions: [unvented, 'Steam or boiling water there: shut the heat off and stand clear.'] },
  ),
  check(
    'look.reliefPipes',
    'Which pipe above the tundish is wet?',
    none,
    oneOf(
      [
        {
          id: 'temperature',
          label: 'from the temperature relief on the cylinder',
          when: [{ read: parameter('expansionRelief.temperaturePassing'), above: 0.001 }],
        },
        {
          id: 'expansion',
          label: 'from the expansion relief',
          when: ['stored', 'storeOn'].map((id) => ({ read: run(id, 'tundishFlow', 'max'), above: 0.002 })),
        },
        { id: 'dry', label: 'neither' },
      ],
      0.03,
    ),
    ['Dry paper at the joint of each.', 'Hot or steaming: heat off, stand clear, it is no drip.'],
    { minutes: 2, direct: true, cautions: [unvented] },
  ),
  check(
    'look.strainer',
    'Strainer of the reducing valve',
    { demand: 'none', drained: true },
    cue(0.0001),
    ['Mains off, hot tap open until it stops, strainer out, rinse.'],
    {
      direct: true,
      minutes: 12,
      access: 'drained',
      cautions: [unvented],
      concerns: warm,
    },
  ),
  check(
    'try.mixingValve',
    'Mixing valve’s knob from end to end: does the tap follow?',
    hotWater,
    oneOf(
      [
        { id: 'cold', label: 'stays cool', when: [{ read: parameter('mixingValve.coldShare'), above: 0.2 }] },
        { id: 'hot', label: 'stays scalding', when: [{ read: parameter('mixingValve.coldShare'), above: -0.5 }] },
        { id: 'follows', label: 'follows' },
      ],
      [0.05, 0.05, 0.0003],
    ),
    ['Store above 55 °C, else it proves nothing. Under a cap or a key: count the turns, put it back.'],
    { minutes: 4, cautions: ['Water may scald.'], direct: true, concerns: warm },
  ),
  check(
    'measure.storeCoilOut',
    'Pipe between store coil and mixing valve, tap open',
    hotWater,
    yesNo({ yes: 'nearly as hot as the store', no: 'far cooler' }, [{ read: parameter('storeCoil.mainsSide'), above: 0.6 }], [0.0003, 0.06]),
    ['Clamp on bare pipe, two minutes in.'],
    {
      minutes: 4,
      direct: true,
      concerns: warm,
    },
  ),
]
