import type { PairReport } from '@dewpoint/contract'
import { catalogueHash, pairCount } from '@dewpoint/core/diagnosis'
import { catalogueFor } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { testApp } from '../testApp.ts'

const { running, get, post } = testApp('pairs')
const catalogue = catalogueFor('electric-flow', 'store-electric')!
const url = `/api/pairs/${catalogueHash(catalogue)}`
const device = (n: number) => `01934a00-0000-7000-8000-00000000000${n}`
const report = (n: number, change: Partial<PairReport> = {}): PairReport => ({
  device: device(n),
  system: 'electric-flow',
  controls: 'store-electric',
  pairs: [
    {
      pair: 17,
      exceptions: [
        [3, 1.5],
        [9, null],
      ],
    },
  ],
  ...change,
})
const pairs = async () => (await get<{ pairs: unknown[] }>(url)).pairs

describe('simulated pairs', () => {
  it('count when a second device found the same, not when one says so twice', async () => {
    expect((await post(url, report(1))).json()).toEqual({ kept: 1 })
    await post(url, report(1))
    expect(await pairs()).toEqual([])
    await post(url, report(2, { pairs: [{ pair: 17, exceptions: [[3, 99]] }] }))
    expect(await pairs()).toEqual([])
    await post(url, report(3))
    expect(await pairs()).toEqual(report(1).pairs)
  })

  it('are not fixed by the first: a device that corrects itself is heard, and two camps cancel each other', async () => {
    const wrong = [{ pair: 4, exceptions: [[0, 7]] as [number, number][] }]
    const right = [{ pair: 4, exceptions: [] }]
    const of4 = async () => (await pairs()).filter((one) => (one as { pair: number }).pair === 4)
    await post(url, report(1, { pairs: wrong }))
    await post(url, report(2, { pairs: wrong }))
    expect(await of4()).toEqual(wrong)
    await post(url, report(3, { pairs: right }))
    await post(url, report(4, { pairs: right }))
    expect(await of4()).toEqual([])
    await post(url, report(1, { pairs: right }))
    expect(await of4()).toEqual(right)
  })

  it('agree when they differ in the last figures only', async () => {
    await post(url, report(1, { pairs: [{ pair: 5, exceptions: [[0, Math.fround(1.234561)]] }] }))
    await post(url, report(2, { pairs: [{ pair: 5, exceptions: [[0, Math.fround(1.234562)]] }] }))
    expect((await pairs()).filter((one) => (one as { pair: number }).pair === 5)).toHaveLength(1)
  })

  it.each([
    ['a pair the catalogue does not have', report(1, { pairs: [{ pair: pairCount(catalogue), exceptions: [] }] })],
    ['a place beyond what is simulated', report(1, { pairs: [{ pair: 1, exceptions: [[1_000_000, 1]] }] })],
    ['one place twice', report(1, { pairs: [{ pair: 1, exceptions: [[3, 1] as [number, number], [3, 2] as [number, number]] }] })],
    ['a reading no plant gives', report(1, { pairs: [{ pair: 1, exceptions: [[3, 1e300]] }] })],
    ['a pair below nothing', report(1, { pairs: [{ pair: -1, exceptions: [] }] })],
    ['too many pairs', report(1, { pairs: Array.from({ length: 13 }, (_unused, pair) => ({ pair, exceptions: [] })) })],
    ['none', report(1, { pairs: [] })],
    ['another catalogue than the address says', report(1, { system: 'coil-combi', controls: 'direct' })],
    ['a catalogue nobody knows', report(1, { system: 'my-own', controls: 'direct' })],
    ['no device', report(1, { device: 'me' })],
  ])('of %s are refused', async (_name, body) => {
    expect((await post(url, body)).statusCode).toBe(422)
  })

  it('of no fingerprint are refused', async () => {
    expect((await running.app.inject('/api/pairs/not-a-fingerprint')).statusCode).toBe(422)
    expect((await post('/api/pairs/0123456789abcdef', report(1))).statusCode).toBe(422)
  })
})
