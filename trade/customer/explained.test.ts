import { describe, expect, it } from 'vitest'
import { catalogues } from '../index.ts'
import { partsExplained, stepsExplained } from './explained.ts'

describe('what is said to whoever lives with the boiler', () => {
  it('has words for every step of heating and hot water of every boiler', () => {
    for (const { system } of Object.values(catalogues))
      for (const stages of [system.sequence.heating, system.sequence.hotWater])
        for (const { id } of stages ?? []) expect(Object.keys(stepsExplained), `${system.id} ${id}`).toContain(id)
  })

  it('explains parts that are there, and most of what is in them by fault', () => {
    const parts = new Map(Object.values(catalogues).flatMap(({ parts: own }) => own.map(({ id, of }) => [id, of ?? id] as const)))
    for (const id of Object.keys(partsExplained)) expect([...parts.keys(), ...parts.values()], id).toContain(id)
    const faults = catalogues['premix-combi']!.faults
    const said = faults.filter(({ part }) => partsExplained[part] ?? partsExplained[parts.get(part) ?? ''])
    expect(said.length / faults.length).toBeGreaterThan(0.5)
  })

  it('speaks no jargon', () => {
    const all = [...Object.values(partsExplained), ...Object.values(stepsExplained).flatMap(({ does, waits }) => [does, waits])].join(' ')
    expect(all).not.toMatch(/thermistor|PCB|NTC|diverter|heat exchanger|rectification|modulat|lockout/i)
  })
})
