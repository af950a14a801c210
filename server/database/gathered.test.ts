import { describe, expect, it, vi } from 'vitest'
import { gathered } from './gathered.ts'

/** a question whose answer comes when it is let */
function slow() {
  const answers: (() => void)[] = []
  const load = vi.fn(
    (keys: readonly string[]) =>
      new Promise<ReadonlyMap<string, string>>((done) =>
        answers.push(() => done(new Map(keys.filter((one) => one !== 'none').map((one) => [one, one.toUpperCase()])))),
      ),
  )
  return { load, next: () => vi.waitFor(() => answers.shift()!()) }
}

describe('asking together', () => {
  it('asks for one at once, and for what is asked meanwhile in the next question: no answer is of before it was asked for', async () => {
    const { load, next } = slow()
    const ask = gathered(load)
    const first = ask('a')
    const meanwhile = ['b', 'a', 'b', 'none'].map((one) => ask(one))
    expect(load.mock.calls).toEqual([[['a']]])
    await next()
    expect(await first).toBe('A')
    await next()
    expect(await Promise.all(meanwhile)).toEqual(['B', 'A', 'B', undefined])
    expect(load.mock.calls).toEqual([[['a']], [['b', 'a', 'none']]])
  })

  it('tells everybody who asked what went wrong, and asks anew afterwards', async () => {
    let fails = true
    const ask = gathered((keys) => (fails ? Promise.reject(new Error('away')) : Promise.resolve(new Map(keys.map((one) => [one, 1])))))
    const all = await Promise.allSettled([ask('a'), ask('b'), ask('c')])
    expect(all.map((one) => one.status)).toEqual(['rejected', 'rejected', 'rejected'])
    fails = false
    expect(await ask('a')).toBe(1)
  })

  it('in a crowd lets others come before the next question, and asks for them in one; alone nobody waits', async () => {
    vi.useFakeTimers()
    try {
      const load = vi.fn((keys: readonly string[]) => Promise.resolve(new Map(keys.map((one) => [one, one]))))
      const ask = gathered(load)
      const answers = ['a', 'b', 'c', 'd', 'e'].map((one) => ask(one))
      // the first alone, then four at once
      await vi.advanceTimersByTimeAsync(0)
      expect(load.mock.calls).toEqual([[['a']], [['b', 'c', 'd', 'e']]])
      const late = [ask('f'), ask('g')]
      await vi.advanceTimersByTimeAsync(3)
      late.push(ask('h'))
      expect(load).toHaveBeenCalledTimes(2)
      await vi.advanceTimersByTimeAsync(20)
      expect(load.mock.calls.slice(2)).toEqual([[['f', 'g', 'h']]])
      expect(await Promise.all([...answers, ...late])).toEqual(['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'])
      await vi.advanceTimersByTimeAsync(20)
      void ask('i')
      expect(load.mock.calls.slice(3)).toEqual([[['i']]])
    } finally {
      vi.useRealTimers()
    }
  })

  it('asks for a great many in stretches', async () => {
    const load = vi.fn((keys: readonly string[]) => Promise.resolve(new Map(keys.map((one) => [one, one]))))
    const ask = gathered(load)
    const keys = Array.from({ length: 501 }, (_unused, index) => String(index))
    expect(await Promise.all(keys.map((one) => ask(one)))).toEqual(keys)
    expect(load.mock.calls.map(([list]) => list.length)).toEqual([1, 200, 200, 100])
  })
})
