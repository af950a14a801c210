import { spawn } from 'node:child_process'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { keepRunning } from './supervise.mjs'

const node = (script: string) => spawn(process.execPath, ['-e', script], { stdio: 'ignore' })
const lasting = () => node('setInterval(() => {}, 1000)')
afterEach(() => vi.restoreAllMocks())

describe('a program that is kept running', () => {
  it('comes back each time it is killed, and ends when it is stopped', async () => {
    vi.spyOn(console, 'error').mockReturnValue()
    let starts = 0
    const kept = keepRunning('program', () => {
      starts++
      return lasting()
    })
    const seen = new Set<number>()
    for (let time = 0; time < 3; time++) {
      await vi.waitFor(() => expect(kept.child!.exitCode === null && kept.child!.signalCode === null && !seen.has(kept.child!.pid!)).toBe(true), 20_000)
      seen.add(kept.child!.pid!)
      kept.child!.kill('SIGKILL')
    }
    await vi.waitFor(() => expect(starts).toBe(4), 20_000)
    await kept.stop()
    expect(await kept.ended).toBe(0)
    expect(starts).toBe(4)
  })

  it('is given up with its code when starting it again is no use', async () => {
    let starts = 0
    const kept = keepRunning('program', () => (starts++, node('process.exit(3)')), { hopeless: [2, 3] })
    expect(await kept.ended).toBe(3)
    expect(starts).toBe(1)
  })

  it('that ends by itself right after every start is given up, with a message, after growing pauses', async () => {
    const said = vi.spyOn(console, 'error').mockReturnValue()
    const kept = keepRunning('program', () => node('process.exit(1)'), { firstPause: 8 })
    expect(await kept.ended).toBe(1)
    const lines = said.mock.calls.map((one) => String(one[0]))
    expect(lines.slice(0, 7).map((one) => Number(/in ([\d.]+) s/.exec(one)?.[1]))).toEqual([0.008, 0.016, 0.032, 0.064, 0.128, 0.256, 0.512])
    expect(lines.at(-1)).toContain('ended 8 times in a row')
  })

  it('that cannot be started at all says why', async () => {
    const said = vi.spyOn(console, 'error').mockReturnValue()
    const kept = keepRunning('program', () => spawn('/no/such/program'))
    await vi.waitFor(() => expect(said.mock.calls.flat().join(' ')).toContain('ENOENT'), 20_000)
    await kept.stop()
    expect(await kept.ended).toBe(0)
  })
})
