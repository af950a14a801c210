import { severalWays } from '../../rows/layouts.ts'
import type { FaultRow } from '../../rows/row.ts'

/** What wears in a motor valve, by its age. Assumed */
const worn = (odds: number) => ({ to5: tenth(odds * 0.4), to12: tenth(odds), over12: tenth(odds * 1.6) })
const tenth = (value: number) => Math.round(value * 10) / 10

/** One motor valve in each way it fails. */
function valveFaults(part: 'heatingValve' | 'hotWaterValve' | 'zone2Valve' | 'midValve', name: string, odds: number): FaultRow[] {
  return [
    {
      id: `${part}.motorDead`,
      part: `${part}Head`,
      label: `${name}: motor not driving`,
      kind: 'failure',
      patch: { [`${part}.motor`]: 0, [`${part}.motorResistance`]: 1e5 },
      per1000: worn(odds),
      remedies: [`${part}.head`],
    },
    {
      id: `${part}.endSwitchDead`,
      part: `${part}Head`,
      label: `${name}: end switch stuck open`,
      kind: 'failure',
      patch: { [`${part}.endSwitch`]: 0 },
      per1000: worn(odds * 0.6),
      remedies: [`${part}.head`],
    },
    {
      id: `${part}.endSwitchStuck`,
      part: `${part}Head`,
      label: `${name}: end switch stuck closed`,
      kind: 'failure',
      patch: { [`${part}.endSwitchStuck`]: 1 },
      per1000: worn(odds * 0.25),
      cues: { 'listen.kettling': 0.3, 'ask.kettle': 0.3 },
      remedies: [`${part}.head`],
      damages: { 'overheat.open': 0.1 },
    },
    {
      id: `${part}.seized`,
      part: `${part}Body`,
      label: part === 'midValve' ? `${name}: stuck at hot water` : `${name}: valve body seized`,
      kind: 'failure',
      // where it stood when it seized: shut, or part of the way
      patch: { [`${part}.freedom`]: 0, [`${part}.start`]: part === 'midValve' ? [0.2, 0] : [0.5, 0] },
      per1000: worn(odds * 0.4),
      cues: { 'ask.afterSummer': 0.3 },
      background: ['dirtyWater'],
      remedies: [`${part}.free`, `${part}.body`],
    },
    {
      id: `${part}.stuckOpen`,
      part: `${part}Body`,
      label: part === 'midValve' ? `${name}: stuck at heating` : `${name}: stuck open`,
      kind: 'failure',
      patch: { [`${part}.freedom`]: 0, [`${part}.start`]: 1 },
      per1000: worn(8),
      background: ['dirtyWater'],
      remedies: [`${part}.head`, `${part}.body`],
      ...(part === 'hotWaterValve' && { damages: { 'highLimit.tripped': 0.3 } }),
    },
    {
      id: `${part}.passing`,
      part: `${part}Body`,
      label: `${name}: lets by while shut`,
      kind: 'failure',
      patch: { [`${part}.passing`]: [0.03, 0.4] },
      per1000: worn(6),
      background: ['dirtyWater'],
      // with one way there is nothing else for its water to warm
      on: severalWays,
      remedies: [`${part}.body`],
    },
    {
      id: `${part}.motorWeak`,
      part: `${part}Head`,
      label: `${name}: motor stalls once it is warm`,
      kind: 'failure',
      patch: { [`${part}.motorWeak`]: 1 },
      per1000: worn(6),
      cues: { 'ask.comesAndGoes': 0.8 },
      remedies: [`${part}.head`],
    },
    {
      id: `${part}.spindleWeeping`,
      part: `${part}Body`,
      label: `${name}: water past its spindle into the head`,
      kind: 'failure',
      patch: { [`${part}.spindleWeeps`]: 1, 'pipework.leak': [0.00003, 0.002] },
      per1000: { to5: 1, to12: 4, over12: 8 },
      cues: { 'look.dampPipework': 0.5, 'ask.topUps': 0.3 },
      damages: { [`${part}.motorDead`]: 0.35, [`${part}.endSwitchDead`]: 0.2 },
      remedies: [`${part}.body`],
    },
    {
      id: `${part}.headMisfitted`,
      part: `${part}Lever`,
      label: `${name}: head refitted half a turn out, always open`,
      kind: 'state',
      patch: { [`${part}.passing`]: 0.9, [`${part}.headMisfitted`]: 1 },
      per1000: 1.5,
      cues: { 'ask.recentWork': 0.9 },
      on: severalWays,
      remedies: [`${part}.refit`],
      causeChecks: ['ask.recentWork'],
    },
    ...(part === 'midValve' ? midPositionFaults : []),
    {
      id: `${part}.heldOpen`,
      part: `${part}Lever`,
      label: `${name}: lever latched open by hand`,
      kind: 'state',
      patch: { [`${part}.heldOpen`]: 1 },
      per1000: tenth(odds * 0.25),
      cues: { 'ask.recentWork': 0.3 },
      hides: { [`${part}.motorDead`]: 0.12, [`${part}.seized`]: 0.08, [`${part}.endSwitchDead`]: 0.05, ...hiddenBy[part] },
      remedies: [`${part}.release`],
      causeChecks: ['ask.recentWork'],
    },
  ]
}

