import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { asOwner, startMariadb } from '../../tools/database/mariadb.mjs'
import { run } from '../../tools/run.mjs'
import { migrations } from '../testApp.ts'
import { connect, migrateDatabase } from './index.ts'
import { whyNot } from './line.ts'

const folder = mkdtempSync(join(tmpdir(), 'dewpoint-line-'))
const file = (name: string) => join(folder, name)
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const key = ['-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:prime256v1', '-nodes']
/** Somebody who vouches for servers. @returns their own certificate, as a file */
async function voucher(who: string) {
  const ca = file(`${who}.pem`)
  await run('openssl', ['req', '-x509', ...key, '-keyout', file(`${who}-key.pem`), '-out', ca, '-days', '2', '-subj', `/CN=${who}`])
  return ca
}
/** A certificate of theirs for a server by its name, with its one key. */
async function certified(who: string, name: string) {
  const [request, names] = [file('request.pem'), file('names')]
  await run('openssl', ['req', '-new', '-key', file('server-key.pem'), '-out', request, '-subj', `/CN=${name}`])
  writeFileSync(names, `subjectAltName=DNS:${name}\n`)
  return run('openssl', ['x509', '-req', '-in', request, '-CA', file(`${who}.pem`), '-CAkey', file(`${who}-key.pem`), '-days', '2', '-extfile', names])
}

describe('a database on another machine', () => {
  it('is spoken with under a certificate, or on a line that is said to be private; on this machine as it is', () => {
    const far = 'mysql://a:b@127.0.0.1,db2.firm.example/dewpoint'
    expect(whyNot(far, {})).toContain('on another machine, db2.firm.example')
    expect(whyNot(far, { DATABASE_LINE: 'yes' })).toContain('DATABASE_LINE=private')
    expect(whyNot(far, { DATABASE_LINE: 'private' })).toBeNull()
    for (const near of ['localhost', '127.0.0.1:3307', '127.9.9.9', '[::1]:3306']) expect(whyNot(`mysql://a:b@${near}/dewpoint`, {})).toBeNull()
    expect(whyNot('mysql://a:b@localhost.firm.example/dewpoint', {})).toContain('on another machine')
    expect(whyNot('mysql://a:b@db1.firm.example/dewpoint', { DATABASE_CA: file('none.pem') })).toContain('cannot be read')
    writeFileSync(file('empty.pem'), '')
    expect(whyNot('mysql://a:b@db1.firm.example/dewpoint', { DATABASE_CA: file('empty.pem') })).toContain('no certificate in it')
    expect(whyNot('mysql://a:b@10.0.0.2/dewpoint', { DATABASE_CA: file('empty.pem') })).toContain('name it as its certificate does')
    expect(() => connect(far)).toThrow('on another machine')
  })
})

describe('an encrypted line', () => {
  const running = {} as { url: string; socket: string; stop: () => Promise<void>; ca: string; certificate: string; stranger: string }
  beforeAll(async () => {
    const [ca, stranger, certificate] = [await voucher('firm'), await voucher('stranger'), file('server.pem')]
    await run('openssl', ['ecparam', '-name', 'prime256v1', '-genkey', '-noout', '-out', file('server-key.pem')])
    writeFileSync(certificate, await certified('firm', 'localhost'))
    const more = [`--ssl-cert=${certificate}`, `--ssl-key=${file('server-key.pem')}`, '--require-secure-transport']
    const mariadb = await startMariadb(file('data'), { lasting: false, more })
    Object.assign(running, { ...mariadb, ca, certificate, stranger })
  }, 60_000)
  afterAll(() => running.stop())
  const named = () => running.url.replace('127.0.0.1', 'localhost')

  /** what the database says of the line, or what was against it */
  async function cipher(url: string, ca: string | undefined) {
    const database = connect(url, {}, { DATABASE_CA: ca })
    try {
      const [rows] = await database.$client.query("show session status like 'ssl_cipher'")
      return (rows as { Value: string }[])[0]!.Value
    } catch (error) {
      return (error as Error).message
    } finally {
      await database.close()
    }
  }

  it('is used where whoever is trusted vouches for the server by its name, and nothing is sent where not', async () => {
    expect(await migrateDatabase(named(), migrations, Infinity, { DATABASE_CA: running.ca })).toBeGreaterThan(0)
    // Source: RFC 8446, B.4, the suites by their names
    expect(await cipher(named(), running.ca)).toMatch(/^TLS_(AES|CHACHA20)/)
    expect(await cipher(named(), running.stranger)).toMatch(/certificate/)
    // it takes nobody in the clear
    expect(await cipher(named(), undefined)).toMatch(/Access denied|secure transport/)
    // vouched for, and for somebody else
    writeFileSync(running.certificate, await certified('firm', 'db2.firm.example'))
    await asOwner(running.socket, 'flush ssl')
    expect(await cipher(named(), running.ca)).toMatch(/does not match certificate/)
  })
})
