import { catalogues } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { lookUp, meaningsOf } from './codes.ts'

const combi = meaningsOf(catalogues['premix-combi']!)

describe('a code looked up', () => {
  it('is found however it is typed off the display, and by what it means', () => {
    for (const typed of ['B1', 'b 1', 'stop b1', 'STOP B1', 'safety time'])
      expect(
        lookUp(combi, typed).map((one) => one.id),
        typed,
      ).toEqual(['flame'])
    expect(lookUp(combi, 'zz')).toEqual([])
    expect(lookUp(combi, ' ')).toHaveLength(combi.length)
  })

  it('says where the sequence stops, and what came before it is proved (the sequence itself)', () => {
    const [flame] = lookUp(combi, 'B1')
    expect(flame!.where.map((one) => one.demand)).toEqual(['heating', 'hotWater'])
    for (const { stage, before } of flame!.where) {
      expect(stage).toBe('Spark, gas, flame')
      expect(before).toEqual(expect.arrayContaining(['Pump and water', 'Fan and air']))
      expect(before).not.toContain('Keeps burning')
    }
    const [water] = lookUp(combi, 'W2')
    expect(water!.where[0]!.stage).toBe('Pump and water')
    expect(water!.where.find((one) => one.demand === 'hotWater')!.before).toEqual(['Tap seen'])
  })

  it.each(Object.entries(catalogues))('%s: every code stops some step', (_id, catalogue) => {
    const nowhere = meaningsOf(catalogue).filter((one) => one.kind === 'code' && one.where.length === 0)
    expect(nowhere.map((one) => one.id)).toEqual([])
  })
})
