import { allRules, type NumberResult } from '@dewpoint/core/diagnosis'
import { evidenceLikelihood, onScale, scaleRange } from '@dewpoint/core/diagnosis/belief'
import { describe, expect, it } from 'vitest'
import { stockCatalogues } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

/** Faults whose plants all lie on one side of what a sound appliance reads, by their place, and which side. */
const moved = (own: number[], sound: number[]) => {
  const off = own.map((one, draw) => one - sound[draw]!).filter((one) => !Number.isNaN(one))
  const most = off.reduce((far, one) => (Math.abs(one) > Math.abs(far) ? one : far), 0)
  return off.length === own.length && off.every((one) => one * most >= 0) ? most : 0
}

describe.each(Object.entries(stockCatalogues))('on %s, a worse reading convicts more', (_system, catalogue) => {
  const signatures = loadSignatures(catalogue)
  const { first, draws, checks, values } = signatures
  const numbers = catalogue.checks.filter((one) => one.result.kind === 'number')

  it(`moving a number further in a fault’s direction never lowers it against nothing wrong, for every fault and number of the catalogue (but for a seventh: milder readings are tried in steps of half a spread)`, () => {
    let tried = 0
    for (const check of numbers) {
      const column = checks.indexOf(check.id)
      const [low, high] = scaleRange(check)
      const { scale, thermistor } = check.result as NumberResult
      const plants = (row: number) => Array.from({ length: draws }, (_unused, draw) => onScale(check, values[(first[row]! + draw) * checks.length + column]!))
      const sound = plants(0)
      const middle = sound.reduce((sum, one) => sum + one, 0) / draws
      const [from, to] = thermistor ? [Math.log(0.2), Math.log(5)] : [low, high]
      const grid = Array.from({ length: 25 }, (_unused, step) => from + ((to - from) * step) / 24)
      const rows = grid.map((at) => {
        const evidence = { check, entries: [], outcomes: [], values: [scale === 'log' ? Math.exp(at) : at], doubt: 0, epoch: 0, visit: '', told: false }
        const table = evidenceLikelihood(catalogue, signatures, evidence, allRules)
        const mean = (row: number) => {
          let sum = 0
          for (let plant = first[row]!; plant < first[row + 1]!; plant++) sum += Math.exp(table[plant]!)
          return sum / draws
        }
        return { at, odds: catalogue.faults.map((_fault, fault) => mean(fault + 1) / mean(0)) }
      })
      catalogue.faults.forEach(({ id }, fault) => {
        const far = moved(plants(fault + 1), sound)
        const width = (check.result as NumberResult).width
        if (Math.abs(far) < 20 * width) return
        tried++
        const side = rows.filter(({ at }) => (at - middle) * far > 0)
        if (far < 0) side.reverse()
        let most = 0
        for (const { at, odds } of side) {
          expect(odds[fault]!, `${check.id} at ${at} for ${id}`).toBeGreaterThanOrEqual(most * 0.85 - 0.1)
          most = Math.max(most, odds[fault]!)
        }
      })
    }
    expect(tried).toBeGreaterThan(20)
  })
})
