import type { Autonomous, BoilerSystem, Condition, Stage } from '@dewpoint/core/system'

/** Stages that several systems share. A stage is an action, a proof, a limit and what follows when the proof does not come. */

type Keep = NonNullable<Stage['keeps']>[number]

/** A stage before the board’s own. */
export const outside = (id: string, label: string, sign: string, proof: Condition[]): Stage => ({
  id,
  label,
  sign,
  external: true,
  action: {},
  proof,
  onFail: { then: 'stay' },
  shows: 'rest',
})

/** A tap is seen by its turbine. */
export const tapSeen = outside('tapSeen', 'Tap seen', 'display changes as the tap opens', [
  { signal: 'tapSignal', above: 'board.tapSeenAt' },
  { signal: 'hotWaterSelected', above: 0.5 },
])

/** Rooms call at the boiler’s own terminal. */
export const heatCalled = outside('heatCalled', 'Rooms call', 'live on the demand terminal', [{ signal: 'heatCallVolts', above: 100 }])

/** Programmer, thermostat, valve and end switch, one after another. */
export const heatingChain: Stage[] = [
  outside('timerOn', 'Programmer on', 'live on its heating output', [{ signal: 'heatingTimerVolts', above: 100 }]),
  outside('statCalls', 'Room thermostat calls', 'a click, live behind it', [{ signal: 'heatingMotorVolts', above: 100 }]),
  outside('valveOpens', 'Heating valve opens', 'lever goes slack', [{ signal: 'heatingValve', above: 0.8 }]),
  outside('heatCalled', 'End switch passes the call', 'live on the switched wire', [{ signal: 'heatCallVolts', above: 100 }]),
]

/** The same for stored hot water. */
export const storedChain: Stage[] = [
  outside('timerOn', 'Programmer on', 'live on its hot-water output', [{ signal: 'hotWaterTimerVolts', above: 100 }]),
  outside('statCalls', 'Cylinder thermostat calls', 'a click, live behind it', [{ signal: 'hotWaterMotorVolts', above: 100 }]),
  outside('valveOpens', 'Hot-water valve opens', 'lever goes slack', [{ signal: 'hotWaterValve', above: 0.8 }]),
  outside('storeCalled', 'End switch passes the call', 'live on the switched wire', [{ signal: 'hotWaterCallVolts', above: 100 }]),
]

/** A pressure sensor that wants to see the pump start. */
export const pressureProved: Stage = {
  id: 'waterProved',
  label: 'Pump and water',
  sign: 'pump runs, pressure jumps a little',
  action: { pump: true },
  proof: [
    { signal: 'sensedPressure', above: 0.8 },
    { signal: 'pressureRise', above: 0.15 },
  ],
  hold: 1,
  limit: 12,
  onFail: { then: 'retry', from: 'waterProved', times: 2, code: 'water' },
  shows: 'starting',
}

/** A switch that proves water: low-water, pump-proving or flow. */
export const switchProved = (sign: string): Stage => ({
  id: 'waterProved',
  label: 'Pump and water',
  sign,
  action: { pump: true },
  proof: [{ signal: 'waterSwitch', above: 0.5 }],
  hold: 1,
  limit: 15,
  onFail: { then: 'wait', until: [{ signal: 'waterSwitch', above: 0.5 }], from: 'waterProved', atLeast: 20, shows: 'noWater' },
  shows: 'starting',
})

/** Water is there, with nothing to pump. */
export const waterThere: Stage = { ...switchProved('the low-water lamp is dark'), label: 'Water present', action: {} }

export const diverterTo = (way: 'heating' | 'hotWater'): Stage => ({
  id: way === 'hotWater' ? 'diverterOver' : 'diverterBack',
  label: way === 'hotWater' ? 'Diverter to hot water' : 'Diverter to heating',
  sign: way === 'hotWater' ? 'heating flow pipe stays cold' : 'heating flow pipe begins to warm',
  action: { diverter: way },
  proof: [],
  hold: 6,
  onFail: { then: 'stay' },
  shows: 'starting',
})

/** A modulating fan is proved by its tacho. */
export const tachoProved: Stage = {
  id: 'airProved',
  label: 'Fan and air',
  sign: 'fan comes up to speed and purges',
  action: { fan: 'purge' },
  proof: [{ signal: 'tacho', above: 3200 }],
  hold: 5,
  limit: 15,
  onFail: { then: 'retry', from: 'airProved', times: 2, code: 'fan' },
  shows: 'starting',
}

