import { wiredWith } from '@dewpoint/core/diagnosis'
import type { Asked } from '@dewpoint/core/wiring'
import { catalogueFor } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { doing, litOf, switchesOf } from './state.ts'

const asked = (cold: Asked['cold'], rest: Partial<Asked> = {}): Asked => ({ programmed: { heating: true, hotWater: true }, cold, ...rest })

describe('two 2-port valves, as the map shows them', () => {
  const catalogue = catalogueFor('system-boiler', 'two-valves')!
  const scheme = catalogue.system.controls!
  const device = (id: string) => scheme.devices.find((one) => one.id === id)!
  const at = (state: Asked, ...faults: string[]) =>
    wiredWith(
      catalogue,
      faults.map((id) => catalogue.faults.findIndex((one) => one.id === id)),
      state,
    )
  const says = (state: Asked, ...faults: string[]) => Object.fromEntries(scheme.devices.map((one) => [one.id, doing(scheme, at(state, ...faults), one)]))

  it('at rest: nothing calls, valves shut, the boiler not called', () => {
    expect(says(asked({}))).toMatchObject({
      supply: 'on',
      programmer: 'on: heating, hot water',
      roomStat: 'does not call',
      heatingValve: 'shut, switch open',
      boiler: 'not called',
    })
  })

  it('the room calls: its valve opens, its switch makes, the boiler is called', () => {
    expect(says(asked({ heating: true }))).toMatchObject({
      roomStat: 'calls',
      heatingValve: 'open, switch made',
      hotWaterValve: 'shut, switch open',
      boiler: 'called',
    })
    const lit = litOf(scheme, at(asked({ heating: true })))
    expect([lit.heatingMotorCore, lit.heatingSwitchedCore, lit.hotWaterMotorCore, lit.heatingNeutralCore]).toEqual(['mains', 'mains', 'dead', 'dead'])
  })

  it('with the fuse out nothing is live', () => {
    const dead = asked({ heating: true }, { isolated: true })
    expect(says(dead)).toMatchObject({ supply: 'off, locked', boiler: 'no supply' })
    expect(new Set(Object.values(litOf(scheme, at(dead))))).toEqual(new Set(['dead']))
  })

  it('a core that is broken is live at one end and drawn dead', () => {
    const lit = litOf(scheme, at(asked({ heating: true }), 'heatingMotorCore.broken'))
    expect([lit.heatingOutputCore, lit.heatingMotorCore]).toEqual(['mains', 'dead'])
  })

  it('switches inside a device are drawn as they stand', () => {
    const made = (state: Asked) =>
      switchesOf(at(state), device('heatingValve')).find((one) => one.to.endsWith('switched') || one.from.endsWith('switched'))!.made
    expect([made(asked({})), made(asked({ heating: true }))]).toEqual([false, true])
    for (const { from, to } of switchesOf(at(asked({})), device('roomStat'))) for (const end of [from, to]) expect(end.startsWith('roomStat.')).toBe(true)
  })
})

describe('other devices', () => {
  it('a mid-position valve by where it stands', () => {
    const catalogue = catalogueFor('system-boiler', 'mid-position')!
    const scheme = catalogue.system.controls!
    const valve = scheme.devices.find((one) => one.id === 'midValve')!
    const says = (cold: Asked['cold']) => doing(scheme, wiredWith(catalogue, [], asked(cold)), valve)
    expect([says({}), says({ heating: true, hotWater: true }), says({ heating: true })]).toEqual(['at hot water', 'in the middle', 'at heating'])
  })

  it('a transformer by its volts, and low voltage is drawn as such', () => {
    const catalogue = catalogueFor('zone-24v', 'zones-24v')!
    const scheme = catalogue.system.controls!
    const wiring = wiredWith(catalogue, [], asked({ heating: true }))
    expect(
      doing(
        scheme,
        wiring,
        scheme.devices.find((one) => one.id === 'transformer')!,
      ),
    ).toMatch(/^2[3-8] V$/)
    expect(litOf(scheme, wiring)).toMatchObject({ zone1FeedCore: 'low', zone1LiveCore: 'mains' })
  })
})
