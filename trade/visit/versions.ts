import type { Fault, FactKind, Remedy } from '@dewpoint/core/diagnosis'

/** A version of a part, and how many times likelier each fault is on it. */
interface Choice {
  id: string
  label: string
  share: number
  times: Record<string, number>
  /** parameters of the plant it fixes */
  sets?: Record<string, number>
}

/** A fact of the versions fitted, for appliances that have a part. */
interface VersionFact {
  id: string
  label: string
  /** a component, or a parameter, without which it is no question */
  needs: string
  /** it is so on the day only */
  passing?: true
  choices: Choice[]
}

/**
 * Versions of parts that an engineer sees or knows of the model. Shares and ratios assumed, from what practitioners say of them; over all versions of
 * a fact each fault is as likely as its row says.
 */
const versionRows: VersionFact[] = [
  {
    id: 'filterFitted',
    label: 'System filter',
    needs: 'systemFilter',
    choices: [
      {
        id: 'fitted',
        label: 'fitted',
        share: 0.6,
        times: {
          'systemFilter.clogged': 1.65,
          'plate.heatingSideBlocked': 0.7,
          'blockFilter.clogged': 0.7,
          'pressureSensor.fouled': 0.8,
          'exchanger.sludged': 0.6,
          'radiators.sludged': 0.8,
        },
      },
      {
        id: 'none',
        label: 'none',
        share: 0.4,
        times: {
          'systemFilter.clogged': 0.025,
          'plate.heatingSideBlocked': 1.45,
          'blockFilter.clogged': 1.45,
          'pressureSensor.fouled': 1.3,
          'exchanger.sludged': 1.6,
          'radiators.sludged': 1.3,
        },
      },
    ],
  },
  {
    id: 'filling',
    label: 'Filled through',
    needs: 'fillingLoop',
    choices: [
      {
        id: 'loop',
        label: 'an external loop',
        share: 0.6,
        times: { 'fillingLoop.leverSnapped': 0.1, 'fillingLoop.lettingBy': 0.8, 'fillingLoop.leftOpen': 1.2 },
      },
      {
        id: 'builtIn',
        label: 'built-in valves',
        share: 0.4,
        times: { 'fillingLoop.leverSnapped': 2.35, 'fillingLoop.lettingBy': 1.3, 'fillingLoop.leftOpen': 0.7 },
      },
    ],
  },
  {
    id: 'sensorPlace',
    label: 'Pressure sensor',
    needs: 'pressureSensor',
    choices: [
      { id: 'flow', label: 'behind the block filter', share: 0.6, times: { 'pressureSensor.fouled': 1.5 }, sets: { 'pressureSensor.onReturn': 0 } },
      { id: 'return', label: 'on the return', share: 0.4, times: { 'pressureSensor.fouled': 0.25 }, sets: { 'pressureSensor.onReturn': 1 } },
    ],
  },
  {
    id: 'keepWarm',
    label: 'Keep-warm',
    needs: 'board.keepWarmOff',
    choices: [
      { id: 'on', label: 'switched on', share: 0.75, times: {}, sets: { 'board.keepWarmOff': 0 } },
      { id: 'off', label: 'switched off', share: 0.25, times: {}, sets: { 'board.keepWarmOff': 1 } },
    ],
  },
  {
    id: 'pumpKind',
    label: 'Pump',
    needs: 'pump',
    choices: [
      { id: 'fixed', label: 'of fixed speed', share: 0.5, times: { 'pump.seized': 1.3, 'board.pumpDriveDead': 0.8 } },
      { id: 'modulating', label: 'modulating', share: 0.5, times: { 'pump.seized': 0.7, 'board.pumpDriveDead': 1.2 } },
    ],
  },
  {
    id: 'roomStatKind',
    label: 'Room thermostat',
    needs: 'roomStat',
    choices: [
      {
        id: 'wired',
        label: 'wired',
        share: 0.65,
        times: {
          'roomStat.notPaired': 0.03,
          'roomStat.outOfRange': 0.03,
          'roomStat.receiverDead': 0.03,
          'roomStat.relayWelded': 0.03,
          'roomStat.batteriesFlat': 0.8,
          'roomStat.doesNotClose': 1.2,
        },
      },
      {
        id: 'wireless',
        label: 'wireless, with a receiver',
        share: 0.35,
        times: {
          'roomStat.notPaired': 2.8,
          'roomStat.outOfRange': 2.8,
          'roomStat.receiverDead': 2.8,
          'roomStat.relayWelded': 2.8,
          'roomStat.batteriesFlat': 1.37,
          'roomStat.doesNotClose': 0.63,
        },
      },
    ],
  },
  {
    id: 'condensatePumped',
    label: 'Condensate pump',
    needs: 'condensatePump',
    choices: [
      { id: 'none', label: 'none', share: 0.9, times: { 'condensate.pumpFailed': 0.02 } },
      { id: 'fitted', label: 'fitted', share: 0.1, times: { 'condensate.pumpFailed': 9.82 } },
    ],
  },
  {
    id: 'outdoors',
    passing: true,
    label: 'Outdoors',
    needs: 'condensate',
    choices: [
      { id: 'mild', label: 'above 3 °C', share: 0.8, times: { 'condensate.frozen': 0.04 } },
      { id: 'cold', label: 'about freezing', share: 0.15, times: { 'condensate.frozen': 2 } },
      { id: 'frost', label: 'hard frost', share: 0.05, times: { 'condensate.frozen': 13.4 } },
    ],
  },
  {
    id: 'cylinderExpansion',
    label: 'Cylinder takes its expansion in',
    needs: 'cylinderVessel',
    choices: [
      {
        id: 'vessel',
        label: 'a vessel',
        share: 0.6,
        times: { 'cylinderVessel.lostCharge': 1.65, 'cylinderVessel.diaphragm': 1.65, 'cylinder.airGapLost': 0.02 },
      },
      {
        id: 'gap',
        label: 'an internal air gap',
        share: 0.4,
        times: { 'cylinderVessel.lostCharge': 0.03, 'cylinderVessel.diaphragm': 0.03, 'cylinder.airGapLost': 2.47 },
      },
    ],
  },
  {
    id: 'cartridgePlace',
    label: 'Diverter cartridge',
    needs: 'diverter',
    choices: [
      { id: 'front', label: 'reached from the front', share: 0.8, times: {} },
      { id: 'behindBurner', label: 'behind the burner', share: 0.2, times: {} },
    ],
  },
]

