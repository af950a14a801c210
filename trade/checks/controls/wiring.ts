import type { ControlScheme } from '@dewpoint/core/system'
import type { CheckRow } from '../../rows/row.ts'
import { at, check, dead, heating, hotWater, live, none, off, ohms, oneOf, parameter, run, state, volts } from '../kinds.ts'

const tested: Partial<CheckRow> = { access: 'live', cautions: [live] }
const deadTest: Partial<CheckRow> = { access: 'dead', cautions: [dead], direct: true }

/** Seconds of a call in which every valve has had its travel. */
const settled = { from: 30, to: 42 }

/** What can be seen and measured on a system whose wiring is known. */
export const wiringChecks: CheckRow[] = [
  check(
    'listen.pumpUnasked',
    'Does the pump run with nothing calling?',
    none,
    oneOf(
      [
        { id: 'yes', label: 'it runs all the time', when: [{ read: run('idle', 'pumpVolts', 'mean'), above: 170 }] },
        { id: 'brief', label: 'a minute now and then', when: [{ read: run('idle', 'pumpVolts', 'max'), above: 150 }] },
        { id: 'no', label: 'it stands' },
      ],
      0.04,
    ),
    ['Thermostats down, taps shut, overrun over: a screwdriver to the ear.', 'Keep-warm, frost protection and a kick of a few seconds a day are no fault.'],
    { minutes: 2, concerns: at('heating', 'heatCalled') },
  ),
  check(
    'measure.demandUnasked',
    'Demand terminal with nothing calling',
    none,
    volts(run('idle', 'heatCallVolts', 'max')),
    ['Thermostats down. 30 to 110 V on a high-impedance meter may be a ghost: the low-impedance tester settles it.'],
    { ...tested, concerns: at('heating', 'heatCalled') },
  ),
  check(
    'ask.offHours',
    'Does anything heat outside its hours?',
    none,
    oneOf(
      [
        {
          id: 'rooms',
          label: 'the rooms',
          when: [
            { read: parameter('programmer.heatingStuck'), above: -1 },
            // fed from behind a call at the boiler, a dead output reads live as well: what is behind the thermostat tells
            { read: run('programmedOff', 'heatingMotorVolts', 'mean', settled), above: 100 },
          ],
        },
        { id: 'store', label: 'the hot water', when: [{ read: run('programmedOff', 'hotWaterMotorVolts', 'mean', settled), above: 100 }] },
        { id: 'no', label: 'no' },
      ],
      0.06,
    ),
    ['Thermostats as usual, everything off at the programmer. Frost protection in hard frost is no fault.'],
    { needs: 'roomStat', concerns: at('heating', 'timerOn') },
  ),
  check(
    'try.circuitsAlone',
    'Each circuit alone, then both: which of them fire the boiler?',
    none,
    oneOf(
      [
        {
          id: 'roomsOnlyWithStore',
          label: 'rooms only while hot water is on',
          when: [
            { read: run('heatingAlone', 'heatCallVolts', 'mean', settled), below: 100 },
            { read: run('heating', 'heatCallVolts', 'max'), above: 100 },
          ],
        },
        {
          id: 'neither',
          label: 'none of them',
          when: [
            { read: run('heatingAlone', 'heatCallVolts', 'mean', settled), below: 100 },
            { read: run('stored', 'hotWaterCallVolts', 'max'), below: 100 },
          ],
        },
        { id: 'storeOnly', label: 'the cylinder, not the rooms', when: [{ read: run('heatingAlone', 'heatCallVolts', 'mean', settled), below: 100 }] },
        { id: 'roomsOnly', label: 'the rooms, not the cylinder', when: [{ read: run('stored', 'hotWaterCallVolts', 'max'), below: 100 }] },
        {
          id: 'roomsDropOut',
          label: 'each alone; the rooms drop out with both',
          when: [{ read: run('both', 'heatingValve', 'mean', settled), below: 0.4 }],
        },
        { id: 'all', label: 'each, and both together' },
      ],
      0.04,
    ),
    ['At the programmer: hot water off and heating on, then the other way round, then both. Give the valve its travel time.'],
    { minutes: 6, needs: 'programmerLive', concerns: at('heating', 'statCalls') },
  ),
  check(
    'measure.heatingOutputOff',
    'Heating output with the programmer off',
    none,
    state({ id: 'dead', label: 'dead' }, { id: 'live', label: 'still live' }, 'programmer.heatingStuck', { above: 0.5 }),
    ['Off at the programmer, output to neutral.'],
    { ...tested, concerns: at('heating', 'timerOn') },
  ),
  check(
    'measure.hotWaterOutputOff',
    'Hot-water output with the programmer off',
    none,
    state({ id: 'dead', label: 'dead' }, { id: 'live', label: 'still live' }, 'programmer.hotWaterStuck', { above: 0.5 }),
    ['Off at the programmer, output to neutral.'],
    { ...tested, concerns: at('hotWater', 'timerOn') },
  ),
  check(
    'measure.cylinderStatOff',
    'Cylinder thermostat turned to its lowest',
    off,
    state({ id: 'opens', label: 'opens' }, { id: 'made', label: 'stuck closed' }, 'cylinderStat.stuckClosed', { above: 0.5 }),
    ['Common to call.'],
    { ...deadTest, concerns: at('hotWater', 'statCalls') },
  ),
  check(
    'measure.zone2StatOff',
    'Zone 2 thermostat turned to its lowest',
    off,
    state({ id: 'opens', label: 'opens' }, { id: 'made', label: 'stuck closed' }, 'zone2Stat.stuckClosed', { above: 0.5 }),
    ['Between its two wires.'],
    { ...deadTest, concerns: at('heating', 'statCalls') },
  ),
  check(
    'look.highLimit',
    'High limit: made or tripped?',
    off,
    oneOf(
      [
        { id: 'weak', label: 'tripped, and again well below its setting', when: [{ read: parameter('highLimit.weak'), above: 0.5 }] },
        { id: 'tripped', label: 'tripped: its button is out', when: [{ read: parameter('highLimit.tripped'), above: 0.5 }] },
        { id: 'made', label: 'made' },
      ],
      [0.05, 0.03, 0.0002],
    ),
    ['Cover off, continuity across it; the reset button may be under a cap. It trips for a reason: store too hot, thermostat not on the metal.'],
    { ...deadTest, minutes: 4, concerns: at('hotWater', 'statCalls') },
  ),
  check(
    'measure.supplyFuse',
    'Fuse in the spur',
    off,
    state({ id: 'whole', label: 'closed' }, { id: 'blown', label: 'open' }, 'supply.fuse', { below: 0.5 }, 0.02),
    ['Fuse out, meter across it. Blown: find the short first.', '3 A for boiler and controls: a larger one is a finding of its own.'],
    { ...deadTest, minutes: 2 },
  ),
  check(
    'measure.polarity',
    'Polarity at the spur',
    none,
    state({ id: 'right', label: 'live on L' }, { id: 'reversed', label: 'live on N' }, 'supply.reversed', { above: 0.5 }, 0.02),
    ['L to earth, then N to earth.'],
    { ...tested, direct: true, minutes: 2 },
  ),
  check(
    'measure.cylinderStatSatisfied',
    'Cylinder thermostat’s satisfied contact, cylinder warm',
    off,
    oneOf(
      [
        { id: 'open', label: 'does not make', when: [{ read: parameter('cylinderStat.satisfied'), below: 0.5 }] },
        { id: 'crossed', label: 'exchanged with call', when: [{ read: parameter('cylinderStat.crossed'), above: 0.5 }] },
        { id: 'made', label: 'makes' },
      ],
      [0.03, 0.03, 0.0002],
    ),
    ['Common to satisfied, dial below the store; then common to call above it.'],
    { ...deadTest, concerns: at('hotWater', 'statCalls') },
  ),
  check(
    'measure.hotWaterOff',
    'Hot-water-off terminal of the programmer, hot water off',
    heating,
    state({ id: 'live', label: 'live' }, { id: 'dead', label: 'dead' }, 'programmer.offContact', { below: 0.5 }, 0.03),
    ['Hot water off at the programmer, off terminal to neutral: grey of the mid-position valve needs it.'],
    { ...tested, direct: true, concerns: at('heating', 'valveOpens') },
  ),
  check(
    'measure.deadEverywhere',
    'Every terminal with the spur off: dead?',
    off,
    state({ id: 'dead', label: 'dead everywhere' }, { id: 'live', label: 'something is still live' }, 'supply.twoSources', { above: 0.5 }, 0.02),
    [
      'Prove the tester, live to neutral, live to earth, neutral to earth, prove it again.',
      'Still live: another circuit feeds it. Find it before anything else.',
    ],
    { access: 'dead', cautions: [dead], direct: true, minutes: 4 },
  ),
  check(
    'look.statNeutral',
    'Neutral at the room thermostat',
    off,
    state({ id: 'there', label: 'connected, or it needs none' }, { id: 'none', label: 'not connected' }, 'roomStat.noNeutral', { above: 0.5 }, 0.04),
    ['Behind its cover: an accelerator without neutral lets rooms overshoot.'],
    { ...deadTest, minutes: 2, concerns: at('heating', 'radiatorsWarm') },
  ),
  ...midPositionChecks(),
]

