import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { AuditList, Case, CaseList } from '@dewpoint/contract'
import { byName, newEntry, type Entry, type EntryType, type Payload } from '@dewpoint/core/casebook'
import { describe, expect, it } from 'vitest'
import { testApp } from '../testApp.ts'
import { erased, withoutPerson } from './withoutPerson.ts'

const { running, as, get, id, newCase, opened, post } = testApp('customers')
const run = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['server/dist/customer.js', ...args], {
    env: { ...process.env, DATABASE_URL: running.url },
    encoding: 'utf8',
  })
  return { status, said: stdout + stderr }
}
const jpeg = readFileSync('demo/photos/gauge-low.jpg')

/** A case full of what tells of a person. */
async function told(name: string) {
  const site = { ...newCase().site, name, address: '7 Plover Steps', note: 'Mrs Dunnock has the key', phone: '0555 010 777' }
  const one = await opened({ site })
  const photo = (await running.app.inject({ method: 'POST', url: '/api/photos', payload: jpeg, headers: { 'content-type': 'image/jpeg' } })).json<
    Payload<'photo'>
  >()
  const entries: Entry[] = []
  const write = <T extends EntryType>(type: T, payload: Payload<T>) =>
    entries.push(newEntry(type, payload, { id: id(), now: Date.UTC(2026, 2, 1, 9, entries.length), author: byName('Engineer'), seen: entries }))
  write('complaint', { what: 'noHotWater', words: 'My husband cannot shower' })
  write('said', { words: 'It stops when I call my sister', by: 'Edda Dunnock' })
  write('booking', { urgency: 'today', vulnerable: ['ill'], contact: 'Edda Dunnock', phone: '0555 010 778', engineer: 'Engineer' })
  write('reading', { check: 'look.gaugeCold', value: 0.4, unit: 'bar', note: 'Edda watched' })
  write('photo', { hash: photo.hash, type: 'image/jpeg', width: photo.width, height: photo.height, caption: 'Hall of the house' })
  write('decision', { kind: 'closed', ending: 'proven', reason: `Shown to edda dunnock at 7 PLOVER STEPS, ${name}` })
  write('signature', { by: 'customer', name: 'Edda Dunnock', strokes: ['M1 1L2 2'], width: 100, height: 40 })
  write('signature', { by: 'engineer', name: 'Engineer', strokes: ['M1 1L2 2'], width: 100, height: 40 })
  await post(`/api/cases/${one.id}/entries`, { entries })
  return { ...one, entries, hash: photo.hash }
}

