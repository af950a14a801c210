import { allRules, type Catalogue, type Check, drawCount, noExceptions, type NumberResult, type Rules, type Signatures } from '@dewpoint/core/diagnosis'
import { assembleSignatures } from '@dewpoint/core/diagnosis'
import { evidenceLikelihood, onScale, readingSpread, scaleRange } from '@dewpoint/core/diagnosis/belief'
import { describe, expect, it } from 'vitest'
import { stockCatalogues } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

/** One fault and one check of a catalogue by themselves: nothing else that might predict the same reading. */
function alone(catalogue: Catalogue, whole: Signatures, fault: number, check: Check): { catalogue: Catalogue; signatures: Signatures; plants: number[][] } {
  const only = { ...catalogue, faults: [catalogue.faults[fault]!], checks: [check] }
  const column = whole.checks.indexOf(check.id)
  const of = (row: number) => Array.from({ length: drawCount }, (_unused, draw) => whole.values[(whole.first[row]! + draw) * whole.checks.length + column]!)
  const plants = [of(0), of(fault + 1), of(0)]
  return { catalogue: only, signatures: assembleSignatures(only, Float32Array.from(plants.flat()), noExceptions), plants }
}

/** How many times likelier a number makes the one fault than nothing wrong. */
function odds({ catalogue, signatures }: ReturnType<typeof alone>, value: number, rules: Rules = allRules): number {
  const [check] = catalogue.checks
  const evidence = { check: check!, entries: [], outcomes: [], values: [value], doubt: 0, epoch: 0, visit: '', told: false }
  const table = evidenceLikelihood(catalogue, signatures, evidence, rules)
  const mean = (row: number) => {
    let sum = 0
    for (let plant = signatures.first[row]!; plant < signatures.first[row + 1]!; plant++) sum += Math.exp(table[plant]!)
    return sum
  }
  return mean(1) / mean(0)
}

/** Every number that every fault moves plainly, and one way only: from far on the healthy side to the end of the scale. */
function* moves(catalogue: Catalogue) {
  const whole = loadSignatures(catalogue)
  const instruments = new Map(catalogue.instruments.map((one) => [one.id, one]))
  for (const check of catalogue.checks) {
    if (check.result.kind !== 'number') continue
    const { scale, thermistor, instrument } = check.result as NumberResult
    const [low, high] = thermistor ? [Math.log(0.2), Math.log(5)] : scaleRange(check)
    for (const [fault, { id }] of catalogue.faults.entries()) {
      const world = alone(catalogue, whole, fault, check)
      const [sound, own] = world.plants as [number[], number[]]
      const off = own.map((one, draw) => onScale(check, one) - onScale(check, sound[draw]!))
      const most = off.reduce((far, one) => (Math.abs(one) > Math.abs(far) ? one : far), 0)
      const widest = Math.max(...own.map((one) => readingSpread(check, instruments.get(instrument)!, one)))
      if (off.some((one) => Number.isNaN(one) || one * most < 0) || Math.abs(most) < 4 * widest) continue
      const middle = sound.reduce((sum, one) => sum + onScale(check, one), 0) / sound.length
      const end = most > 0 ? high : low
      const readings = Array.from({ length: 20 }, (_unused, step) => middle + ((end - middle) * (step + 1)) / 20)
      yield { name: `${check.id} for ${id}`, world, readings: readings.map((one) => (scale === 'log' ? Math.exp(one) : one)) }
    }
  }
}

describe.each(['premix-combi', 'electric-flow'].map((id) => [id, stockCatalogues[id]!] as const))(
  'on %s, a worse reading convicts more',
  (_system, catalogue) => {
    it('moving a number further in a fault’s direction never lowers it against nothing wrong: every fault, every number it moves', () => {
      let tried = 0
      for (const { name, world, readings } of moves(catalogue)) {
        tried++
        let most = 0
        for (const value of readings) {
          const now = odds(world, value)
          // what lies between two milder readings that are tried differs by a fifth at most; below that nothing is said for it yet
          if (most > 2) expect(now, `${name} at ${value}`).toBeGreaterThanOrEqual(most * 0.8)
          most = Math.max(most, now)
        }
      }
      expect(tried).toBeGreaterThan(20)
    })
  },
)

it('without the rule a flow thermistor worse than was simulated is no more than a reading of anything', () => {
  const catalogue = stockCatalogues['premix-combi']!
  const check = catalogue.checks.find((one) => one.id === 'measure.flowThermistor')!
  const fault = catalogue.faults.findIndex((one) => one.id === 'flowThermistor.readsHigh')
  const world = alone(catalogue, loadSignatures(catalogue), fault, check)
  const worst = Math.min(...world.plants[1]!)
  expect(odds(world, worst * 0.55)).toBeGreaterThanOrEqual(0.94 * odds(world, worst))
  expect(odds(world, worst * 0.55, { ...allRules, plateau: false })).toBeLessThan(odds(world, worst) / 3)
})