/** A mid-position valve: its three wires, its lever, its motor and body. */
function midPositionChecks(): CheckRow[] {
  const valve = at('heating', 'valveOpens')
  const rows: CheckRow[] = [
    check(
      'measure.midWhite',
      'White of the mid-position valve while rooms call',
      heating,
      volts(run('heating', 'heatingMotorVolts', 'max')),
      ['White to neutral.'],
      {
        ...tested,
        concerns: at('heating', 'statCalls'),
      },
    ),
    check(
      'measure.midGrey',
      'Grey of the mid-position valve while rooms alone call',
      heating,
      volts(run('heating', 'satisfiedVolts', 'max')),
      ['Cylinder satisfied, or hot water off. Grey is “hot water satisfied” here, never a permanent live.'],
      { ...tested, concerns: valve, mistake: 'Taking grey for a permanent live.' },
    ),
    check(
      'measure.midGreyStored',
      'Grey of the mid-position valve while the cylinder calls',
      hotWater,
      volts(run('stored', 'satisfiedVolts', 'min', { from: 10, to: 60 })),
      ['Dead while the cylinder calls. Live then: a conductor on the wrong terminal.'],
      { ...tested, concerns: at('hotWater', 'statCalls') },
    ),
    check(
      'measure.midOrange',
      'Orange of the mid-position valve while rooms alone call',
      heating,
      volts(run('heating', 'heatCallVolts', 'max')),
      ['After its travel time: white through the valve’s own switch.'],
      { ...tested, concerns: at('heating', 'heatCalled') },
    ),
    check(
      'look.midLever',
      'Lever of the mid-position valve while rooms alone call',
      heating,
      oneOf(
        [
          { id: 'resists', label: 'resists all the way', when: [{ read: run('heating', 'heatingValve', 'max'), below: 0.4 }] },
          { id: 'half', label: 'slack to the middle only', when: [{ read: run('heating', 'hotWaterValve', 'min'), above: 0.6 }] },
          { id: 'slack', label: 'slack: driven right over' },
        ],
        0.02,
      ),
      ['Give it its travel time first.'],
      { direct: true, concerns: valve },
    ),
    check(
      'look.midLatch',
      'Lever of the mid-position valve with nothing calling',
      none,
      oneOf(
        [
          { id: 'latched', label: 'latched by hand', when: [{ read: parameter('midValve.heldOpen'), above: 0.5 }] },
          {
            id: 'over',
            label: 'slack to the far end: stuck at heating',
            when: [
              { read: parameter('midValve.freedom'), below: 0.5 },
              { read: parameter('midValve.start'), above: 0.8 },
            ],
          },
          {
            id: 'middle',
            label: 'will not leave the middle',
            when: [
              { read: parameter('midValve.freedom'), below: 0.5 },
              { read: parameter('midValve.start'), above: 0.35 },
            ],
          },
          { id: 'stiff', label: 'will not move', when: [{ read: parameter('midValve.freedom'), below: 0.5 }] },
          { id: 'free', label: 'springs back' },
        ],
        [0.03, 0.03, 0.03, 0.03, 0.0002],
      ),
      ['A valve held by hand hides a fault.'],
      { minutes: 1, direct: true, concerns: valve },
    ),
    check(
      'measure.midMotorOhms',
      'Motor of the mid-position valve, resistance',
      off,
      ohms('midValve.motorResistance', [0.02, 10_000]),
      ['White and grey off, white to blue.'],
      {
        ...deadTest,
        concerns: valve,
      },
    ),
    check(
      'measure.midSwitch',
      'Mid-position valve driven right over: white to orange',
      off,
      oneOf(
        [
          { id: 'open', label: 'open', when: [{ read: parameter('midValve.endSwitch'), below: 0.5 }] },
          { id: 'stays', label: 'made, stuck closed at rest', when: [{ read: parameter('midValve.endSwitchStuck'), above: 0.5 }] },
          { id: 'made', label: 'made, opens at rest' },
        ],
        0.03,
      ),
      ['Head off the body, wound over by hand, continuity.'],
      { ...deadTest, minutes: 6, concerns: at('heating', 'heatCalled') },
    ),
    check(
      'look.midLeverBoth',
      'Lever of the mid-position valve while rooms and cylinder call',
      heating,
      state(
        { id: 'middle', label: 'free to the middle, holds there' },
        { id: 'hunts', label: 'falls back and drives again' },
        'midValve.holding',
        { below: 0.5 },
        0.04,
      ),
      ['Both calling, a minute after its travel.'],
      { minutes: 3, direct: true, concerns: valve },
    ),
    check(
      'measure.midWhiteUnasked',
      'White and orange of the mid-position valve, rooms satisfied after heating alone',
      none,
      state({ id: 'dead', label: 'dead' }, { id: 'fed', label: 'half or full live: fed back through the head' }, 'midValve.backFeeds', { above: 0.5 }, 0.03),
      ['Grey live and the head warm is normal here. Low-impedance tester, white to neutral, then orange.'],
      { ...tested, direct: true, concerns: at('heating', 'heatCalled') },
    ),
    check(
      'look.midPipes',
      'Which outlet of the mid-position valve is hot while hot water alone is on?',
      hotWater,
      oneOf(
        [
          { id: 'swapped', label: 'the radiators’, and with heating the cylinder’s', when: [{ read: parameter('midValve.portsSwapped'), above: 0.5 }] },
          { id: 'both', label: 'both', when: [{ read: run('stored', 'radiatorTemperature', 'last'), above: 22 }] },
          { id: 'right', label: 'the cylinder’s alone' },
        ],
        0.04,
      ),
      ['A hand on both, ten minutes in.'],
      { minutes: 3, concerns: valve },
    ),
    check(
      'look.midHeadWet',
      'Water or rust under the head of the mid-position valve',
      none,
      state({ id: 'dry', label: 'dry' }, { id: 'wet', label: 'rust, or wet' }, 'midValve.spindleWeeps', { above: 0.5 }, 0.04),
      ['A torch under the head, dry paper round the spindle.'],
      { minutes: 2, direct: true, concerns: valve },
    ),
    check(
      'look.midHeadFit',
      'Head of the mid-position valve against its body, both at rest',
      off,
      state({ id: 'alike', label: 'stand alike' }, { id: 'out', label: 'out of line' }, 'midValve.headMisfitted', { above: 0.5 }, 0.03),
      ['Note how the spindle stands as the head is lifted.'],
      { ...deadTest, minutes: 4, concerns: valve },
    ),
    check(
      'try.midAgain',
      'Mid-position valve after half an hour of calling',
      heating,
      state({ id: 'holds', label: 'as at the start' }, { id: 'gone', label: 'has let go, its head hot' }, 'midValve.motorWeak', { above: 0.5 }, 0.06),
      ['A second reading when the head is hot.'],
      { minutes: 4, direct: true, concerns: valve },
    ),
    check(
      'try.midHeadOff',
      'Head of the mid-position valve lifted off: does the spindle turn?',
      off,
      state({ id: 'free', label: 'turns with two fingers' }, { id: 'seized', label: 'seized' }, 'midValve.freedom', { below: 0.5 }),
      ['Head off without draining. A seized body looks like a dead head until then.'],
      { ...deadTest, minutes: 6, concerns: valve },
    ),
  ]
  return rows.map((row) => ({ ...row, needs: 'midValve' }))
}