describe('a customer', () => {
  it('is given out whole, into a file nobody else reads, once', async () => {
    const one = await told('Plover House')
    const file = join(mkdtempSync(join(tmpdir(), 'dewpoint-customer-')), 'plover.json')
    expect(run('export', 'Plover House', file)).toMatchObject({ status: 0, said: expect.stringContaining('personal data') as string })
    const data = JSON.parse(readFileSync(file, 'utf8')) as {
      place: { name: string }
      cases: { entries: Entry[] }[]
      pictures: { hash: string; base64: string }[]
    }
    expect(data.place.name).toBe('Plover House')
    expect(data.cases[0]!.entries).toEqual(one.entries)
    expect(Buffer.from(data.pictures[0]!.base64, 'base64').equals(jpeg)).toBe(true)
    expect(statSync(file).mode & 0o077).toBe(0)
    expect(run('export', 'Plover House', file)).toMatchObject({ status: 2, said: expect.stringContaining('is there already') as string })
    expect((await get<AuditList>('/api/audit')).lines[0]).toMatchObject({ kind: 'exported', of: 'customer', subject: one.site.id })
  })

  it('is erased: the case stays with what was measured, without the person; nothing else is touched', async () => {
    const one = await told('Dunnock Cottage')
    const other = await told('Wagtail Cottage')
    await as('engineer').get(`/api/cases/${one.id}`)
    expect(run('erase', 'Dunnock Cottage')).toMatchObject({ status: 2, said: expect.stringContaining('for good') as string })
    expect((await get<Case>(`/api/cases/${one.id}`)).site.name).toBe('Dunnock Cottage')
    expect(run('erase', 'Dunnock Cottage', '--yes')).toMatchObject({ status: 0, said: expect.stringContaining('1 cases stay') as string })

    const left = await get<Case>(`/api/cases/${one.id}`)
    expect(left.site).toEqual({ id: one.site.id, name: erased, address: '', note: '', phone: '' })
    expect(left.erasedAt).toMatch(/^\d{4}-/)
    const text = JSON.stringify(left)
    for (const word of ['Dunnock', 'dunnock', 'Edda', 'Plover', '0555', 'husband', 'sister', 'Hall', '"ill"', 'PLOVER'])
      expect([word, text.includes(word)]).toEqual([word, false])
    expect(left.entries.map((entry) => [entry.id, entry.type])).toEqual(one.entries.map((entry) => [entry.id, entry.type]))
    expect(left.entries.find((entry) => entry.type === 'reading')?.payload).toMatchObject({ check: 'look.gaugeCold', value: 0.4, unit: 'bar' })
    expect(left.entries.at(-1)?.payload).toMatchObject({ by: 'engineer', name: 'Engineer', strokes: ['M1 1L2 2'] })
    // found by none of it, in no list
    expect((await get<CaseList>('/api/cases?search=dunnock')).cases).toEqual([])
    expect((await get<CaseList>('/api/cases?search=555')).cases.map((line) => line.id)).not.toContain(one.id)
    expect(JSON.stringify((await get<AuditList>('/api/audit')).lines)).not.toContain('Dunnock Cottage')
    expect((await get<AuditList>(`/api/audit?about=${one.site.id}`)).lines[0]).toMatchObject({ kind: 'erased' })

    // somebody else's stands as it was, with the picture both had
    expect((await get<Case>(`/api/cases/${other.id}`)).entries).toEqual(other.entries)
    expect((await running.app.inject(`/api/photos/${other.hash}`)).statusCode).toBe(200)
    expect(run('erase', one.site.id, '--yes').status).toBe(0)
  })

  it('who is not there, or not one alone, is asked for again', async () => {
    await told('Twin Roofs')
    await told('Twin Roofs')
    expect(run('erase', 'Nobody at all', '--yes')).toMatchObject({ status: 2, said: expect.stringContaining('No place is called') as string })
    expect(run('erase', 'Twin Roofs', '--yes')).toMatchObject({ status: 2, said: expect.stringContaining('2 places are called so') as string })
    for (const args of [[], ['export'], ['export', 'Twin Roofs'], ['burn', 'Twin Roofs']]) expect(run(...args).status).toBe(2)
    expect(existsSync('undefined')).toBe(false)
  })
})

describe('an entry without the person', () => {
  const write = <T extends EntryType>(type: T, payload: Payload<T>) => newEntry(type, payload, { id: id(), now: 0, author: byName('Engineer'), seen: [] })

  it('loses what is known of them in any letters, also where they change their number', () => {
    const advice = write('advice', { what: 'İda Aşık: ask EDDA dunnock twice, Edda Dunnock', answer: 'given' })
    expect(withoutPerson(advice, ['Edda Dunnock']).payload).toEqual({ what: erased, answer: 'given' })
    expect(withoutPerson(write('advice', { what: 'EDDA dunnock, Edda Dunnock!', answer: 'given' }), ['Edda Dunnock']).payload.valueOf()).toMatchObject({
      what: `${erased}, ${erased}!`,
    })
    // what is too short stands in words that are nobody's
    expect(withoutPerson(write('advice', { what: 'a pan', answer: 'given' }), ['pan', 'a']).payload).toMatchObject({ what: 'a pan' })
  })
})
