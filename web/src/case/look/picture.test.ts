import { catalogues } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { canvas, drawnOf, spotsOf } from './picture.ts'

const systems = Object.values(catalogues).map((one) => [one.system.id, one] as const)

describe('the picture of an appliance', () => {
  it.each(systems)('of %s has its places numbered in order, within it, and none under another’s thumb', (_id, catalogue) => {
    const spots = spotsOf(catalogue)
    expect(spots.map((one) => one.number)).toEqual(spots.map((_one, index) => index + 1))
    for (const { ring, at } of spots)
      for (const [x, y] of [ring, at]) {
        expect(x).toBeGreaterThan(16)
        expect(x).toBeLessThan(canvas.width - 16)
        expect(y).toBeGreaterThan(60)
        expect(y).toBeLessThan(canvas.height - 16)
      }
    // rings of 18 with a badge: closer than 44 they would run into each other
    const apart = spots.flatMap((one, index) => spots.slice(index + 1).map((other) => Math.hypot(one.ring[0] - other.ring[0], one.ring[1] - other.ring[1])))
    expect(Math.min(...apart)).toBeGreaterThanOrEqual(44)
    for (const { place } of spots) expect(place.checks.length).toBeGreaterThan(0)
  })

  it('is of this appliance: what its data say it has', () => {
    const of = (id: string) => drawnOf(catalogues[id]!)
    expect(of('premix-combi')).toMatchObject({ flue: true, gas: true, condensate: true, cylinder: false, valves: 0, display: true, loop: 'hose' })
    expect(of('electric-flow')).toMatchObject({ flue: false, gas: false, condensate: false, cylinder: true, sightGlass: false })
    expect(of('system-boiler')).toMatchObject({ cylinder: true, tundish: true, valves: 2, thermostats: 1 })
    expect(of('zone-24v')).toMatchObject({ thermostats: 2, programmer: false, loop: 'automatic', tap: null })
    expect(of('regular-pilot').knob).toBe(true)
  })

  it('and by the version that is fitted: filling valves may be built in', () => {
    expect(drawnOf(catalogues['premix-combi']!, (id) => (id === 'filling' ? 'builtIn' : undefined)).loop).toBe('builtIn')
  })
})
