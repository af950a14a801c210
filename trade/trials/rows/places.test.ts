import { catalogues } from '@dewpoint/trade'
import { places } from '@dewpoint/trade/places'
import { describe, expect, it } from 'vitest'

const all = Object.values(catalogues)
const checks = new Map(all.flatMap((one) => one.checks.map((check) => [check.id, check] as const)))
const placed = new Map(places.flatMap((one) => one.checks.map((id) => [id, one.id] as const)))

describe('places to look at', () => {
  it('have checks there are, each at one place, none that opens anything', () => {
    const unknown = places.flatMap((one) => one.checks.filter((id) => !checks.has(id)))
    expect(unknown).toEqual([])
    expect(places.flatMap((one) => one.checks)).toHaveLength(placed.size)
    expect([...placed.keys()].filter((id) => checks.get(id)!.access !== 'none')).toEqual([])
  })

  it('hold everything that can be seen or heard with nothing opened and no instrument', () => {
    const left = [...checks.values()].filter(({ id, kind, access }) => ['look', 'listen'].includes(kind) && access === 'none' && !placed.has(id))
    expect(left.map((one) => one.id)).toEqual([])
  })

  it('are there only where there is what is looked at: no flue on an electric boiler, no tundish without a cylinder', () => {
    const at = (system: string) => {
      const components = catalogues[system]!.system.components.map((one) => one.id)
      return places.filter(({ needs }) => !needs || needs.split('|').some((one) => components.includes(one))).map((one) => one.id)
    }
    expect(at('electric-flow')).not.toContain('flue')
    expect(at('premix-combi')).not.toContain('tundish')
    expect(at('system-boiler')).toEqual(expect.arrayContaining(['tundish', 'cylinder', 'valves', 'flue']))
    for (const { id } of all.map((one) => one.system)) expect(at(id).length).toBeGreaterThan(8)
  })
})
