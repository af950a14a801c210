import type { CheckRow } from '../../rows/row.ts'
import { mainsValves, zoned as isZoned } from '../../rows/layouts.ts'
import { at, check, dead, live, lowVolts, none, off, ohms, oneOf, parameter, run, state, volts } from '../kinds.ts'

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
          [0.02, 0.02, 0.02, 0.004],
        ),
        once: [{ id: 'resists', label: 'springs back or resists', means: ['springsBack', 'seized'] }],
      },
      ['Move it with a finger. Give it {PART.travelTime} seconds first.'],
      { direct: true, concerns: at(demand, 'valveOpens') },
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
        [0.03, 0.03, 0.03, 0.0002],
      ),
      ['A valve held open hides a fault: let it go and see what fails. On most heads the lever opens the way and does not make the end switch.'],
      { minutes: 1, direct: true, concerns: at(demand, 'valveOpens') },
    ),
    check(
      `look.${id}HeadWarm`,
      `Is the head of the ${name} warm while it calls?`,
      situation,
      oneOf(
        [
          {
            id: 'warm',
            label: 'warm: fed, its winding whole',
            when: [
              { read: run(runId, motor, 'max'), above: zoned ? 15 : 100 },
              { read: parameter(`${part}.motorResistance`), below: 10 },
            ],
          },
          { id: 'cold', label: 'cold: not fed, or its winding open' },
        ],
        0.06,
      ),
      ['A hand on it after five minutes of calling; no tools.'],
      { minutes: 1, concerns: at(demand, 'valveOpens') },
    ),
    check(
      `try.${id}Again`,
      `Lever of the ${name} after half an hour of calling`,
      situation,
      state({ id: 'slack', label: 'as at the start' }, { id: 'gone', label: 'has let go, its head hot' }, `${part}.motorWeak`, { above: 0.5 }, 0.06),
      ['A second reading when the head is hot.'],
      { minutes: 4, direct: true, concerns: at(demand, 'valveOpens') },
    ),
    check(
      `look.${id}HeadWet`,
      `Water or rust under the head of the ${name}`,
      none,
      state({ id: 'dry', label: 'dry' }, { id: 'wet', label: 'rust, or wet' }, `${part}.spindleWeeps`, { above: 0.5 }, 0.04),
      ['A torch under the head, dry paper round the spindle.'],
      { minutes: 2, direct: true, concerns: at(demand, 'valveOpens') },
    ),
    check(
      `look.${id}HeadFit`,
      `Head of the ${name} against its body, both at rest`,
      off,
      state({ id: 'alike', label: 'stand alike' }, { id: 'out', label: 'half a turn out' }, `${part}.headMisfitted`, { above: 0.5 }, 0.03),
      ['Note how the spindle stands as the head is lifted.'],
      { ...deadTest, minutes: 4, concerns: at(demand, 'valveOpens') },
    ),
    check(
      `measure.${id}EndSwitchOhms`,
      `End switch of the ${name}, head wound over by hand`,
      off,
      oneOf(
        [
          { id: 'open', label: 'stays open', when: [{ read: parameter(`${part}.endSwitch`), below: 0.5 }] },
          { id: 'stays', label: 'made, also at rest', when: [{ read: parameter(`${part}.endSwitchStuck`), above: 0.5 }] },
          { id: 'made', label: 'makes, opens at rest' },
        ],
        0.03,
      ),
      ['Both switch wires out of the strip, continuity at both ends of its travel.'],
      { ...deadTest, minutes: 6, concerns: at(demand, demand === 'heating' ? 'heatCalled' : 'storeCalled') },
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

/** Motor valves of every way. */
export const valveCheckRows: CheckRow[] = [
  ...valveChecks('heatingValve', 'heating valve', 'heatingValve', 'heating', 'heating'),
  ...valveChecks('hotWaterValve', 'hot-water valve', 'hotWaterValve', 'stored', 'hotWater'),
  ...valveChecks('heatingValve', 'zone 1 valve', 'heatingValve', 'heating', 'heating', true),
  ...valveChecks('zone2Valve', 'zone 2 valve', 'zone2Valve', 'zone2', 'heating', true),
]
