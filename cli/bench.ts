import { parseArgs } from 'node:util'
import { Bench } from 'tinybench'
import { believe, diagnose, nominalSignatures, rankChecks, readChecks, readJournal, stepHalving } from '@dewpoint/core/diagnosis'
import { byName, type Entry } from '@dewpoint/core/casebook'
import { cushionSeen, fillAnswer, vesselNeeded } from '@dewpoint/core/bench'
import { network } from '@dewpoint/core/circuit'
import { pressureStory, simulate } from '@dewpoint/core/plant'
import { fitPressure, usualPeriods, watchAnswer, type PressureSeries } from '@dewpoint/core/pressure'
import { nominal, type ControlScheme } from '@dewpoint/core/system'
import { wire } from '@dewpoint/core/wiring'
import { catalogueFor, premixCombiCatalogue as catalogue, schemesOf, stockCatalogues, zonesOf } from '@dewpoint/trade'
import { byLibrary, textbook } from './otherBeliefs.ts'
import { byNgspice } from './ngspice.ts'
import { loadSignatures } from '@dewpoint/trade/shipped'
import { againstStiffIntegrator } from './stiff.ts'

/** Medians of what must be fast, with ratios taken in the same run, so that they hold on any machine. */
const { values } = parseArgs({ options: { json: { type: 'boolean', default: false } } })
const signatures = loadSignatures(catalogue)
const parameters = nominal(catalogue.system)
const tapOpen = { heating: false, tap: Infinity, seconds: 600 }
const memory = simulate(catalogue.system, parameters, tapOpen)
const stiff = againstStiffIntegrator()

/** somebody notes the gauge every morning: it falls slowly and is topped up now and then */
const yearOfGauge: PressureSeries = {
  readings: Array.from({ length: 365 }, (_unused, day) => ({
    at: day * 24 + 7,
    bar: 1.5 - ((day % 90) / 90) * 0.7 + 0.04 * Math.sin(day * 7),
    state: 'cold' as const,
  })),
  topUps: [90, 180, 270].map((day) => ({ at: day * 24 + 6, to: 1.5 })),
  system: { litres: 90, litresError: 0.1, vesselLitres: 8, charge: 1, relief: 3, stopsAt: 0.5, mains: 4.5 },
  periods: usualPeriods,
  gaugeError: 0.07,
  pipeOutside: 'dry',
  canMixMains: true,
}

let count = 0
const entry = (type: string, payload: object) =>
  ({
    id: `01934a00-0000-7000-8000-${String(++count).padStart(12, '0')}`,
    at: new Date(Date.UTC(2026, 2, 1, 9) + count * 60_000).toISOString(),
    ...{ author: byName('bench').id, authorName: 'bench', schema: 4 },
    type,
    payload,
  }) as Entry
const journal = [
  entry('complaint', { what: 'hotColdHot', pattern: 'always' }),
  entry('reading', { check: 'ask.heating', outcome: 'fine' }),
  entry('reading', { check: 'display.dropOut', outcome: 'yes' }),
]
const reading = (kiloohms: number) =>
  entry('reading', { check: 'measure.flowThermistor', value: kiloohms, unit: 'kΩ', situation: { powerOff: true, temperature: { value: 60, unit: '°C' } } })
const read = readJournal(catalogue, journal)
const empty = readJournal(catalogue, [])
const belief = believe(catalogue, signatures, read)
const open = believe(catalogue, signatures, empty)

/** The circuits of some schemes at rest with everything called, ready to be solved again. */
const circuits = [
  schemesOf('system-boiler').find((one) => one.id === 'two-valves')!,
  schemesOf('system-boiler').find((one) => one.id === 'mid-position')!,
  zonesOf(8),
].map((scheme: ControlScheme) => {
  const healthy = Object.fromEntries(
    scheme.components.flatMap(({ id, parameters: own }) => Object.entries(own).map(([name, { value }]) => [`${id}.${name}`, value])),
  )
  const wiring = wire(
    scheme,
    (key) => healthy[key]!,
    (key, otherwise) => healthy[key] ?? otherwise,
  )
  wiring.settle({
    programmed: { heating: true, hotWater: true },
    cold: Object.fromEntries(scheme.devices.flatMap((one) => (one.circuit ? [[one.circuit, true]] : []))),
  })
  return { name: `solve the circuit, ${scheme.label.toLowerCase()} (${wiring.net.unknowns()} unknowns)`, net: wiring.net }
})

/** A chain of thirty unknowns, each with a way to ground: more than any scheme leaves. */
const chain = network({
  ground: 'n0',
  elements: [
    { id: 'source', kind: 'source' as const, a: 'n1', b: 'n0', volts: 230, ohms: 0.4 },
    ...Array.from({ length: 30 }, (_unused, at) => ({ id: `shunt${at}`, kind: 'resistance' as const, a: `n${at + 1}`, b: 'n0', ohms: 2400 + at })),
    ...Array.from({ length: 29 }, (_unused, at) => ({ id: `series${at}`, kind: 'resistance' as const, a: `n${at + 1}`, b: `n${at + 2}`, ohms: 10 + at })),
  ],
})
circuits.push({ name: 'solve a circuit of thirty unknowns', net: chain })

