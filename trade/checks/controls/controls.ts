import type { CheckRow } from '../../rows.ts'
import { mainsValves, oneHeatingCircuit, withEndSwitch, zoned as isZoned } from '../../layouts.ts'
import { at, check, cue, dead, heating, hotWater, live, lowVolts, none, number, off, ohms, oneOf, parameter, run, state, volts, yesNo } from '../kinds.ts'

const heatCalled = at('heating', 'heatCalled')
const tested: Partial<CheckRow> = { access: 'live', cautions: [live] }
const deadTest: Partial<CheckRow> = { access: 'dead', cautions: [dead], direct: true }

/** One motor valve: lever, latch, supply, end switch, motor, body. */
function valveChecks(
  part: 'heatingValve' | 'hotWaterValve' | 'zone2Valve',
  name: string,
  id: string,
  runId: string,
  demand: 'heating' | 'hotWater',
  zoned = false,
): CheckRow[] {
  const signal = part === 'heatingValve' ? 'heatingValve' : part === 'hotWaterValve' ? 'hotWaterValve' : 'zone2Valve'
  const call = part === 'heatingValve' ? 'heatCallVolts' : part === 'hotWaterValve' ? 'hotWaterCallVolts' : 'zone2CallVolts'
  const motor = part === 'heatingValve' ? 'heatingMotorVolts' : part === 'hotWaterValve' ? 'hotWaterMotorVolts' : 'zone2MotorVolts'
  const situation = { demand } as const
  // what its water warms while it should be shut
  const others: Record<string, { demand: 'heating' | 'hotWater'; read: ReturnType<typeof run>; above: number }> = {
    heatingValve: zoned
      ? { demand: 'heating', read: run('zone2', 'radiatorTemperature', 'last'), above: 22 }
      : { demand: 'hotWater', read: run('stored', 'radiatorTemperature', 'last'), above: 22 },
    hotWaterValve: { demand: 'heating', read: run('heating', 'plateFlow', 'mean', { from: 300 }), above: 0.2 },
    zone2Valve: { demand: 'heating', read: run('heating', 'zone2Temperature', 'last'), above: 22 },
  }
  const { demand: other, ...outlet } = others[part]!
  const rows: CheckRow[] = [
    check(
      `measure.${id}Motor`,
      `Voltage at the ${name}’s motor while it should open`,
      situation,
      zoned ? lowVolts(run(runId, motor, 'max')) : volts(run(runId, motor, 'max')),
      zoned
        ? ['Across the two motor wires of the head: 24 to 28 V. The secondary floats: to earth or neutral the meter shows nothing.']
        : ['Motor wire to neutral, then to earth.'],
      {
        ...tested,
        concerns: at(demand, 'statCalls'),
      },
    ),
    check(
      `look.${id}Lever`,
      `Lever of the ${name} while it should be open`,
      situation,
      {
        ...oneOf(
          [
            { id: 'latched', label: 'latched in its notch', when: [{ read: parameter(`${part}.heldOpen`), above: 0.5 }] },
            {
              id: 'seized',
              label: 'stiff, will not move: seized',
              when: [
                { read: parameter(`${part}.freedom`), below: 0.5 },
                { read: run(runId, signal, 'max'), below: 0.8 },
              ],
            },
            { id: 'springsBack', label: 'springs back with tension: not driven', when: [{ read: run(runId, signal, 'max'), below: 0.8 }] },
            { id: 'slack', label: 'slack: driven open' },
          ],
          0.05,
        ),
        once: [{ id: 'resists', label: 'springs back or resists', means: ['springsBack', 'seized'] }],
      },
      ['Move it with a finger. Give it {PART.travelTime} seconds first.'],
      { concerns: at(demand, 'valveOpens') },
    ),
    check(
      `look.${id}Latch`,
      `Is the ${name}’s lever latched open, or the valve stuck?`,
      none,
      oneOf(
        [
          { id: 'latched', label: 'latched open by hand', when: [{ read: parameter(`${part}.heldOpen`), above: 0.5 }] },
          {
            id: 'stuckOpen',
            label: 'slack though nothing calls: stuck open',
            when: [
              { read: parameter(`${part}.freedom`), below: 0.5 },
              { read: parameter(`${part}.start`), above: 0.8 },
            ],
          },
          { id: 'stiff', label: 'will not move', when: [{ read: parameter(`${part}.freedom`), below: 0.5 }] },
          { id: 'free', label: 'springs back' },
        ],
        [0.03, 0.03, 0.03, 0.001],
      ),
      ['A valve held open hides a fault: let it go and see what fails. On most heads the lever opens the way and does not make the end switch.'],
      { minutes: 1, direct: true, concerns: at(demand, 'valveOpens') },
    ),
    check(
      `measure.${id}Switched`,
      `Switched live out of the ${name}’s end switch`,
      situation,
      volts(run(runId, call, 'max')),
      zoned
        ? ['After its travel time. The switch pair of the head: find it by continuity with the lever.']
        : [
            'After its travel time, the other circuit off or its orange out of the strip: the end switches meet at the boiler. Customary colour orange; identify it at both ends.',
          ],
      {
        ...tested,
        concerns: at(demand, demand === 'heating' ? 'heatCalled' : 'storeCalled'),
      },
    ),
    check(
      `measure.${id}SwitchedRest`,
      `End switch of the ${name} with nothing calling: live on its switched wire?`,
      none,
      state({ id: 'dead', label: 'dead' }, { id: 'live', label: 'live: stuck closed' }, `${part}.endSwitchStuck`, { above: 0.5 }, 0.03),
      ['Valve shut, everything off at the programmer, its orange out of the strip first: the other valve’s switch reads the same.'],
      { ...tested, concerns: at(demand, demand === 'heating' ? 'heatCalled' : 'storeCalled') },
    ),
    check(
      `look.${id}Outlet`,
      `Pipe beyond the ${name} while only the other circuit calls`,
      { demand: other },
      oneOf(
        [
          { id: 'hot', label: 'hot for a metre: lets by, or open', when: [outlet] },
          { id: 'cold', label: 'cold, or warm within a hand’s width' },
        ],
        0.06,
      ),
      ['Ten minutes in, a hand along the pipe: warmth next to the valve is conduction.'],
      { minutes: 4, concerns: at(demand, 'valveOpens') },
    ),
    check(`measure.${id}MotorOhms`, `Motor of the ${name}, resistance`, off, ohms(`${part}.motorResistance`, [0.02, 10_000]), ['Motor wire off, to neutral.'], {
      ...deadTest,
      concerns: at(demand, 'valveOpens'),
    }),
    check(
      `try.${id}HeadOff`,
      `Head of the ${name} lifted off: does the spindle turn?`,
      off,
      state({ id: 'free', label: 'turns with two fingers' }, { id: 'seized', label: 'seized' }, `${part}.freedom`, { below: 0.5 }),
      ['Head off without draining. A seized body looks like a dead head until then.'],
      { ...deadTest, minutes: 6, concerns: at(demand, 'valveOpens') },
    ),
    check(
      `try.${id}Substitute`,
      `Motor wire of the ${name} on an output proved live: does it open?`,
      situation,
      oneOf(
        [
          { id: 'stays', label: 'does not open', when: [{ read: parameter(`${part}.motor`), below: 0.5 }] },
          { id: 'staysToo', label: 'hums, does not open', when: [{ read: parameter(`${part}.freedom`), below: 0.5 }] },
          { id: 'opens', label: 'opens: valve is good, look upstream' },
        ],
        0.04,
      ),
      [
        `Dead, move the one conductor${zoned ? ' to a 24 V output proved live, such as the neighbour’s thermostat: mains burns the head' : ''}, power, watch, put it back.`,
      ],
      { access: 'dead', cautions: [dead], minutes: 8, concerns: at(demand, 'valveOpens') },
    ),
  ]
  return rows.map((row) => ({ ...row, how: row.how.map((step) => step.replace('PART', part)), needs: part, on: zoned ? isZoned : mainsValves })) as CheckRow[]
}

