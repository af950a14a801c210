import type { CheckRow } from '../../rows.ts'
import { at, check, cue, dead, heating, hotWater, live, none, number, off, ohms, oneOf, parameter, run, state, volts, yesNo } from '../kinds.ts'

const heatCalled = at('heating', 'heatCalled')
const tested: Partial<CheckRow> = { access: 'live', cautions: [live] }
const deadTest: Partial<CheckRow> = { access: 'live', cautions: [dead], direct: true }

/** One motor valve: lever, latch, supply, end switch, motor, body. */
function valveChecks(
  part: 'heatingValve' | 'hotWaterValve' | 'zone2Valve',
  name: string,
  id: string,
  runId: string,
  demand: 'heating' | 'hotWater',
): CheckRow[] {
  const signal = part === 'heatingValve' ? 'heatingValve' : part === 'hotWaterValve' ? 'hotWaterValve' : 'zone2Valve'
  const call = part === 'heatingValve' ? 'heatCallVolts' : part === 'hotWaterValve' ? 'hotWaterCallVolts' : 'zone2CallVolts'
  const motor = part === 'heatingValve' ? 'heatingMotorVolts' : part === 'hotWaterValve' ? 'hotWaterMotorVolts' : 'zone2MotorVolts'
  const situation = { demand } as const
  const rows: CheckRow[] = [
    check(
      `measure.${id}Motor`,
      `Voltage at the ${name}’s motor while it should open`,
      situation,
      volts(run(runId, motor, 'max')),
      ['Motor wire to neutral, then to earth. 24 V valves: 24 to 28 V.'],
      {
        ...tested,
        concerns: at(demand, 'statCalls'),
      },
    ),
    check(
      `look.${id}Lever`,
      `Lever of the ${name} while it should be open`,
      situation,
      oneOf(
        [
          { id: 'resists', label: 'springs back or resists', when: [{ read: run(runId, signal, 'max'), below: 0.8 }] },
          { id: 'slack', label: 'slack: driven open' },
        ],
        0.05,
      ),
      ['Move it with a finger. Give it its travel time first.'],
      { concerns: at(demand, 'valveOpens') },
    ),
    check(
      `look.${id}Latch`,
      `Lever of the ${name} with nothing calling`,
      none,
      state({ id: 'free', label: 'springs back' }, { id: 'latched', label: 'latched open by hand' }, `${part}.heldOpen`, { above: 0.5 }, 0.01),
      ['A valve held open hides a fault: let it go and see what fails.'],
      { minutes: 1, direct: true, concerns: at(demand, 'valveOpens') },
    ),
    check(
      `measure.${id}Switched`,
      `Switched live out of the ${name}’s end switch`,
      situation,
      volts(run(runId, call, 'max')),
      ['After its travel time. Customary colour orange; identify it at both ends.'],
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
      ['Valve shut, everything off at the programmer.'],
      { ...tested, concerns: at(demand, demand === 'heating' ? 'heatCalled' : 'storeCalled') },
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
          { id: 'opens', label: 'opens: look upstream' },
        ],
        0.04,
      ),
      ['Dead, move the one conductor, power, watch, put it back.'],
      { ...tested, minutes: 8, concerns: at(demand, 'valveOpens') },
    ),
  ]
  return rows.map((row) => ({ ...row, needs: part }))
}

/** What stands between the clock on the wall and the boiler. */
export const controlChecks: CheckRow[] = [
  check(
    'look.programmer',
    'Programmer or timer: what does it show?',
    none,
    cue(0.02),
    ['Blank, fading, lamp lit with a dead output: it is faulty even if it looks alive.'],
    { concerns: at('heating', 'timerOn') },
  ),
  check(
    'look.programmeSet',
    'Is the programme on, and the clock right?',
    none,
    cue(0.05),
    ['“yes” when it is off or wrong. Put it on “constant” for the test.'],
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
    'Is the second zone’s thermostat set above its room?',
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
      systems: ['premix-combi', 'atmos-combi', 'coil-combi', 'system-boiler', 'regular-pilot'],
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
    'measure.roomStat',
    'Room thermostat, continuity as it clicks',
    off,
    state({ id: 'beeps', label: 'clicks and beeps' }, { id: 'open', label: 'stuck open' }, 'roomStat.closes', { below: 0.5 }, 0.03),
    ['Up past the room temperature, between its two wires.'],
    { ...deadTest, concerns: heatCalled },
  ),
  check(
    'measure.statBatteries',
    'Room thermostat’s batteries, voltage',
    none,
    number('V', parameter('roomStat.batteryVolts'), 'dial', 0.15, [0, 4], [0, 12]),
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
    'Room thermostat against a thermometer beside it',
    none,
    number('K', parameter('roomStat.readsHigh'), 'clamp', 0.8, [-8, 8], [-30, 30]),
    ['Where it clicks, less the room: it should be within a kelvin.'],
    {
      minutes: 5,
      concerns: heatCalled,
    },
  ),
  check(
    'measure.zone2Stat',
    'Second zone’s thermostat, continuity as it clicks',
    off,
    state({ id: 'beeps', label: 'clicks and beeps' }, { id: 'open', label: 'stuck open' }, 'zone2Stat.closes', { below: 0.5 }, 0.03),
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
    state({ id: 'beeps', label: 'clicks and beeps' }, { id: 'open', label: 'stuck open' }, 'cylinderStat.closes', { below: 0.5 }, 0.03),
    ['Dial past the store’s temperature, common to call.'],
    { ...deadTest, concerns: at('hotWater', 'statCalls') },
  ),
  check(
    'measure.heatingWire',
    'Heating call wire, end to end',
    off,
    state({ id: 'whole', label: 'beeps' }, { id: 'open', label: 'open' }, 'heatingWire.continuity', { below: 0.5 }, 0.03),
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
    state({ id: 'whole', label: 'beeps' }, { id: 'open', label: 'open' }, 'hotWaterWire.continuity', { below: 0.5 }, 0.03),
    ['Identified at both ends, both ends off.'],
    {
      ...deadTest,
      minutes: 6,
      concerns: at('hotWater', 'statCalls'),
    },
  ),
  check(
    'measure.zone2Wire',
    'Second zone’s call wire, end to end',
    off,
    state({ id: 'whole', label: 'beeps' }, { id: 'open', label: 'open' }, 'zone2Wire.continuity', { below: 0.5 }, 0.03),
    ['Both ends off.'],
    {
      ...deadTest,
      minutes: 6,
      concerns: at('heating', 'statCalls'),
    },
  ),
  check(
    'measure.permanentLive',
    'Permanent live at the valves',
    none,
    volts(run('idle', 'permanentLiveVolts', 'max')),
    ['Customary colour grey on a 2-port valve; never so on a mid-position valve.'],
    {
      ...tested,
      concerns: at('hotWater', 'storeCalled'),
      systems: ['system-boiler', 'regular-pilot', 'electric-flow'],
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
      systems: ['zone-24v'],
    },
  ),
  check(
    'measure.transformerFuse',
    'Fuse of the control transformer',
    off,
    state({ id: 'whole', label: 'beeps' }, { id: 'blown', label: 'open' }, 'transformer.fuse', { below: 0.5 }, 0.02),
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
  ...valveChecks('zone2Valve', 'second zone’s valve', 'zone2Valve', 'zone2', 'heating'),
]
