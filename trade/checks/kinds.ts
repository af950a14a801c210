import type { NumberResult, OutcomeResult, Read } from '@dewpoint/core/diagnosis'
import type { Reduce } from '@dewpoint/core/plant'
import type { SignalName } from '@dewpoint/core/system'
import type { UnitSymbol } from '@dewpoint/core/quantity'
import { main, type CheckRow } from '../rows/row.ts'

/** Burner seen starting: tap fully open, or heating. */
export const starting = { demand: main } as const
/** Tap fully open, nothing else asked. */
export const full = { demand: 'hotWater', tap: 'full' } as const
export const hotWater = { demand: 'hotWater' } as const
/** Rooms calling, taps shut. */
export const heating = { demand: 'heating' } as const
export const none = { demand: 'none' } as const
/** Isolated and proved dead. */
export const off = { demand: 'none', powerOff: true } as const

/** A value read off a run. */
export const run = (id: string, signal: SignalName, by: Reduce['by'], window: { from?: number; to?: number } = {}): Read => ({
  run: id,
  signal,
  reduce: { by, ...window } as Reduce,
})
/** Not asked for once the display is dark. */
export const onDisplay = { blindBy: { check: 'look.display', outcome: 'no' } } as const
/** A value the display shows: nothing where it is dark. */
export const shown = (...[id, signal, by, window]: Parameters<typeof run>): Read => ({ ...run(id, signal, by, window), given: 'displayOn' })
export const parameter = (key: string): Read => ({ parameter: key })
export const story = (id: string, phase: number, take: Extract<Read, { story: string }>['take']): Read => ({ story: id, phase, take })

/** The burner goes out again and again while a tap runs, and the tap swings with it; a keep-warm burn beside a tap nobody sees is no hot water. */
export const swinging = (id: string): ({ read: Read } & Limits)[] => [
  { read: run(id, 'flame', 'drops'), above: 0.5 },
  { read: run(id, 'tapTemperature', 'swing', { from: 120 }), above: 1.2 },
  { read: run(id, 'hotWaterStage', 'max'), above: 4 },
  // what locks out goes cold for good
  { read: run(id, 'code', 'max'), below: 0.5 },
]

/** The first seconds of a run, before anything that runs by itself has started. */
export const atRest = { from: 0, to: 2 }

type Limits = { above?: number; below?: number }

/** Yes or no, "yes" when every condition holds. */
export const yesNo = (words: { yes: string; no: string }, yes: ({ read: Read } & Limits)[], confusion: number | readonly number[]): OutcomeResult => ({
  kind: 'outcome',
  outcomes: [
    { id: 'yes', label: words.yes },
    { id: 'no', label: words.no },
  ],
  decide: { rules: [{ outcome: 'yes', all: yes }], otherwise: 'no' },
  confusion,
})

/** One of several outcomes: the first whose condition holds, else the last. */
export const oneOf = (outcomes: { id: string; label: string; when?: ({ read: Read } & Limits)[] }[], confusion: OutcomeResult['confusion']): OutcomeResult => ({
  kind: 'outcome',
  outcomes: outcomes.map(({ id, label }) => ({ id, label })).filter(({ id }, at, all) => all.findIndex((one) => one.id === id) === at),
  decide: { rules: outcomes.flatMap(({ id, when }) => (when ? [{ outcome: id, all: when }] : [])), otherwise: outcomes.at(-1)!.id },
  confusion,
})

/** A defect that is not there is seen so many times less often than one that is there is overlooked. Assumed */
const seldomInvented = 150

/**
 * A part is well or has its defect, seen directly on a parameter of it.
 *
 * @param confusion chance that the defect is overlooked
 */
export const state = (
  good: { id: string; label: string },
  bad: { id: string; label: string },
  key: string,
  limits: Limits,
  confusion = 0.03,
): OutcomeResult => ({
  kind: 'outcome',
  outcomes: [good, bad],
  decide: { rules: [{ outcome: bad.id, all: [{ read: parameter(key), ...limits }] }], otherwise: good.id },
  confusion: [confusion / seldomInvented, confusion],
})

/** A lead or wire, from end to end: it conducts or it does not. */
export const whole = (key: string): OutcomeResult => state({ id: 'whole', label: 'closed' }, { id: 'open', label: 'open' }, key, { below: 0.5 }, 0.03)

