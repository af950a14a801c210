import { pairsOf, plantOf, readChecks, readsOf, simulatedChecks, simulatePairs, singleRuns } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { stockCatalogues } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

const catalogue = stockCatalogues['electric-flow']!
const index = (id: string) => catalogue.faults.findIndex((one) => one.id === id)

describe('runs of single faults', () => {
  const alone = singleRuns(catalogue)

  it('are moved by what plays a part in them, however little, and by nothing else', () => {
    // nobody asks the store's thermostat while the rooms are heated; a flat vessel shows wherever water gets warm
    expect(alone.changes(index('cylinderStat.doesNotClose'), 'heating')).toBe(false)
    expect(alone.changes(index('cylinderStat.doesNotClose'), 'stored')).toBe(true)
    expect(alone.changes(index('vessel.lostCharge'), 'heating')).toBe(true)
  })

  it('read what the checks read', () => {
    const fault = index('pump.worn')
    const checks = simulatedChecks(catalogue)
    const whole = readChecks(catalogue, plantOf(catalogue, [fault], 2))
    const read = alone.reads(fault, 2, 'heating')
    const numbers = [...checks.entries()].filter(([, { result }]) => result.kind === 'number' && 'run' in result.read && result.read.run === 'heating')
    expect(numbers.length).toBeGreaterThan(5)
    for (const [at, check] of numbers) expect(read.get(readsOf(check)[0]!), check.id).toBe(whole[at])
  })
})

describe('pairs that take a run from a single fault', () => {
  it('read as if it had been simulated with both', () => {
    const { values } = loadSignatures(catalogue)
    const some = pairsOf(catalogue).filter((_pair, at) => at % 211 === 7)
    const simulated = simulatePairs(catalogue, values, some)
    expect(simulated.at.length).toBeGreaterThan(30)
    expect(simulatePairs(catalogue, values, some, singleRuns(catalogue))).toEqual(simulated)
  })
})
