import 'fake-indexeddb/auto'
import { scriptedJournal, type Entry } from '@dewpoint/core/casebook'
import { catalogueHash, likeliestPairs, nominalSignatures, pairAt, type Signatures, type SimulatedPair } from '@dewpoint/core/diagnosis'
import { catalogueFor } from '@dewpoint/trade'
import { IDBFactory } from 'fake-indexeddb'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { pairKeeper } from './pairKeeper.ts'

const catalogue = catalogueFor('electric-flow', 'store-electric')!
const hash = catalogueHash(catalogue)
const known = nominalSignatures(catalogue)
/** what a journal sees directly stands, with something else perhaps: pairs are plausible */
function journal(fault: string): Entry[] {
  const { complain, entry } = scriptedJournal()
  return [complain('noHeating'), complain('noStoredHotWater'), entry('finding', { what: 'seen', fault })]
}
const wanted = { catalogue, entries: journal('vessel.corePassing') }

let sent: { device: string; pairs: SimulatedPair[] }[]
let others: SimulatedPair[]
let signatures: Signatures | null
let improved: number
let resting: (() => void)[]
beforeEach(() => {
  vi.stubGlobal('indexedDB', new IDBFactory())
  ;[sent, others, signatures, improved, resting] = [[], [], known, 0, []]
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    if (init?.method === 'POST') sent.push(JSON.parse(String(init.body)) as (typeof sent)[number])
    return Promise.resolve(Response.json(path === `/api/pairs/${hash}` ? { pairs: others } : {}))
  })
})
afterEach(() => vi.unstubAllGlobals())

const keeper = () =>
  pairKeeper({
    deviceId: 'device',
    now: () => (signatures ? Promise.resolve(signatures) : null),
    improve: (_catalogue, change) => {
      improved++
      signatures = change(signatures!)
      return Promise.resolve()
    },
    rest: () => new Promise((go) => resting.push(go)),
  })
/** lets what rests go on until the work is done */
async function until(work: Promise<void>): Promise<void> {
  let done = false
  const ended = work.finally(() => (done = true))
  while (!done) {
    await new Promise((turn) => setTimeout(turn))
    resting.shift()?.()
  }
  await ended
}

describe('pairs simulated in the background', () => {
  const expected = likeliestPairs(catalogue, known, wanted.entries, new Set(), 12)

  it('are the likeliest of the case, put to use, kept and sent', async () => {
    expect(expected.length).toBeGreaterThan(0)
    const one = keeper()
    await until(one.work(wanted))
    expect(improved).toBe(Math.ceil(expected.length / 4))
    expect(sent.flatMap(({ pairs }) => pairs.map(({ pair }) => pair))).toEqual(expected)
    expect(sent[0]!.device).toBe('device')
    // another start of the same device finds them, and has nothing left to do for this case
    sent = []
    const again = keeper()
    signatures = await again.withKept(catalogue, known)
    expect(signatures).not.toBe(known)
    await until(again.work(wanted))
    expect(sent.flatMap(({ pairs }) => pairs.map(({ pair }) => pair)).filter((pair) => expected.includes(pair))).toEqual([])
  })

  it('of other devices are used and not simulated again', async () => {
    others = [{ pair: expected[0]!, exceptions: [[0, 1.5]] }]
    const one = keeper()
    signatures = await one.withKept(catalogue, known)
    const row = known.rowOf.get(pairAt(catalogue.faults.length, expected[0]!).join(','))!
    expect(signatures.values[signatures.first[row]! * signatures.checks.length]).toBe(1.5)
    await until(one.work(wanted))
    expect(sent.flatMap(({ pairs }) => pairs.map(({ pair }) => pair))).not.toContain(expected[0])
  })

  it('wait until there is more than a first answer', async () => {
    signatures = null
    await until(keeper().work(wanted))
    expect([improved, sent]).toEqual([0, []])
  })

  it('of a case somebody has left give way, and the case they went to is come to', async () => {
    const one = keeper()
    const work = one.work(wanted)
    // the first pair is simulated, then somebody goes on
    for (let turns = 0; turns < 50 && resting.length === 0; turns++) await new Promise((turn) => setTimeout(turn))
    resting.shift()!()
    for (let turns = 0; turns < 50 && resting.length === 0; turns++) await new Promise((turn) => setTimeout(turn))
    const next = { catalogue, entries: journal('gauge.stuck') }
    void one.work(next)
    await until(work)
    const done = sent.flatMap(({ pairs }) => pairs.map(({ pair }) => pair))
    expect(done[0]).toBe(expected[0])
    expect(done.slice(1)).toEqual(likeliestPairs(catalogue, known, next.entries, new Set([expected[0]!]), 12))
  })
})