/** A number on a linear scale. */
export const number = (
  unit: UnitSymbol,
  read: Read,
  instrument: string,
  width: number,
  range: [number, number],
  possible: [number, number] = range,
): NumberResult => ({ kind: 'number', unit, read, instrument, width, scale: 'linear', range, possible })

/** A voltage between two terminals. Mains is dead below 50 V and live above 200; between them it floats, is fed back, or is half a supply. */
export const volts = (read: Read, range: [number, number] = [0, 250]): NumberResult => ({
  ...number('V', read, range[1] < 60 ? 'voltmeterLow' : 'voltmeter', range[1] < 60 ? 1.5 : 4, range, [-5, 440]),
  ...(range[1] >= 60 && { bands: [50, 200] as const }),
})
/** A voltage of 24 V controls. */
export const lowVolts = (read: Read): NumberResult => volts(read, [0, 45])
/** A temperature by clamp thermometer. */
export const clamped = (read: Read, range: [number, number], width = 2): NumberResult => number('°C', read, 'clamp', width, range, [-20, 120])
/** A temperature of running water by probe thermometer. */
export const inTheStream = (read: Read, range: [number, number], width = 2): NumberResult => number('°C', read, 'thermometer', width, range, [-20, 120])
/** A pressure on the appliance gauge. */
export const gauged = (read: Read, range: [number, number], width = 0.1): NumberResult => number('bar', read, 'gauge', width, range, [-0.5, 6])
/** A change of pressure, seen on a tester left on, which a gauge would blur. */
export const pressureChange = (read: Read, width = 0.05): NumberResult => number('bar', read, 'tester', width, [-1.5, 2], [-4, 4])
/** A change of the gauge. */
export const gaugeChange = (read: Read, width = 0.06): NumberResult => number('bar', read, 'gauge', width, [-1.5, 2], [-4, 4])
/** Sign of a cause physics cannot give. */
export const cue = (without: number) => ({ kind: 'cue', without }) as const

/** Resistance of a thermistor at the pipe temperature given with it; the curve is put in by the system. */
export const thermistor = (part: string): NumberResult => ({
  kind: 'number',
  unit: 'kΩ',
  read: parameter(`${part}.factor`),
  instrument: 'multimeter',
  width: 0.05,
  scale: 'log',
  range: [0.01, 100],
  possible: [0, 100_000],
  thermistor: { assumedCelsius: 60, curve: { r0: 10_000, t0: 25, beta: 3977 } },
})
/** A resistance with the power off. */
export const ohms = (key: string, range: [number, number]): NumberResult => ({
  kind: 'number',
  unit: 'kΩ',
  read: parameter(key),
  instrument: 'multimeter',
  width: 0.06,
  scale: 'log',
  range,
  possible: [0, 100_000],
})

export const live = 'Live terminals: insulated probes, one hand, nobody else near. Prove the meter before and after.'
export const dead = 'Isolate, lock off and prove dead before touching a terminal.'
export const gas = 'Gas work only by those licensed for it where you are. Test for tightness afterwards.'
export const caseOff = 'Case off with the burner firing: only where the maker’s instructions allow it, by those licensed.'
export const hotParts = 'Hot water under pressure and hot pipes: let it cool, isolate, drain into a bowl.'
export const stored = 'Stored pressure: isolate and drain, keep clear of the valve.'
export const unvented = 'Stored hot water under pressure: unvented cylinders only by those qualified for them.'

const minutesOf = { ask: 1, look: 2, listen: 1, display: 1, measure: 3, try: 5 } as const

/** A check as a row: kind and words first, then where it is read, then how it is done. */
export const check = (
  id: string,
  label: string,
  situation: CheckRow['situation'],
  result: CheckRow['result'],
  how: string[],
  rest: Partial<Omit<CheckRow, 'id' | 'label' | 'situation' | 'result' | 'how'>> = {},
): CheckRow => {
  const kind = id.slice(0, id.indexOf('.')) as CheckRow['kind']
  // dead or live: little can be misread
  const plain = result.kind === 'number' && result.unit === 'V'
  const displayed = result.kind === 'number' && 'given' in result.read
  return {
    id,
    kind,
    label,
    situation,
    result,
    minutes: minutesOf[kind],
    access: 'none',
    ...(plain && { direct: true }),
    ...(displayed && onDisplay),
    how,
    ...rest,
  }
}
export const at = (demand: 'heating' | 'hotWater' | typeof main, stage: string): CheckRow['concerns'] => ({ demand, stage })
