import { catalogues } from '@dewpoint/trade'
import { advisable, canDoNow } from '@dewpoint/trade/advice'
import { describe, expect, it } from 'vitest'

const all = Object.values(catalogues)
const complaints = new Set(all.flatMap((one) => one.complaints.map(({ id }) => id)))
const faults = new Set(all.flatMap((one) => one.faults.map(({ id }) => id)))
const offered = (said: string[], likely: Record<string, number> = {}) => advisable(said, likely).map((one) => one.id)

describe('what a customer can do now', () => {
  it('goes by complaints and faults that there are', () => {
    const unknown = canDoNow.flatMap(({ id, complaints: with_ = [], faults: of = [], never = [] }) =>
      [...[...with_, ...never].filter((one) => !complaints.has(one)), ...of.filter((one) => !faults.has(one))].map((one) => `${id}: ${one}`),
    )
    expect(unknown).toEqual([])
  })

  it('says of each when to stop, and nothing opens the case or bridges anything', () => {
    for (const { steps, stop } of canDoNow) {
      expect(stop).not.toBe('')
      for (const step of steps) expect(step).not.toMatch(/\b(open|remove|take off) the (case|cover)|bridge|bypass|tighten/i)
    }
  })

  it('topping up is not said where water escapes or the pressure is high already (common practice)', () => {
    expect(offered(['topUps'])).toContain('topUp')
    expect(offered(['noHeating'], { 'water.low': 0.3 })).toContain('topUp')
    for (const other of ['boilerDrips', 'gaugeHigh', 'dripsOutside', 'risesHot', 'trips'])
      expect(offered(['topUps', other], { 'water.low': 0.9 })).not.toContain('topUp')
  })

  it('a drip or a tripping supply is left off; a bang is not reset', () => {
    expect(offered(['boilerDrips'])).toContain('leaveOff')
    expect(offered(['trips', 'locksOut'])).not.toContain('resetOnce')
    expect(offered(['locksOut'])).toContain('resetOnce')
  })

  it('nothing is said where nothing fits', () => expect(offered(['drones'])).toEqual([]))
})
