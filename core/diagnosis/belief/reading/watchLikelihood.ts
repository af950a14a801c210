import { fitPressure, type ExplanationId } from '../../../pressure/index.ts'
import type { Catalogue, Fault } from '../../catalogue/index.ts'
import type { GaugeWatch } from '../../evidence/index.ts'
import type { Signatures } from '../../signatures/index.ts'

/** a whole watch convicts or clears no further than this, as a natural logarithm: the model is no boiler. Chosen: one in three thousand */
const furthest = 8

/** Which explanation of a gauge a fault is, by what it changes; the first that applies. */
const changes: readonly (readonly [key: RegExp, is: ExplanationId])[] = [
  [/\.leakHot$/, 'leakHot'],
  [/\.leakCold$/, 'leakCold'],
  [/^pipework\.leak$/, 'leak'],
  [/^relief\.passing$/, 'relief'],
  [/^fillingLoop\.letBy$/, 'loop'],
  [/\.perforation$/, 'plate'],
  // more water than the vessel was meant for comes before the vessel’s own size
  [/^system\.volume$/, 'small'],
  [/^vessel\.(preCharge|cushion|connection)$|^relief\.opensAt$/, 'cushion'],
]

/** What a fault has a gauge do over days. */
function explanationOf({ patch }: Pick<Fault, 'patch'>): ExplanationId {
  const follows = patch['gauge.follows']
  if (follows !== undefined) return follows === 0 ? 'gaugeStuck' : 'gaugeSluggish'
  const keys = Object.keys(patch)
  // filled too far, and nothing else
  const pressure = patch['water.pressure']
  if (keys.length === 1 && pressure !== undefined && Math.max(...[pressure].flat()) > 1.6) return 'overfilled'
  return changes.find(([key]) => keys.some((one) => key.test(one)))?.[1] ?? 'nothing'
}

/** fits made so far, by series: the belief asks for one again and again */
const fits = new Map<string, Map<ExplanationId, number>>()
const most = 24

/** How likely the readings of a watch are with each explanation, as natural logarithms below the likeliest. */
function likelihoods(watch: GaugeWatch): Map<ExplanationId, number> {
  const key = JSON.stringify(watch.series)
  const known = fits.get(key)
  if (known) return known
  const { explanations } = fitPressure(watch.series)
  const top = Math.max(...explanations.map(({ logEvidence }) => logEvidence))
  const found = new Map(explanations.map(({ id, logEvidence }) => [id, Math.max(logEvidence - top, -furthest)]))
  if (fits.size >= most) fits.delete(fits.keys().next().value!)
  fits.set(key, found)
  return found
}

/** Log-likelihood of a gauge watched over days, for every plant: by the explanation among a row's faults that suits it best. */
export function watchLikelihood(catalogue: Catalogue, { sets, first }: Signatures, watch: GaugeWatch): Float64Array {
  const likely = likelihoods(watch)
  const of = (id: ExplanationId) => likely.get(id) ?? -furthest
  const byFault = catalogue.faults.map((fault) => explanationOf(fault))
  const table = new Float64Array(first[sets.length + 2]!)
  // of something on no list nothing is known: it may do any of it
  const any = Math.log([...likely.values()].reduce((sum, one) => sum + Math.exp(one), 0) / likely.size)
  for (let row = 0; row < sets.length + 2; row++) {
    const set = sets[row]
    const explanations = (set ?? []).map((fault) => byFault[fault]!).filter((one) => one !== 'nothing')
    const log = row === sets.length + 1 ? any : explanations.length > 0 ? Math.max(...explanations.map(of)) : of('nothing')
    table.fill(log, first[row]!, first[row + 1]!)
  }
  return table
}