/** A copy of the signatures under which nothing is remembered yet. */
const fresh = () => ({ ...signatures })

/** Two 2-port valves with a high limit: the most rows there are. */
const wired = catalogueFor('system-boiler', 'two-valves-high-limit')!
const wiredSignatures = loadSignatures(wired)
const cold = () => entry('complaint', { what: 'noHeating', pattern: 'always' })
/** what was seen of a leak, the motor it wetted and the fuse that blew: larger sets grow */
const chained = () => [
  cold(),
  ...['diverter.spindleLeaking', 'diverterMotor.wet', 'board.fuseBlown'].map((fault) => entry('finding', { what: 'seen', fault, explainsComplaint: true })),
]
/** bytes the numbers of a system take */
const bytesOf = (one: object) => Object.values(one).reduce((sum: number, part: unknown) => sum + (ArrayBuffer.isView(part) ? part.byteLength : 0), 0)

/** Medians of some of these before they were worked on, on a machine of the kind that made them, ms. */
const before: Record<string, number> = {
  'rank every check, nothing known': 200,
  'rank every check, three readings in': 80,
  'the whole diagnosis, wiring known, nothing read, the first time': 2000,
  'the whole diagnosis, wiring known, nothing read': 650,
}

const tasks: { name: string; run: () => unknown; against: string | number; to: string }[] = [
  {
    name: 'simulate ten minutes of hot water',
    run: () => simulate(catalogue.system, parameters, tapOpen, memory),
    against: 600_000,
    to: 'real time',
  },
  ...Object.values(stockCatalogues).map(({ system }) => ({
    name: `simulate ten minutes of heating or storing, ${system.id}`,
    run: () => simulate(system, nominal(system), { heating: true, stored: true, tap: 0, seconds: 600 }),
    against: 600_000,
    to: 'real time',
  })),
  {
    name: 'twelve hours of pressure',
    run: () => pressureStory(parameters, [{ hours: 12, state: 'cold' }]),
    against: 12 * 3_600_000,
    to: 'real time',
  },
  {
    name: 'a sum of the bench: two fills, the vessel needed, a seen pair',
    run: () => {
      const system = { litres: 100, vesselLitres: 8, preCharge: 1, coldCelsius: 10, hotCelsius: 70, relief: 3 }
      return [
        fillAnswer(system, 1),
        fillAnswer(system, 1.5),
        vesselNeeded(system),
        cushionSeen(system, { cold: 1.2, hot: 2.4, gaugeError: 0.05, volumeError: 0.1 }),
      ]
    },
    against: 16,
    to: 'a frame of the screen',
  },
  {
    name: 'a gauge read each day for a year, fitted and told',
    run: () => watchAnswer(fitPressure(yearOfGauge), 365 * 24),
    against: 1000,
    to: 'the second it may take',
  },
  {
    name: 'a changed system: first signatures, nominal plant',
    run: () => nominalSignatures(catalogue),
    against: 'simulate every run and read every check',
    to: 'one plant read',
  },
  {
    name: 'simulate every run and read every check',
    run: () => readChecks(catalogue, parameters),
    against: 'simulate ten minutes of hot water',
    to: 'ten minutes simulated',
  },
  {
    name: 'belief, nothing remembered',
    run: () => believe(catalogue, fresh(), read),
    against: 'simulate ten minutes of hot water',
    to: 'ten minutes simulated',
  },
  {
    name: 'belief, one more reading',
    run: () => believe(catalogue, signatures, readJournal(catalogue, [...journal, reading(1.5 + (count % 1000) / 1000)])),
    against: 'belief, nothing remembered',
    to: 'belief, nothing remembered',
  },
  {
    name: 'rank every check, nothing known',
    run: () => rankChecks(catalogue, signatures, open, empty, 'telling', new Set()),
    against: 'belief, nothing remembered',
    to: 'belief, nothing remembered',
  },
  {
    name: 'rank every check, three readings in',
    run: () => rankChecks(catalogue, signatures, belief, read, 'telling', new Set()),
    against: 'rank every check, nothing known',
    to: 'rank, nothing known',
  },
  {
    name: 'the whole diagnosis, four readings in',
    run: () => diagnose(catalogue, signatures, [...journal, reading(1.5 + (count % 1000) / 1000)]),
    against: 'belief, nothing remembered',
    to: 'belief, nothing remembered',
  },
  {
    name: 'the whole diagnosis, nothing read',
    run: () => diagnose(catalogue, signatures, [cold()]),
    against: 'belief, nothing remembered',
    to: 'belief, nothing remembered',
  },
  {
    name: 'the whole diagnosis, three defects seen',
    run: () => diagnose(catalogue, signatures, chained()),
    against: 'belief, nothing remembered',
    to: 'belief, nothing remembered',
  },
  {
    name: 'the whole diagnosis, wiring known, nothing read',
    run: () => diagnose(wired, wiredSignatures, [cold()]),
    against: 'the whole diagnosis, nothing read',
    to: 'the same, wiring not known',
  },
  {
    name: 'the whole diagnosis, wiring known, nothing read, the first time',
    run: () => diagnose(wired, { ...wiredSignatures }, [cold()]),
    against: 'the whole diagnosis, wiring known, nothing read',
    to: 'the same, warm',
  },
]

