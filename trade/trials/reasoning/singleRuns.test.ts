import { pairsOf, plantOf, readChecks, readsOf, simulatedChecks, simulatePairs, singleRuns } from '@dewpoint/core/diagnosis'
import { checkReader, runReads } from '@dewpoint/core/diagnosis/signatures'
import { describe, expect, it } from 'vitest'
import { stockCatalogues } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

const catalogue = stockCatalogues['electric-flow']!
const index = (id: string) => catalogue.faults.findIndex((one) => one.id === id)

/** The runs of nothing wrong and of some faults, kept as they are when all are built. */
function keptOf(faults: number[]) {
  const { runs, keep } = singleRuns(catalogue)
  const read = checkReader(catalogue)
  const checks = simulatedChecks(catalogue)
  for (const row of [0, ...faults.map((fault) => fault + 1)]) {
    for (let draw = 0; draw < 4; draw++) {
      read(plantOf(catalogue, row === 0 ? [] : [row - 1], draw), checks, [])
      keep(row, draw, read.timelineOf)
    }
  }
  return runs
}

describe('runs of single faults', () => {
  it('are moved by what plays a part in them, however little, and by nothing else', () => {
    const [stat, vessel] = [index('cylinderStat.doesNotClose'), index('vessel.lostCharge')]
    const { moved } = keptOf([stat, vessel])
    const moves = (fault: number, run: string) => moved[fault * catalogue.runs.length + catalogue.runs.findIndex((one) => one.id === run)] === 1
    // nobody asks the store's thermostat while the rooms are heated; a flat vessel shows wherever water gets warm
    expect(moves(stat, 'heating')).toBe(false)
    expect(moves(stat, 'stored')).toBe(true)
    expect(moves(vessel, 'heating')).toBe(true)
  })

  it('read what the checks read', () => {
    const fault = index('pump.worn')
    const whole = readChecks(catalogue, plantOf(catalogue, [fault], 2))
    const reads = runReads(catalogue)
    const kept = keptOf([fault]).reads.subarray(((fault + 1) * 4 + 2) * reads.length)
    const numbers = [...simulatedChecks(catalogue).entries()].filter(([, { result }]) => result.kind === 'number' && 'run' in result.read)
    expect(numbers.length).toBeGreaterThan(5)
    for (const [at, check] of numbers) expect(kept[reads.findIndex((read) => read === readsOf(check)[0])], check.id).toBe(whole[at])
  })
})

describe('pairs that take a run from a single fault', () => {
  const { values } = loadSignatures(catalogue)
  const some = pairsOf(catalogue).filter((_pair, at) => at % 211 === 7)
  const runs = keptOf([...new Set(some.flat())])
  const simulated = simulatePairs(catalogue, values, some)

  it('read as if it had been simulated with both', () => {
    expect(simulated.at.length).toBeGreaterThan(30)
    expect(simulatePairs(catalogue, values, some, runs)).toEqual(simulated)
  })

  it('do take it: with other figures there they read otherwise', () => {
    const others = { ...runs, reads: runs.reads.map((value) => value + 1000) }
    expect(simulatePairs(catalogue, values, some, others)).not.toEqual(simulated)
  })
})