/** What stands between the clock on the wall and the boiler. */
export const controlChecks: CheckRow[] = [
  check(
    'look.programmer',
    'Programmer blank, fading, or lamp on with no output?',
    none,
    cue(0.02),
    ['Blank, fading, lamp lit with a dead output: it is faulty even if it looks alive.'],
    { concerns: at('heating', 'timerOn') },
  ),
  check(
    'look.programmeSet',
    'Programme off, or clock wrong?',
    none,
    cue(0.05),
    ['As found: selector, hours, day of the week. Then put it on “constant” for the test.'],
    { minutes: 1, concerns: at('heating', 'timerOn') },
  ),
  check(
    'look.statSetting',
    'Is the room thermostat set above the room?',
    none,
    state({ id: 'above', label: 'well above' }, { id: 'below', label: 'at or below' }, 'roomStat.turnedUp', { below: 0.5 }, 0.02),
    ['As found, before you turn anything: a boiler with no demand is not a faulty boiler.'],
    { minutes: 1, direct: true, concerns: heatCalled },
  ),
  check(
    'look.zone2StatSetting',
    'Is the zone 2 thermostat set above its room?',
    none,
    state({ id: 'above', label: 'well above' }, { id: 'below', label: 'at or below' }, 'zone2Stat.turnedUp', { below: 0.5 }, 0.02),
    ['As found.'],
    {
      minutes: 1,
      direct: true,
      concerns: at('heating', 'statCalls'),
    },
  ),
  check(
    'look.storeStatSetting',
    'Is the store’s thermostat set above the store?',
    none,
    state({ id: 'above', label: 'well above' }, { id: 'below', label: 'at or below' }, 'cylinderStat.turnedUp', { below: 0.5 }, 0.02),
    ['As found, before you turn anything.'],
    {
      minutes: 1,
      direct: true,
      concerns: at('hotWater', 'statCalls'),
    },
  ),
  check(
    'measure.heatingOutput',
    'Heating output of the programmer',
    heating,
    volts(run('heating', 'heatingTimerVolts', 'max')),
    ['Switched on, output terminal to neutral.'],
    {
      ...tested,
      concerns: at('heating', 'timerOn'),
      on: oneHeatingCircuit,
    },
  ),
  check(
    'measure.hotWaterOutput',
    'Hot-water output of the programmer',
    hotWater,
    volts(run('stored', 'hotWaterTimerVolts', 'max')),
    ['Switched on, output terminal to neutral.'],
    {
      ...tested,
      concerns: at('hotWater', 'timerOn'),
    },
  ),
  check(
    'look.receiverLamp',
    'Receiver’s lamp while the thermostat calls',
    heating,
    oneOf(
      [
        { id: 'searching', label: 'searching or flashing', when: [{ read: parameter('roomStat.paired'), below: 0.5 }] },
        { id: 'rest', label: 'at rest, no call', when: [{ read: parameter('roomStat.closes'), below: 0.5 }] },
        { id: 'calls', label: 'calls' },
      ],
      0.05,
    ),
    ['Wireless only. Its own button calls by hand: does the boiler start then?'],
    { minutes: 1, concerns: heatCalled },
  ),
  check(
    'look.boilerLink',
    'Link at the boiler’s room-thermostat terminals',
    off,
    state({ id: 'none', label: 'none beside the thermostat’s wires' }, { id: 'left', label: 'left in' }, 'roomStat.linked', { above: 0.5 }, 0.02),
    ['Cover off the terminals: the maker’s link comes out when a thermostat goes in.'],
    { ...deadTest, minutes: 2, concerns: heatCalled },
  ),
  check(
    'try.demandOff',
    'Thermostat’s wires off at the boiler: does it stop?',
    none,
    state({ id: 'stops', label: 'stops' }, { id: 'runs', label: 'still runs' }, 'board.demandStuck', { above: 0.5 }, 0.03),
    ['Dead, both wires off and apart, power, watch.'],
    { access: 'dead', cautions: [dead], direct: true, minutes: 5, concerns: heatCalled },
  ),
  check(
    'measure.roomStat',
    'Room thermostat, continuity as it clicks',
    off,
    state({ id: 'beeps', label: 'clicks and closes' }, { id: 'open', label: 'stuck open' }, 'roomStat.closes', { below: 0.5 }, 0.03),
    ['Up past the room temperature, between its two wires.'],
    { ...deadTest, concerns: heatCalled },
  ),
  check(
    'measure.statBatteries',
    'Room thermostat’s batteries, voltage',
    none,
    number('V', parameter('roomStat.batteryVolts'), 'battery', 0.1, [0, 4], [0, 12]),
    ['Cover off, across both, while it tries to call.'],
    {
      direct: true,
      minutes: 2,
      concerns: heatCalled,
    },
  ),
  check(
    'measure.roomStatOff',
    'Room thermostat turned to its lowest',
    off,
    state({ id: 'opens', label: 'opens' }, { id: 'made', label: 'stuck closed' }, 'roomStat.stuckClosed', { above: 0.5 }, 0.03),
    ['Between its two wires.'],
    {
      ...deadTest,
      concerns: heatCalled,
    },
  ),
  check(
    'try.roomStatAgainst',
    'Room thermostat error against a thermometer',
    none,
    number('K', parameter('roomStat.readsHigh'), 'airThermometer', 0.8, [-8, 8], [-30, 30]),
    ['Where it clicks, less the room: it should be within a kelvin.'],
    {
      minutes: 5,
      concerns: heatCalled,
    },
  ),
  check(
    'measure.zone2Stat',
    'Zone 2 thermostat, continuity as it clicks',
    off,
    state({ id: 'beeps', label: 'clicks and closes' }, { id: 'open', label: 'stuck open' }, 'zone2Stat.closes', { below: 0.5 }, 0.03),
    ['Between its two wires.'],
    {
      ...deadTest,
      concerns: at('heating', 'statCalls'),
    },
  ),
  check(
    'measure.cylinderStat',
    'Cylinder thermostat, continuity as it clicks',
    off,
    state({ id: 'beeps', label: 'clicks and closes' }, { id: 'open', label: 'stuck open' }, 'cylinderStat.closes', { below: 0.5 }, 0.03),
    ['Dial past the store’s temperature, common to call.'],
    { ...deadTest, concerns: at('hotWater', 'statCalls') },
  ),
  check(
    'measure.heatingWire',
    'Heating call wire, end to end',
    off,
    state({ id: 'whole', label: 'closed' }, { id: 'open', label: 'open' }, 'heatingWire.continuity', { below: 0.5 }, 0.03),
    ['Identified at both ends, both ends off.'],
    {
      ...deadTest,
      minutes: 6,
      concerns: heatCalled,
    },
  ),
  check(
    'measure.hotWaterWire',
    'Hot-water call wire, end to end',
    off,
    state({ id: 'whole', label: 'closed' }, { id: 'open', label: 'open' }, 'hotWaterWire.continuity', { below: 0.5 }, 0.03),
    ['Identified at both ends, both ends off.'],
    {
      ...deadTest,
      minutes: 6,
      concerns: at('hotWater', 'statCalls'),
    },
  ),
  check(
    'measure.zone2Wire',
    'Zone 2 call wire, end to end',
    off,
    state({ id: 'whole', label: 'closed' }, { id: 'open', label: 'open' }, 'zone2Wire.continuity', { below: 0.5 }, 0.03),
    ['Both ends off.'],
    {
      ...deadTest,
      minutes: 6,
      concerns: at('heating', 'statCalls'),
    },
  ),
  check(
    'measure.heatingValveLive',
    'Permanent live at the heating valve',
    none,
    volts(run('idle', 'heatingLiveVolts', 'max')),
    ['At this valve’s own end switch, to neutral. Customary colour grey on a 2-port valve.'],
    { ...tested, concerns: at('heating', 'heatCalled') },
  ),
  check(
    'measure.permanentLive',
    'Permanent live at the hot-water valve',
    none,
    volts(run('idle', 'permanentLiveVolts', 'max')),
    ['Customary colour grey on a 2-port valve; never so on a mid-position valve.'],
    {
      ...tested,
      concerns: at('hotWater', 'storeCalled'),
      on: withEndSwitch,
    },
  ),
  check(
    'measure.transformer',
    'Secondary of the control transformer',
    none,
    volts(run('idle', 'transformerVolts', 'max'), [0, 45]),
    ['24 to 28 V is normal (common practice).'],
    {
      ...tested,
      concerns: at('heating', 'transformerLive'),
      on: isZoned,
    },
  ),
  check(
    'measure.transformerFuse',
    'Fuse of the control transformer',
    off,
    state({ id: 'whole', label: 'closed' }, { id: 'blown', label: 'open' }, 'transformer.fuse', { below: 0.5 }, 0.02),
    ['Fuse out, meter across it. Blown: find the short first.'],
    {
      ...deadTest,
      concerns: at('heating', 'transformerLive'),
    },
  ),
  check(
    'look.neighbourWarm',
    'Does the neighbouring zone warm when it alone calls?',
    heating,
    yesNo({ yes: 'warms', no: 'stays cold' }, [{ read: run('zone2', 'zone2Temperature', 'last'), above: 32 }], 0.04),
    ['A warm neighbour clears boiler, circulator, transformer: all that is shared.'],
    { minutes: 12, concerns: at('heating', 'transformerLive') },
  ),
  ...valveChecks('heatingValve', 'heating valve', 'heatingValve', 'heating', 'heating'),
  ...valveChecks('hotWaterValve', 'hot-water valve', 'hotWaterValve', 'stored', 'hotWater'),
  ...valveChecks('heatingValve', 'zone 1 valve', 'heatingValve', 'heating', 'heating', true),
  ...valveChecks('zone2Valve', 'zone 2 valve', 'zone2Valve', 'zone2', 'heating', true),
]
