// @vitest-environment happy-dom
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { kindsBefore, kindsOf, readyAhead } from './readyAhead.ts'

const { ready } = vi.hoisted(() => ({ ready: vi.fn<(system: string, controls: string, whole: boolean) => Promise<void>>(() => Promise.resolve()) }))
vi.mock('./reasoning.ts', () => ({ reasoning: { ready } }))

const line = (system: string, controls = 'direct') => ({ appliance: { system }, controls })
const a = { system: 'premix-combi', controls: 'direct' }
const b = { system: 'system-boiler', controls: 'two-valves' }

beforeEach(() => {
  localStorage.clear()
  ready.mockReset()
  ready.mockResolvedValue()
})

describe('boilers got ready before somebody opens one', () => {
  it('are of the kinds on the list, each once, the first first, as many as are held', () => {
    expect(kindsOf([line('premix-combi'), line('premix-combi'), line('system-boiler', 'two-valves')])).toEqual([a, b])
    expect(kindsOf(['a', 'b', 'c', 'd'].map((one) => line(one)))).toHaveLength(3)
    expect(kindsOf([])).toEqual([])
  })

  it('are those of last time before the list is there; what is no list of kinds is none', async () => {
    await readyAhead([a, b], () => true)
    expect(kindsBefore()).toEqual([a, b])
    for (const kept of ['{', '{"system":1}', '[null,{"system":1},3]']) {
      localStorage.setItem('dewpoint.kinds', kept)
      expect(kindsBefore()).toEqual([])
    }
  })

  it('go one after the other, past one that is not known, and no further once something else is wanted', async () => {
    ready.mockRejectedValueOnce(new Error('not known'))
    await readyAhead([a, b], () => true)
    expect(ready.mock.calls).toEqual([
      [a.system, a.controls, true],
      [b.system, b.controls, false],
    ])
    ready.mockClear()
    await readyAhead([a, b], () => ready.mock.calls.length === 0)
    expect(ready).toHaveBeenCalledTimes(1)
  })
})
