// @vitest-environment happy-dom
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { proving, Refused, sendEnd } from '../keeping/api.ts'
import { problem } from '../keeping/tests/testServer.ts'
import { askedToProve, proveAgain } from './proving.ts'

const device = '01934a00-0000-7000-8000-00000000d001'
const json = (body: object) => new Response(JSON.stringify(body), { headers: { 'content-type': 'application/json' } })
/** what was asked for, and whether the server has its proof */
const state = { asked: [] as string[], proved: false, takes: '' }
beforeEach(() => {
  Object.assign(state, { asked: [], proved: false, takes: 'copper kettle' })
  vi.stubGlobal('fetch', (path: string, { body }: { body?: string } = {}) => {
    state.asked.push(path)
    if (path === '/api/session/prove') {
      const { passPhrase = '' } = JSON.parse(body ?? '{}') as { passPhrase?: string }
      if (passPhrase !== state.takes) return Promise.resolve(problem('wrongPassPhrase', 'Look at it again.'))
      state.proved = true
      return Promise.resolve(json({ proved: true }))
    }
    return Promise.resolve(state.proved ? json({ devices: [] }) : problem('proveAgain', 'Type it once more.'))
  })
  proving.ask = () => proveAgain(false)
})
const outcome = (work: Promise<unknown>) => work.then(() => 'done').catch((error: unknown) => (error instanceof Refused ? error.kind : error))

describe('what asks for a proof', () => {
  it('waits for it and then goes on by itself, once for all that ask meanwhile', async () => {
    const both = Promise.all([outcome(sendEnd(device)), outcome(sendEnd(device))])
    await vi.waitFor(() => expect(askedToProve.value).not.toBeNull())
    await vi.waitFor(() => expect(state.asked).toHaveLength(2))
    state.proved = true
    askedToProve.value!(true)
    expect(await both).toEqual(['done', 'done'])
    expect(state.asked).toHaveLength(4)
    expect(askedToProve.value).toBeNull()
  })

  it('is refused where they leave it, and is asked for anew the next time', async () => {
    for (const _time of [1, 2]) {
      const one = outcome(sendEnd(device))
      await vi.waitFor(() => expect(askedToProve.value).not.toBeNull())
      askedToProve.value!(false)
      expect(await one).toBe('proveAgain')
      expect(askedToProve.value).toBeNull()
    }
  })

  it('is not asked for again and again by a server that does not take it', async () => {
    const one = outcome(sendEnd(device))
    await vi.waitFor(() => expect(askedToProve.value).not.toBeNull())
    askedToProve.value!(true)
    expect(await one).toBe('proveAgain')
    expect(state.asked).toHaveLength(2)
  })

  it('needs nothing of the made-up people of a demo, but of one who has a pass phrase', async () => {
    proving.ask = () => proveAgain(true)
    state.takes = ''
    expect(await outcome(sendEnd(device))).toBe('done')
    expect(state.asked).toEqual([`/api/devices/${device}/end`, '/api/session/prove', `/api/devices/${device}/end`])
    Object.assign(state, { proved: false, takes: 'copper kettle' })
    const one = outcome(sendEnd(device))
    await vi.waitFor(() => expect(askedToProve.value).not.toBeNull())
    askedToProve.value!(false)
    expect(await one).toBe('proveAgain')
  })
})