// the same belief the textbook way, and by a general-purpose library, on a catalogue small enough for both
const small = stockCatalogues['electric-flow']!
const smallSignatures = loadSignatures(small)
const smallJournal = readJournal(small, [
  entry('complaint', { what: small.complaints[0]!.id, pattern: 'always' }),
  entry('reading', { check: 'display.pressure', value: 1.2, unit: 'bar' }),
  entry('reading', { check: 'display.sequenceHotWater', outcome: 'lit' }),
])
tasks.push(
  {
    name: 'belief on the smallest system',
    run: () => believe(small, { ...smallSignatures }, smallJournal),
    against: 'the same by loops over every row, plant and reading',
    to: 'textbook loops',
  },
  { name: 'the same by loops over every row, plant and reading', run: () => textbook(small, smallSignatures, smallJournal), against: 1, to: '' },
  {
    name: 'belief over single faults of the smallest system, by bayesjs',
    run: () => byLibrary(small, smallSignatures, smallJournal),
    against: 'belief on the smallest system',
    to: 'ours, pairs included',
  },
)

// a circuit is too quick to be timed alone
const solves = 100
for (const { name, net } of circuits)
  tasks.push({
    name,
    run: () => {
      for (let solved = 0; solved < solves; solved++) net.solve()
    },
    against: 1,
    to: '',
  })

const bench = new Bench({ time: 400, warmupTime: 150, iterations: 6, warmupIterations: 2 })
for (const { name, run } of tasks) bench.add(name, () => void run())
await bench.run()

const medianOf = (name: string): number => {
  const result = bench.tasks.find((task) => task.name === name)?.result
  if (!result || !('latency' in result)) throw new Error(`${name} did not run: ${JSON.stringify(result)}`)
  return result.latency.p50
}
const rows = tasks
  .filter((one) => one.to !== '')
  .map(({ name, against, to }) => {
    const median = medianOf(name)
    const base = typeof against === 'number' ? against : medianOf(against)
    return { name, median: round(median), unit: 'ms', ratio: round(median / base), to }
  })
if (!('missing' in stiff)) {
  const ours = medianOf('simulate ten minutes of heating or storing, premix-combi') * (stiff.seconds / 600)
  rows.push({
    name: `the same heat balance by a stiff integrator (Radau), ${round(stiff.kelvin)} K apart at most`,
    median: round(stiff.theirs),
    unit: 'ms',
    ratio: round(stiff.theirs / ours),
    to: 'our plant, all of it',
  })
}
for (const { name, net } of circuits) {
  const ours = (medianOf(name) / solves) * 1000
  const theirs = byNgspice(net)
  if (theirs === null) console.error('No comparison of circuits: ngspice is not installed (Debian: ngspice).')
  else rows.push({ name, median: round(ours), unit: 'µs', ratio: round(ours / theirs), to: 'ngspice, reading and solving the same netlist' })
}
for (const [name, one] of [
  ['signatures in memory, premix-combi', signatures],
  ['signatures in memory, two 2-port valves with high limit', wiredSignatures],
] as const)
  rows.push({ name, median: round(bytesOf(one) / 2 ** 20), unit: 'MB', ratio: round(bytesOf(one) / 2 ** 20 / 60), to: '60 MB' })
const { rss, arrayBuffers } = process.memoryUsage()
rows.push({
  name: 'memory after all of this: typed arrays',
  median: round(arrayBuffers / 2 ** 20),
  unit: 'MB',
  ratio: round(arrayBuffers / rss),
  to: 'of the process',
})
// not a time but how far halving the step moves a reading, as a share of the reading's own error
const halving = Object.values(stockCatalogues).map((one) => ({ name: `step halved, ${one.system.id}`, ...stepHalving(one, 9) }))
for (const { name, readings, beyond, most } of halving)
  rows.push({
    name: `${name}: ${beyond} of ${readings} readings move by over a fifth of their error`,
    median: round(most),
    unit: 'of the error',
    ratio: round(most / 0.2),
    to: 'a fifth',
  })

if (values.json) process.stdout.write(`${JSON.stringify(rows, null, 2)}\n`)
else {
  console.table(
    rows.map(({ name, median, unit, ratio, to }) => ({
      name,
      median: `${median} ${unit}`,
      before: before[name] === undefined ? '' : `${before[name]} ms`,
      ratio: `${ratio} × ${to}`,
    })),
  )
  if ('missing' in stiff) console.log(`No comparison with a stiff integrator: ${stiff.missing} (Debian: python3-scipy).`)
}

function round(value: number): number {
  return Number(value.toPrecision(3))
}
