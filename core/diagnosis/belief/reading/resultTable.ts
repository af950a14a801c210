import type { Catalogue, Check } from '../../catalogue/index.ts'
import { alikeReadings, type Signatures } from '../../signatures/index.ts'
import {
  instrumentOf,
  notReachedProbability,
  numberProbabilities,
  onScale,
  outcomeProbability,
  readingSpread,
  scaleRange,
  strangeAnswer,
  strangeDensity,
} from './readingModel.ts'

/** Bins a number's scale is cut into when checks are compared. */
const bins = 20

/** The chance of each result of one check, for every simulated plant; plants that read alike share one list. */
export interface ResultTable {
  /** results: outcomes and "not reached", or bins and "not reached" */
  size: number
  /** [list][result]: distinct lists of chances, each summing to one */
  chances: Float64Array
  /** which reading a plant has, and which list a reading has */
  readingOf: Uint16Array
  listOf: Uint16Array
  /** chances where nothing is known of the cause */
  strange: Float64Array
}

const built = new WeakMap<Signatures, Map<string, ResultTable>>()

/** The table of a simulated check, made once for a set of signatures. */
export function resultTable(catalogue: Catalogue, signatures: Signatures, check: Check): ResultTable {
  let tables = built.get(signatures)
  if (!tables) built.set(signatures, (tables = new Map()))
  let table = tables.get(check.id)
  if (!table) tables.set(check.id, (table = build(catalogue, signatures, check)))
  return table
}

function build(catalogue: Catalogue, signatures: Signatures, check: Check): ResultTable {
  const instrument = instrumentOf(catalogue, check)
  const isOutcome = check.result.kind === 'outcome'
  const size = check.result.kind === 'outcome' ? check.result.outcomes.length + 1 : bins + 1
  const alike = new Map<number, number>()
  const { values, of } = alikeReadings(catalogue, signatures, check)
  const edges = binEdges(check)
  /** of each list a value that has it, and its spread */
  const heads: { value: number; spread: number }[] = []
  const lists = new Uint16Array(values.length)
  for (let place = 0; place < values.length; place++) {
    const value = values[place]!
    // values closer than a fifth of a reading's spread read alike
    const spread = isOutcome ? 5 : readingSpread(check, instrument, Number.isNaN(value) ? 0 : value)
    const key = Number.isNaN(value) ? NaN : Math.round((onScale(check, value) * 5) / spread) * spread
    let list = alike.get(key)
    if (list === undefined) alike.set(key, (list = heads.push({ value, spread }) - 1))
    lists[place] = list
  }
  const chances = new Float64Array(heads.length * size)
  heads.forEach(({ value, spread }, list) => {
    if (isOutcome) for (let said = 0; said < size; said++) chances[list * size + said] = outcomeProbability(check, value, said === size - 1 ? -1 : said)
    else {
      numberProbabilities(check, value, edges, spread, chances, list * size)
      chances[list * size + bins] = notReachedProbability(value)
    }
  })
  return { size, chances, readingOf: of, listOf: lists, strange: strangely(check, size, edges) }
}

/** Where the bins begin and end; a sensor that drifted reads within a few times its chart, and what lies beyond falls into the bins at the ends. */
function binEdges(check: Check): Float64Array {
  const [low, high] = scaleRange(check)
  const [from, to] = check.result.kind === 'number' && check.result.thermistor ? [Math.log(0.3), Math.log(3)] : [low, high]
  const edges = Array.from({ length: bins + 1 }, (_unused, edge) => from + ((to - from) * edge) / bins)
  return Float64Array.of(low, ...edges.slice(1, -1), high)
}

function strangely(check: Check, size: number, edges: Float64Array): Float64Array {
  if (check.result.kind === 'outcome') return new Float64Array(size).fill(strangeAnswer(check, -1))
  const density = strangeDensity(check)
  return Float64Array.from({ length: size }, (_unused, bin) => (bin === bins ? strangeAnswer(check, -1) : density * (edges[bin + 1]! - edges[bin]!)))
}
