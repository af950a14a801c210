import type { CheckRow } from '../../rows/row.ts'
import { openFlame, premix } from '../../rows/layouts.ts'
import { at, caseOff, check, dead, gas, heating, live, number, off, oneOf, parameter, run, starting, state, volts, yesNo, whole } from '../kinds.ts'

const air = at('main', 'airProved')
const burning = at('main', 'keepsBurning')
const opened: Partial<CheckRow> = { access: 'caseOff' }
const fanned = { ...opened, cautions: [live] }

/** Fan, air switch, tubes: opened up or measured. */
export const airChecks: CheckRow[] = [
  check(
    'measure.lowestFanSpeed',
    'Fan speed at minimum rate',
    heating,
    number('rev/min', parameter('board.minimumFanSpeed'), 'display', 40, [800, 4500], [0, 12_000]),
    [
      'Put the board into its lowest-rate test function.',
      'Read the fan speed on the display; the maker’s figure is {board.minimumFanSpeed} rev/min on this model.',
    ],
    { direct: true, concerns: burning },
  ),
  check(
    'try.testFunction',
    'Board’s test function: does it fire and hold?',
    heating,
    oneOf(
      [
        { id: 'no', label: 'does not fire', when: [{ read: run('highRate', 'flame', 'max'), below: 0.5 }] },
        { id: 'goesOut', label: 'fires, goes out', when: [{ read: run('highRate', 'flame', 'drops'), above: 0.5 }] },
        { id: 'holds', label: 'fires and holds' },
      ],
      0.03,
    ),
    [
      'Test function from the panel, taps shut: it fires whatever the controls ask.',
      'Holds here and not on a call: look at the controls. Not here either: look at the boiler.',
    ],
    { concerns: at('main', 'lit') },
  ),
  check(
    'measure.fanSupply',
    'Supply at the fan plug while it should purge',
    starting,
    volts(run('main', 'fanVolts', 'max')),
    ['Across the two supply pins of the plug, not the speed wires.'],
    { ...fanned, minutes: 2, concerns: air },
  ),
  ...(
    [
      [premix, 2600],
      [openFlame, 1800],
    ] as const
  ).map(([on, barely]) =>
    check(
      'look.fanTurns',
      'Does the fan turn when powered?',
      starting,
      oneOf(
        [
          { id: 'no', label: 'stands still', when: [{ read: run('main', 'fanSpeed', 'max'), below: 150 }] },
          { id: 'slow', label: 'barely turns', when: [{ read: run('main', 'fanSpeed', 'max'), below: barely }] },
          { id: 'yes', label: 'turns' },
        ],
        // what stands is not seen to turn, nor what turns to stand
        [0.004, 0.03, 0.0002],
      ),
      ['Torch at the inlet grille as the board calls for purge.'],
      { ...opened, minutes: 1, cautions: ['Rotating parts.', caseOff], direct: true, concerns: air, on },
    ),
  ),
  check(
    'measure.tacho',
    'Fan speed on the display while it purges',
    starting,
    number('rev/min', run('main', 'tacho', 'beforeGas'), 'display', 100, [0, 6500], [0, 12_000]),
    ['Fan speed in the display’s readings, between the fan’s start and the gas: {fan.purgeSpeed} rev/min on this model.'],
    { minutes: 2, concerns: air, on: premix },
  ),
  check(
    'measure.airSwitchRest',
    'Air switch C–NC, fan off',
    off,
    oneOf(
      [
        { id: 'open', label: 'open', when: [{ read: run('idle', 'airSwitchRest', 'max'), below: 0.5 }] },
        { id: 'made', label: 'closed' },
      ],
      0.02,
    ),
    ['Leads off, meter on continuity.', 'Open at rest: stuck closed, or tampered with.'],
    { ...opened, cautions: [dead, 'Never join its contacts to make the boiler run.'], direct: true, concerns: at('main', 'airAtRest') },
  ),
  check(
    'measure.airSwitchRunning',
    'Air switch C–NO, fan running',
    starting,
    yesNo({ yes: 'makes', no: 'stays open' }, [{ read: run('main', 'airSwitch', 'max'), above: 0.5 }], 0.02),
    ['Volts across its contacts fall to nothing as it makes.'],
    { ...fanned, direct: true, concerns: air },
  ),
  check(
    'measure.airPressure',
    'Pressure across the air switch, fan running',
    starting,
    number('mbar', run('main', 'airPressure', 'max'), 'manometer', 0.08, [0, 1.6], [-2, 10]),
    ['Manometer across the two tubes at the switch, by T-pieces.', 'About {fan.pressure} mbar on this model; the switch makes at {airSwitch.makesAt}.'],
    { ...opened, minutes: 5, cautions: [caseOff], concerns: air },
  ),
  check(
    'look.airTakeOff',
    'Fan’s pressure take-off',
    off,
    state({ id: 'clear', label: 'clear' }, { id: 'blocked', label: 'blocked or deformed' }, 'fan.takeOff', { below: 0.8 }),
    ['Tube off, torch and a soft wire.'],
    { ...opened, minutes: 4, cautions: [dead], direct: true, concerns: air },
  ),
  check(
    'look.airSwitchWires',
    'Wires of the air switch',
    off,
    state({ id: 'right', label: 'each on its own tab' }, { id: 'bridged', label: 'contacts joined' }, 'airSwitch.bridged', { above: 0.5 }, 0.02),
    ['Anything across common and normally-open is a finding: stop there.'],
    { ...opened, minutes: 1, cautions: [dead], direct: true, concerns: air, unsafe: { danger: 'fumes', outcomes: ['bridged'] } },
  ),
  check(
    'measure.fanCommand',
    'Speed command at the fan plug while it should purge',
    starting,
    oneOf(
      [
        { id: 'none', label: 'none', when: [{ read: parameter('board.fanCommandDrive'), below: 0.5 }] },
        { id: 'there', label: 'there' },
      ],
      0.04,
    ),
    ['Duty or volts on the command wire, by the maker’s figures. A good fan with a dead command stands still.'],
    { ...fanned, minutes: 3, concerns: air },
  ),
  check('measure.fanLead', 'Fan lead, board to plug, continuity', off, whole('fanLead.continuity'), ['Both plugs off, core by core.'], {
    ...opened,
    minutes: 4,
    cautions: [dead],
    direct: true,
    concerns: air,
  }),
  check(
    'measure.airSwitchMakes',
    'Pressure at which the air switch makes',
    off,
    number('mbar', parameter('airSwitch.makesAt'), 'manometer', 0.05, [0.1, 1.6], [-2, 10]),
    ['Tubes off, a hand pump and the manometer on its port, meter on C–NO: it should make at {airSwitch.makesAt} mbar.'],
    { ...opened, minutes: 6, cautions: [dead, 'Never join its contacts to make the boiler run.'], direct: true, concerns: air },
  ),
  check(
    'look.airTubes',
    'Sensing tubes, one at a time',
    off,
    oneOf(
      [
        { id: 'swapped', label: 'on each other’s port', when: [{ read: parameter('airTubes.swapped'), above: 0.5 }] },
        { id: 'wet', label: 'water in them', when: [{ read: parameter('airTubes.water'), above: 0.5 }] },
        { id: 'bad', label: 'split or blocked', when: [{ read: parameter('airTubes.passage'), below: 0.8 }] },
        { id: 'sound', label: 'sound and clear' },
      ],
      0.03,
    ),
    ['Pull them off, look for splits at the ends, blow through away from the switch, water out.'],
    { ...opened, minutes: 4, cautions: [dead], direct: true, concerns: air },
  ),
  check(
    'look.fanWheel',
    'Fan wheel: dirt, balance, bearing',
    off,
    state({ id: 'clean', label: 'clean, turns true' }, { id: 'dirty', label: 'dirty, or out of true' }, 'fan.unbalanced', { above: 0.5 }, 0.04),
    ['Turned by a finger through the inlet, a torch on the vanes.'],
    { ...opened, minutes: 6, cautions: [dead], direct: true, concerns: air },
  ),
  check(
    'look.airFlap',
    'Non-return flap of the mixer',
    off,
    state({ id: 'free', label: 'falls shut by itself' }, { id: 'sticks', label: 'sticks or is bent' }, 'burner.flapSticks', { above: 0.5 }, 0.04),
    ['Where this model has one: mixer off, a finger on the flap.'],
    { ...opened, minutes: 12, cautions: [dead, gas], direct: true, concerns: burning },
  ),
]
