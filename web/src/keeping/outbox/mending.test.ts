// @vitest-environment happy-dom
import { byName, newEntry } from '@dewpoint/core/casebook'
import { describe, expect, it } from 'vitest'
import { changedCase, withoutVerdict } from './changes.ts'
import type { Unsent } from '../device/device.ts'
import { asAnother, correctable, corrected, inWords, takenOver } from './mending.ts'
import { testId, testOpening, testReading } from '../tests/testServer.ts'

const finding = (what: string, note?: string) =>
  newEntry('finding', { what, ...(note && { note }) }, { id: testId(), now: Date.UTC(2026, 2, 1, 9), author: byName('Ines Quill'), seen: [] })
const entryItem = (more: object = {}): Unsent => ({ kind: 'entry', caseId: testId(), entry: finding('Wet shelf', 'torch'), ...more }) as Unsent
const openItem = (more: object = {}): Extract<Unsent, { kind: 'open' }> =>
  ({ kind: 'open', caseId: testId(), body: testOpening(), ...more }) as Extract<Unsent, { kind: 'open' }>
const refused = (...fields: [field: string, message: string][]) => ({
  state: 'refused',
  problem: 'invalid',
  why: 'x',
  fields: fields.map(([field, message]) => ({ field, message })),
})

describe('what is wrong with something refused', () => {
  it('is told under the name it has on the screen', () => {
    expect(inWords({ field: 'payload.followedBy', message: 'payload.followedBy must be at most 2000 characters' })).toBe(
      'Followed by must be at most 2000 characters',
    )
    expect(inWords({ field: 'site.name', message: 'give the customer or the place a name' })).toBe('give the customer or the place a name')
    expect(inWords({ field: '', message: 'far too much' })).toBe('far too much')
  })

  it('what the server named can be corrected, and nothing besides', () => {
    const lines = correctable(entryItem(refused(['payload.note', 'payload.note must be at most 2000 characters'])))
    expect(lines).toEqual([{ field: 'payload.note', label: 'Note', value: 'torch', number: false, message: 'Note must be at most 2000 characters' }])
  })

  it('where it named nothing, every text and number can; ids cannot', () => {
    expect(correctable(entryItem(refused())).map((one) => one.field)).toEqual(['payload.what', 'payload.note'])
    expect(correctable(openItem(refused())).map((one) => one.field)).toEqual([
      'site.name',
      'site.address',
      'site.note',
      'site.phone',
      'appliance.system',
      'appliance.label',
      'appliance.installedOn',
      'controls',
    ])
  })
})

describe('something refused with values corrected', () => {
  it('is what it was but for them', () => {
    const item = entryItem() as Extract<Unsent, { kind: 'entry' }>
    const read = corrected(item, { 'payload.what': ' Wet floor ' })
    expect(read.ok && read.value).toEqual({ ...item.entry, payload: { what: 'Wet floor', note: 'torch' } })
    // the one refused is left as it was
    expect(item.entry.payload).toEqual({ what: 'Wet shelf', note: 'torch' })
  })

  it('numbers are typed as people type them; what is none is told by its field', () => {
    const entry = newEntry('repair', { remedy: 'x', minutes: 10 }, { id: testId(), now: 0, author: byName('Ines Quill'), seen: [] })
    const item = entryItem({ entry })
    const read = corrected(item, { 'payload.minutes': ' 12,5 ' })
    expect(read.ok && (read.value as typeof entry).payload).toMatchObject({ minutes: 12.5 })
    for (const text of ['', 'ten', '1e999'])
      expect(corrected(item, { 'payload.minutes': text })).toEqual({ ok: false, problems: [{ field: 'payload.minutes', message: 'Type a number.' }] })
  })

  it('that is still wrong says what', () => {
    const read = corrected(openItem(), { 'site.name': '  ' })
    expect(read.ok ? [] : read.problems.map((one) => one.field)).toContain('site.name')
  })

  it('a place that is not there changes nothing', () => {
    const item = openItem()
    const read = corrected(item, { 'roof.colour': 'red' })
    expect(read.ok && read.value).toEqual(item.body)
  })
})

describe('a case whose place or boiler the server has otherwise', () => {
  const item = openItem({
    ...refused(),
    problem: 'conflict',
    present: {
      site: { id: testId(), name: 'Net Loft 3', address: 'Quay Lane 3', note: 'gate' },
      appliance: { ...testOpening().appliance, siteId: testId(), label: 'Theirs' },
    },
  })

  it('can be opened at theirs', () => {
    const body = takenOver(item)
    expect([body.site.address, body.appliance.label, body.id]).toEqual(['Quay Lane 3', 'Theirs', item.body.id])
    expect(body.appliance).not.toHaveProperty('siteId')
    expect(takenOver(openItem())).toEqual(expect.objectContaining({ controls: 'direct' }))
  })

  it('or at a place and boiler of its own, under ids of their own', () => {
    const body = asAnother(item)
    expect([body.site.name, body.appliance.label]).toEqual([item.body.site.name, item.body.appliance.label])
    expect(new Set([body.site.id, body.appliance.id, item.body.site.id, item.body.appliance.id]).size).toBe(4)
  })
})

describe('a case after something became of it', () => {
  const [first, second] = [testReading('none'), testReading('lukewarm')]
  const one = { ...testOpening(), appliance: { ...testOpening().appliance, siteId: '' }, entries: [first, second], received: {}, position: 2 }

  it('has entries replaced or taken out, in the order of the journal', () => {
    const instead = { ...second, author: 'Bo Larkspur' }
    expect(changedCase(one, { caseId: one.id, replaced: [instead], gone: [] }).entries).toEqual([first, instead])
    expect(changedCase(one, { caseId: one.id, replaced: [], gone: [first.id] }).entries).toEqual([second])
  })

  it('has its opening corrected, the boiler at its place', () => {
    const opening = testOpening()
    const changed = changedCase(one, { caseId: one.id, replaced: [], gone: [], opening })
    expect([changed.site, changed.appliance.siteId, changed.entries.length]).toEqual([opening.site, opening.site.id, 2])
  })
})

it('what is tried again forgets what the server said of it', () => {
  const item = { ...entryItem(refused(['payload.note', 'x'])), sequence: 7 }
  expect(Object.keys(withoutVerdict(item)).sort()).toEqual(['caseId', 'entry', 'kind', 'sequence'])
  expect(Object.keys(withoutVerdict(openItem(refused()))).sort()).toEqual(['body', 'caseId', 'kind', 'sequence'])
})
