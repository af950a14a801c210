import { describe, expect, it } from 'vitest'
import {
  caseCursor,
  folded,
  isAppendResult,
  isCase,
  isTimeZone,
  problemIn,
  problemTypes,
  readAppend,
  readCase,
  readCaseCursor,
  readFirmSettings,
  readListQuery,
  readPairReport,
  readSiteCursor,
  readStated,
  readStocked,
  siteCursor,
} from './index.ts'

const id = '01934a00-0000-7000-8000-000000000001'
const news = { entries: [{ id, type: 'advice', payload: {} }], received: {}, position: 1 }

describe('what is taken for an answer of ours', () => {
  it('an append that names what is kept', () => {
    expect(isAppendResult({ ...news, kept: [id], conflicts: [] })).toBe(true)
  })

  it.each([
    ['nothing', null],
    ['a text', 'ok'],
    ['a list', []],
    ['somebody’s success', { ok: true }],
    ['no list of what is kept', { ...news, conflicts: [] }],
    ['ids that are none', { ...news, kept: [1], conflicts: [] }],
    ['entries that are none', { ...news, entries: ['x'], kept: [], conflicts: [] }],
    ['no position', { ...news, position: '1', kept: [], conflicts: [] }],
  ])('not %s', (_name, answer) => expect(isAppendResult(answer)).toBe(false))

  it('a case by the id asked for, not another', () => {
    const one = { ...news, id, openedAt: '2026-03-01T09:00:00Z', site: {}, appliance: {} }
    expect([isCase(one, id), isCase(one, 'another'), isCase({ ...one, site: null }, id)]).toEqual([true, false, false])
  })

  it('a problem by its own status, and no other’s', () => {
    const { status, title } = problemTypes.invalid
    const ours = { type: '/problems/invalid', title, status, detail: 'x' }
    expect(problemIn(ours)?.name).toBe('invalid')
    for (const other of [
      { ...ours, status: 400 },
      { ...ours, type: '/problems/toString' },
      { ...ours, type: 'about:blank' },
      { ...ours, detail: undefined },
      'x',
      null,
    ])
      expect(problemIn(other)).toBeUndefined()
  })
})

describe('a new case', () => {
  const sound = {
    id,
    openedAt: '2026-03-01T09:00:00.000Z',
    site: { id, name: 'Net Loft 3' },
    appliance: { id, system: 'premix-combi', label: 'Combination 28' },
  }

  it('has what was left out filled in', () => {
    expect(readCase(sound)).toEqual({
      ok: true,
      value: {
        ...sound,
        site: { ...sound.site, address: '', note: '', phone: '' },
        appliance: { ...sound.appliance, installedOn: '' },
        controls: 'direct',
        settings: {},
      },
    })
  })

  it.each(['id', 'openedAt', 'site', 'appliance', 'site.name', 'site.id', 'appliance.system', 'appliance.label'])(
    'without %s is refused by its name',
    (field) => {
      const copy = JSON.parse(JSON.stringify(sound)) as Record<string, Record<string, unknown>>
      const [outer = '', inner] = field.split('.')
      if (inner) delete copy[outer]![inner]
      else delete copy[outer]
      const read = readCase(copy)
      expect(read.ok ? [] : read.problems.map((one) => one.field)).toContain(field)
    },
  )
})

describe('lists', () => {
  it('go on where they stopped: a cursor reads back as it was written', () => {
    const at = { openedAt: '2026-03-01T09:00:00.000Z', id }
    expect(readCaseCursor(caseCursor(at))).toEqual(at)
    const place = { name: 'Net_Loft · 3', id }
    expect(readSiteCursor(siteCursor(place))).toEqual(place)
    for (const other of ['', '_', `2026-02-30T00:00:00.000Z_${id}`, '2026-03-01T09:00:00.000Z_x']) expect(readCaseCursor(other)).toBeNull()
  })

  it('are asked for within bounds', () => {
    expect(readListQuery({}, readCaseCursor)).toEqual({ ok: true, value: { search: '', limit: 50, after: null } })
    for (const asked of [{ limit: '0' }, { limit: '1e2' }, { search: ['a', 'b'] }, { search: 'x\u0000' }, { page: '2' }, { after: 'x' }])
      expect(readListQuery(asked, readCaseCursor).ok).toBe(false)
  })

  it('are searched without case and accents', () => expect(folded('Käse, ÉTÉ ﬁn')).toBe('kase, ete fin'))
})

describe('settings and reports', () => {
  it('time zones are those of the IANA database', () => {
    expect(['Europe/London', 'UTC', 'Pacific/Kiritimati'].map(isTimeZone)).toEqual([true, true, true])
    expect(['Mars/Olympus', '+01:00', '', 'europe'].map(isTimeZone)).toEqual([false, false, false, false])
  })

  it('nothing at all is refused, by every reader', () => {
    for (const read of [readCase, readFirmSettings, readPairReport, readStated, readStocked, readAppend])
      for (const nothing of [undefined, null, [], 'x', 7]) expect(read(nothing).ok, `${read.name} ${JSON.stringify(nothing)}`).toBe(false)
  })

  it('what is far too much is refused before it is looked at', () => {
    const many = Array.from({ length: 100_000 }, () => [1, 2])
    expect(readPairReport({ device: id, system: 'x', controls: 'y', pairs: [{ pair: 1, exceptions: many }] }).ok).toBe(false)
    expect(readFirmSettings({ costs: {}, timeZone: 'x'.repeat(1000), revision: 1 })).toMatchObject({ ok: false, problems: [{ field: 'timeZone' }] })
  })
})
