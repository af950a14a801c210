import { alikeReadings } from './alike.ts'
import type { Catalogue, Check } from './catalogue.ts'
import { instrumentOf, onScale, outcomeProbability, readingSpread, scaleRange } from './likelihood.ts'
import type { Signatures } from './signatures.ts'

/** Bins a number's scale is cut into when checks are compared. */
const bins = 20

/** The chance of each result of one check, for every simulated plant; plants that read alike share one list. */
export interface ResultTable {
  /** results: outcomes and "not reached", or bins and "not reached" */
  size: number
  /** distinct lists of chances */
  chances: Float64Array[]
  /** which list a plant has */
  listOf: Uint16Array
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
  const size = check.result.kind === 'outcome' ? check.result.outcomes.length + 1 : bins + 1
  const chances: Float64Array[] = []
  const alike = new Map<number, number>()
  const { values, of } = alikeReadings(catalogue, signatures, check)
  const lists = Uint16Array.from(values, (value) => {
    // values closer than a fifth of a reading's spread read alike
    const spread = check.result.kind === 'number' ? readingSpread(check, instrument, value) : 5
    const key = Number.isNaN(value) ? NaN : Math.round((onScale(check, value) * 5) / spread) * spread
    let list = alike.get(key)
    if (list === undefined) {
      list = chances.push(check.result.kind === 'outcome' ? outcomes(check, value, size) : binned(check, value, spread)) - 1
      alike.set(key, list)
    }
    return list
  })
  return { size, chances, listOf: of.map((place) => lists[place]!) }
}

function outcomes(check: Check, value: number, size: number): Float64Array {
  return Float64Array.from({ length: size }, (_unused, said) => outcomeProbability(check, value, said === size - 1 ? -1 : said))
}

/** A sensor that drifted reads within a few times its chart; open and short circuit fall into the end bins. */
function binnedRange(check: Check): [number, number] {
  return check.result.kind === 'number' && check.result.thermistor ? [Math.log(0.3), Math.log(3)] : scaleRange(check)
}

function binned(check: Check, value: number, spread: number): Float64Array {
  const chances = new Float64Array(bins + 1)
  if (Number.isNaN(value)) {
    chances[bins] = 1
    return chances
  }
  const [low, high] = binnedRange(check)
  const centre = onScale(check, value)
  let below = 0
  for (let bin = 0; bin < bins; bin++) {
    const edge = low + ((high - low) * (bin + 1)) / bins
    // logistic stand-in for the heavy-tailed distribution function
    const upTo = bin === bins - 1 ? 1 : 1 / (1 + Math.exp(-(edge - centre) / (spread * 0.62)))
    chances[bin] = upTo - below
    below = upTo
  }
  return chances
}