/** A pressure switch must first stand at rest, so that one that is stuck or tampered with is noticed. */
export const airAtRest: Stage = {
  id: 'airAtRest',
  label: 'Air switch at rest',
  sign: 'common to normally-closed before the fan turns',
  action: { fan: 'off' },
  proof: [{ signal: 'airSwitchRest', above: 0.5 }],
  hold: 1,
  limit: 6,
  onFail: { then: 'lockout', code: 'airRest' },
  shows: 'starting',
}

export const airMade = (purge: number): Stage => ({
  id: 'airProved',
  label: 'Fan and air',
  sign: 'fan runs, the switch goes over with a click',
  action: { fan: 'purge' },
  proof: [{ signal: 'airSwitch', above: 0.5 }],
  hold: purge,
  limit: purge + 20,
  onFail: { then: 'retry', from: 'airAtRest', times: 2, code: 'air' },
  shows: 'starting',
})

const sane = (signal: Condition['signal']): Condition => ({ signal, above: -10, below: 120 })

/** The codes of boards that tell their sensors apart. */
export const sensorCodes = (displays: Record<'flowSensor' | 'returnSensor' | 'hotWaterSensor' | 'overheat', string>, has: Condition['signal'][]) =>
  [
    { id: 'flowSensor', label: 'flow sensor out of range' },
    { id: 'returnSensor', label: 'return sensor out of range' },
    { id: 'hotWaterSensor', label: 'hot-water sensor out of range' },
    { id: 'overheat', label: 'overheat device open' },
  ]
    .filter(({ id }) => id === 'overheat' || has.includes(id as Condition['signal']))
    .map((one) => ({ ...one, display: displays[one.id as keyof typeof displays] }))

/** A board that has no code of its own for a sensor shows the common one. */
const byName: { signal: Condition['signal']; code: string }[] = [
  { signal: 'flowSensor', code: 'flowSensor' },
  { signal: 'returnSensor', code: 'returnSensor' },
  { signal: 'hotWaterSensor', code: 'hotWaterSensor' },
  { signal: 'overheatOpen', code: 'overheat' },
]

export const sensorsSane = (...sensors: Condition['signal'][]): Stage => ({
  id: 'sensorsSane',
  label: 'Sensors and overheat',
  sign: 'the display shows believable temperatures',
  action: {},
  proof: [...sensors.map(sane), { signal: 'overheatOpen', below: 0.5 }],
  limit: 2,
  onFail: { then: 'lockout', code: 'sensor', named: byName },
  shows: 'starting',
})

/** The high limit stops the burner and lets it start again by itself: not a lockout. */
export const highLimit = (from: string): Keep => ({
  condition: { signal: 'flowSensor', below: 'board.highLimit' },
  onFail: { then: 'wait', until: [{ signal: 'flowSensor', below: 'board.highLimitBack' }], atLeast: 15, from, shows: 'waiting' },
})

/** Water far hotter than it is set, because the lowest rate is too much for so small a flow: the burner rests until it has come down. */
export const tapTooHot = (from: string): Keep => ({
  condition: { signal: 'hotWaterSensor', below: { of: 'board.hotWaterSet', plus: 10 } },
  onFail: { then: 'wait', until: [{ signal: 'hotWaterSensor', below: { of: 'board.hotWaterSet', plus: 1 } }], atLeast: 4, from, shows: 'waiting' },
})

/** Heating is satisfied for the moment: the burner rests for the anti-cycle time. */
export const satisfied = (from: string): Keep => ({
  condition: { signal: 'flowSensor', below: { of: 'board.flowSet', plus: 8 } },
  demandOnly: true,
  onFail: { then: 'wait', until: [{ signal: 'flowSensor', below: { of: 'board.flowSet', plus: -4 } }], atLeast: 'board.antiCycle', from, shows: 'satisfied' },
})

export const flameKept = (from: string): Keep => ({
  condition: { signal: 'flameCurrent', above: 1 },
  onFail: { then: 'retry', from, times: 'board.ignitionTries', code: 'flameLost' },
})

export const notOverheated: Keep = { condition: { signal: 'overheatOpen', below: 0.5 }, onFail: { then: 'lockout', code: 'sensor', named: byName } }

/** Spark and gas together; the flame is proved within the safety time. */
export const lit = (from: string, keeps: Keep[]): Stage => ({
  id: 'lit',
  label: 'Spark, gas, flame',
  sign: 'ticking, a soft thump, flame in the sight glass',
  action: { fan: 'run', rate: 'ignition', gas: true, spark: true },
  proof: [{ signal: 'flameCurrent', above: 1 }],
  hold: 2,
  limit: 5,
  onFail: { then: 'retry', from, times: 'board.ignitionTries', code: 'flame' },
  keeps,
  shows: 'starting',
})