/** What a version adds to a job. Common practice, minutes assumed. */
const jobs: Record<string, NonNullable<Remedy['byVersion']>> = Object.fromEntries(
  ['diverter.cartridge', 'diverter.whole'].map((id) => [
    id,
    [
      {
        fact: 'cartridgePlace',
        choice: 'behindBurner',
        minutes: 45,
        step: 'Burner and fan come off first: gas off, seals and injectors as for a burner.',
        opens: ['gasWay', 'chamber'],
      },
    ],
  ]),
)
// an external loop takes the place of built-in valves, and only those are renewed
jobs['fillingLoop.replace'] = [
  { fact: 'filling', choice: 'builtIn', minutes: 20, step: 'Blank both built-in valves, or isolate their branch while the plate keeps its mains.' },
]

/** The facts of versions an appliance with these components and parameters has. */
export const versionFacts = (has: ReadonlySet<string>): FactKind[] =>
  versionRows
    .filter(({ needs }) => has.has(needs))
    .map(({ id, label, passing, choices }) => ({
      id,
      label,
      type: 'choice',
      narrows: 'version',
      ofAppliance: passing ? 'passing' : 'lasting',
      choices: choices.map(({ times: _times, ...choice }) => choice),
    }))

/** How many times likelier a fault is by version, where any changes it. */
export function faultByVersion(fault: string): Pick<Fault, 'byVersion'> {
  const byVersion = versionRows.flatMap(({ id: fact, choices }) =>
    choices.flatMap(({ id: choice, times }) => (times[fault] === undefined ? [] : [{ fact, choice, times: times[fault] }])),
  )
  return byVersion.length > 0 ? { byVersion } : {}
}

/** What versions add to a remedy. */
export const remedyByVersion = (remedy: string): Pick<Remedy, 'byVersion'> => (jobs[remedy] ? { byVersion: jobs[remedy] } : {})