/** The room thermostat’s two wires joined for a moment: whatever else stands in the way of the call still does, the valve and its switch among it. */
export function bridgeCheck(): CheckRow[] {
  return [
    {
      ...check(
        'try.bridgeStat',
        'Room thermostat bridged for a moment: does the call come through?',
        heating,
        {
          kind: 'outcome',
          outcomes: [
            { id: 'calls', label: 'it calls: thermostat or its setting' },
            { id: 'stays', label: 'nothing: look further along the circuit' },
          ],
          // the demand terminal goes live once the valve has had its travel time
          decide: { rules: [{ outcome: 'calls', all: [{ read: run('bridged', 'heatCallVolts', 'max'), above: 100 }] }], otherwise: 'stays' },
          confusion: 0.04,
        },
        [
          'Dead, join common and call at the thermostat, power, watch, part them again.',
          'Both wires of one circuit and one voltage; never with a thermostat that switches another supply.',
        ],
        {
          access: 'dead',
          cautions: [dead, 'Only a room thermostat, only for the test. Never bridge a limit, an overheat device or any safety device.'],
          minutes: 6,
          concerns: at('heating', 'statCalls'),
        },
      ),
      needs: 'roomStat',
    },
  ]
}

/** One check a conductor: followed and tested end to end. */
export function conductorChecks({ conductors, components }: ControlScheme): CheckRow[] {
  return conductors.map(({ id }) => {
    const label = components.find((one) => one.id === id)!.label
    const stored = id.startsWith('hotWater')
    return check(
      `measure.core.${id}`,
      `${label}: traced and tested`,
      off,
      oneOf(
        [
          { id: 'nothing', label: 'an end is in no terminal', when: [{ read: parameter(`${id}.landed`), below: 0.5 }] },
          { id: 'open', label: 'open', when: [{ read: parameter(`${id}.continuity`), below: 0.5 }] },
          { id: 'elsewhere', label: 'on another terminal', when: [{ read: parameter(`${id}.landsOn`), above: 0.5 }] },
          { id: 'earth', label: 'down to earth', when: [{ read: parameter(`${id}.toEarth`), above: 0.5 }] },
          { id: 'touches', label: 'shorted to the next core', when: [{ read: parameter(`${id}.shorted`), above: 0.5 }] },
          { id: 'whole', label: 'intact, on its own terminals' },
        ],
        0.03,
      ),
      ['Identify it at both ends by its destination, not its colour.', 'Both ends off, continuity end to end and to its neighbours.'],
      { ...deadTest, minutes: 5, concerns: stored ? at('hotWater', 'statCalls') : at('heating', 'statCalls') },
    )
  })
}
