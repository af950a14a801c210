// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { byName, canPasskeys, makePasskey, PasskeyTrouble, proveWithPasskey, usePasskey } from './passkeys.ts'

const browser = vi.hoisted(() => ({ startRegistration: vi.fn(), startAuthentication: vi.fn() }))
vi.mock('@simplewebauthn/browser', () => browser)

const sent: { path: string; body: unknown }[] = []
beforeEach(() => {
  sent.length = 0
  vi.stubGlobal('fetch', (path: string, { body }: { body?: string } = {}) => {
    sent.push({ path, body: JSON.parse(body ?? 'null') as unknown })
    const answer = path.endsWith('/offer') ? { options: { challenge: 'YQ' } } : path === '/api/passkeys' ? { passkeys: [] } : { onDevice: [], proved: true }
    return Promise.resolve(new Response(JSON.stringify(answer), { headers: { 'content-type': 'application/json' } }))
  })
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.resetAllMocks()
})

describe('passkeys in the browser', () => {
  it('are there where it has them and Dewpoint is opened by a name', () => {
    expect(canPasskeys('localhost')).toBe(false)
    vi.stubGlobal('PublicKeyCredential', class {})
    expect(['localhost', 'dewpoint.example', '127.0.0.1', '10.0.0.2', '[::1]'].map((host) => canPasskeys(host))).toEqual([true, true, false, false, false])
  })

  it('are to be had on this machine by its name', () => {
    const at = (url: string) => byName(new URL(url) as unknown as Location)
    expect(['http://127.0.0.1:5280/you', 'http://[::1]:5280/', 'http://localhost:5280/', 'https://10.0.0.2/', 'https://dewpoint.example/'].map(at)).toEqual([
      'http://localhost:5280',
      'http://localhost:5280',
      null,
      null,
      null,
    ])
  })

  it('are made and used as the server asks, and the device’s answer goes back', async () => {
    browser.startRegistration.mockResolvedValue({ id: 'made' })
    browser.startAuthentication.mockResolvedValue({ id: 'used' })
    await makePasskey('Telephone')
    await usePasskey('Van')
    await proveWithPasskey()
    expect(browser.startRegistration).toHaveBeenCalledWith({ optionsJSON: { challenge: 'YQ' } })
    expect(browser.startAuthentication).toHaveBeenCalledWith({ optionsJSON: { challenge: 'YQ' } })
    expect(sent).toEqual([
      { path: '/api/passkeys/offer', body: {} },
      { path: '/api/passkeys', body: { label: 'Telephone', answer: { id: 'made' } } },
      { path: '/api/session/passkey/offer', body: {} },
      { path: '/api/session/passkey', body: { label: 'Van', answer: { id: 'used' } } },
      { path: '/api/session/passkey/offer', body: {} },
      { path: '/api/session/passkey/prove', body: { answer: { id: 'used' } } },
    ])
  })

  it('that come to nothing are told in words, and nothing is sent', async () => {
    for (const [name, words] of [
      ['InvalidStateError', 'has a passkey of yours already'],
      ['NotAllowedError', 'called off, took too long'],
      ['AbortError', 'called off, took too long'],
      ['SecurityError', 'A pass phrase works'],
    ] as const) {
      browser.startRegistration.mockRejectedValue(Object.assign(new Error('x'), { name }))
      const trouble = await makePasskey('').catch((error: unknown) => error)
      expect(trouble).toBeInstanceOf(PasskeyTrouble)
      expect((trouble as Error).message).toContain(words)
    }
    expect(sent.map((one) => one.path)).toEqual(Array(4).fill('/api/passkeys/offer'))
  })
})