export const keepsBurning = (shows: string): Stage => ({
  id: 'keepsBurning',
  label: 'Keeps burning',
  sign: 'the burner stays on and follows the demand',
  action: { spark: false, rate: 'modulate' },
  proof: [],
  hold: 150,
  onFail: { then: 'stay' },
  shows,
})

const last = (id: string, label: string, sign: string, proof: Condition[], hold: number, shows: string): Stage => ({
  id,
  label,
  sign,
  action: {},
  proof,
  hold,
  onFail: { then: 'stay' },
  shows,
})

export const holdsTemperature = last(
  'holdsTemperature',
  'Holds tap temperature',
  'steady hot water at the tap',
  [{ signal: 'tapTemperature', above: 40, below: 60 }],
  40,
  'hotWater',
)
export const radiatorsWarm = last(
  'radiatorsWarm',
  'Radiators warm',
  'heat at the flow, then the return',
  [{ signal: 'radiatorTemperature', above: 38 }],
  20,
  'heating',
)
export const storeWarm = (shows: string) =>
  last('storeWarm', 'Stored water warms', 'the upper part of the cylinder is hot', [{ signal: 'cylinderTemperature', above: 43 }], 20, shows)

/** A short burn now and then that keeps the hot-water side warm, with every tap shut. */
export const keepWarm: Autonomous = {
  demand: 'keepWarm',
  starts: [
    { signal: 'hotWaterSensor', below: 38 },
    { signal: 'hotWaterSelected', above: 'board.keepWarmOff' },
  ],
  rest: 60,
  ends: [{ signal: 'flowSensor', above: 60 }],
  burns: 8,
}
export const keepWarmBurn: Stage = {
  id: 'keepWarmBurn',
  label: 'Warms the hot-water side',
  sign: 'a burn of a few seconds with every tap shut',
  action: { spark: false, rate: 'lowest' },
  proof: [],
  hold: 60,
  onFail: { then: 'stay' },
  shows: 'keepWarm',
}

/** Pump below 10 °C, burner below 5 °C, until 25 °C (common practice). */
export const frost: Autonomous = {
  demand: 'frost',
  starts: [{ signal: 'flowSensor', below: 10 }],
  rest: 30,
  ends: [{ signal: 'flowSensor', above: 25 }],
  burns: 7200,
}
export const frostSequence = (burner: Stage[], back: string): Stage[] => [
  {
    id: 'frostPump',
    label: 'Pump against frost',
    sign: 'pump runs with nothing calling',
    action: { pump: true },
    proof: [{ signal: 'flowSensor', below: 5 }],
    onFail: { then: 'stay' },
    shows: 'frost',
  },
  ...burner.map((one) => ({ ...one, shows: 'frost' })),
  {
    id: 'frostBurn',
    label: 'Burner against frost',
    sign: `burner runs until 25 °C, then goes back to ${back}`,
    action: { spark: false, rate: 'lowest' },
    proof: [],
    hold: 3600,
    onFail: { then: 'stay' },
    shows: 'frost',
  },
]

export const tenKilohm = { r0: 10_000, t0: 25, beta: 3977 }
/** a 12 kΩ class: other makers’ sensors; reads cold on a 10 kΩ chart */
export const twelveKilohm = { r0: 12_000, t0: 25, beta: 3740 }

/** What the display shows while nothing is locked out, for boilers with a display. */
export const displayStatuses: BoilerSystem['statuses'] = [
  { id: 'rest', display: 'rest', label: 'at rest' },
  { id: 'starting', display: 'start', label: 'starting' },
  { id: 'heating', display: 'rooms', label: 'heating the rooms' },
  { id: 'hotWater', display: 'tap', label: 'heating tap water' },
  { id: 'keepWarm', display: 'keep', label: 'keeping the hot-water side warm' },
  { id: 'waiting', display: 'pause', label: 'waiting to cool' },
  { id: 'satisfied', display: 'even', label: 'flow warm enough for now' },
  { id: 'overrun', display: 'after', label: 'running on' },
  { id: 'frost', display: 'frost', label: 'protecting from frost' },
  { id: 'selfCheck', display: 'look', label: 'checking itself at power-on' },
  { id: 'lockout', display: 'stop', label: 'locked out' },
]