/** What only a valve with a middle can have. */
const midPositionFaults: FaultRow[] = [
  {
    id: 'midValve.stuckMiddle',
    part: 'midValveBody',
    label: 'Mid-position valve: stuck in the middle',
    kind: 'failure',
    patch: { 'midValve.freedom': 0, 'midValve.start': [0.4, 0.6] },
    per1000: 6,
    background: ['dirtyWater'],
    remedies: ['midValve.free', 'midValve.body'],
  },
  {
    id: 'midValve.holdingDead',
    part: 'midValveHead',
    label: 'Mid-position valve: will not hold the middle',
    kind: 'failure',
    patch: { 'midValve.holding': 0 },
    per1000: 5,
    cues: { 'ask.comesAndGoes': 0.4 },
    remedies: ['midValve.head'],
  },
  {
    id: 'midValve.backFeed',
    part: 'midValveHead',
    label: 'Mid-position valve: feeds back and holds the boiler on',
    kind: 'failure',
    patch: { 'midValve.backFeeds': 1, 'midValve.start': 1 },
    per1000: 2,
    remedies: ['midValve.head'],
  },
  {
    id: 'midValve.portsSwapped',
    part: 'midValveBody',
    label: 'Mid-position valve: its two outlets swapped',
    kind: 'state',
    patch: { 'midValve.portsSwapped': 1 },
    per1000: 1.5,
    cues: { 'ask.sinceInstalled': 0.9, 'ask.recentWork': 0.5 },
    background: ['poorInstallation'],
    remedies: ['midValve.repipe'],
  },
]

/** What besides the valve itself somebody got round by latching its lever. Assumed */
const hiddenBy: Record<string, Record<string, number>> = {
  heatingValve: { 'programmer.heatingOutputDead': 0.1, 'roomStat.doesNotClose': 0.1 },
  hotWaterValve: { 'programmer.hotWaterOutputDead': 0.1, 'cylinderStat.doesNotClose': 0.1 },
  zone2Valve: { 'zone2Stat.doesNotClose': 0.1 },
  midValve: { 'programmer.heatingOutputDead': 0.1, 'roomStat.doesNotClose': 0.1 },
}

/** Motor valves. Odds are assumed until the firm’s own cases say otherwise. */
export const valveFaultRows: FaultRow[] = [
  ...valveFaults('heatingValve', 'Heating valve', 22),
  ...valveFaults('hotWaterValve', 'Hot-water valve', 24),
  ...valveFaults('zone2Valve', 'Zone 2 valve', 22),
  ...valveFaults('midValve', 'Mid-position valve', 24),
]
