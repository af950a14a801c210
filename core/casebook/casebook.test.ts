import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { append, byName, clockAt, closingOf, entryTypes, inOrder, parseEntry, standing, summarise, type Entry } from './index.ts'

const id = (n: number) => `01934a00-0000-7000-8000-${String(n).padStart(12, '0')}`
const entry = (n: number, type: string, payload: unknown, minute = n) =>
  ({
    id: id(n),
    at: `2026-03-01T09:${String(minute).padStart(2, '0')}:00.000Z`,
    clock: clockAt(Date.UTC(2026, 2, 1, 9, minute)),
    author: byName('Engineer').id,
    authorName: 'Engineer',
    schema: 4,
    type,
    payload,
  }) as Entry
const reading = (n: number) => entry(n, 'reading', { check: 'ask.hotWater', outcome: 'none' })
const retract = (n: number, target: number) => entry(n, 'retract', { entry: id(target) })

describe('append', () => {
  it('is idempotent', () => {
    const once = append([], [reading(1), reading(2)])
    const twice = append(once.entries, [reading(2), reading(1)])
    expect(twice.entries).toEqual(once.entries)
    expect(twice.added).toEqual([])
  })

  it('keeps the first of two contents under one id and names the conflict, whatever the order of keys', () => {
    const first = reading(1)
    expect(append([first], [{ ...first, authorName: 'Somebody' } as Entry]).conflicts).toEqual([id(1)])
    const turned = {
      payload: first.payload,
      type: first.type,
      schema: 4,
      authorName: first.authorName,
      author: first.author,
      clock: first.clock,
      at: first.at,
      id: first.id,
    } as Entry
    expect(append([first], [turned]).conflicts).toEqual([])
  })

  it('gives every reader the same order, whoever sent first', () => {
    const all = Array.from({ length: 8 }, (_unused, n) => entry(n, 'reading', { check: 'ask.heating', outcome: 'fine' }, n % 3))
    fc.assert(
      fc.property(fc.shuffledSubarray(all, { minLength: 8 }), (shuffled) => {
        expect(append([], shuffled).entries).toEqual(inOrder(all))
      }),
    )
  })
})

describe('undo', () => {
  it('takes an entry out of what stands, and can itself be undone', () => {
    expect(standing([reading(1), reading(2), retract(3, 2)]).map((one) => one.id)).toEqual([id(1)])
    expect(standing([reading(1), reading(2), retract(3, 2), retract(4, 3)]).map((one) => one.id)).toEqual([id(1), id(2)])
  })

  it('of an entry that never arrived changes nothing', () => {
    expect(standing([reading(1), retract(2, 9)])).toHaveLength(1)
  })
})

describe('the summary', () => {
  it('counts what stands', () => {
    const journal = [
      entry(1, 'complaint', { what: 'noHotWater' }),
      reading(2),
      reading(3),
      retract(4, 3),
      entry(5, 'decision', { kind: 'condemned', part: 'turbine', reason: 'no pulses' }),
      entry(6, 'decision', { kind: 'closed', reason: 'proved' }),
    ]
    expect(summarise(journal)).toMatchObject({ complaints: ['noHotWater'], readings: 1, condemned: ['turbine'], closed: true })
  })

  it('says how it ended, and that a case opened again has not', () => {
    const closed = entry(1, 'decision', { kind: 'closed', reason: 'flue seal leaks', ending: 'unsafe' })
    expect(summarise([closed])).toMatchObject({ closed: true, ending: 'unsafe' })
    const reopened = entry(2, 'decision', { kind: 'reopened', reason: 'rang again' })
    expect(summarise([closed, reopened])).toMatchObject({ closed: false, ending: null })
    expect(closingOf([closed, reopened, entry(3, 'decision', { kind: 'closed', reason: 'proved' })])?.id).toBe(id(3))
  })

  it('has of who goes when what was said last, field by field', () => {
    const journal = [
      entry(1, 'booking', { urgency: 'soon', engineer: 'Ines Quill', note: 'side door' }),
      entry(2, 'booking', { urgency: 'today', from: '2026-03-02T09:00:00.000Z' }),
    ]
    expect(summarise(journal).booking).toEqual({ urgency: 'today', engineer: 'Ines Quill', from: '2026-03-02T09:00:00.000Z' })
  })
})

const samples: Record<string, unknown> = {
  complaint: { what: 'noHotWater', where: 'all', pattern: 'always', since: 'Monday', setTemperature: { value: 21, unit: '°C' }, words: 'cold' },
  said: { words: 'It whined all week, then went quiet.', by: 'Mrs Tarn' },
  booking: {
    urgency: 'today',
    vulnerable: ['infant', 'noOtherHeat'],
    engineer: 'Ines Quill',
    from: '2026-03-01T09:00:00.000Z',
    to: '2026-03-01T10:00:00.000Z',
    contact: 'Mrs Tarn',
    phone: '0555 010 220',
    note: 'Ring first',
  },
  visit: { event: 'arrived' },
  step: { remedy: 'vessel.recharge', step: 2, state: 'done', value: 1, unit: 'bar' },
  photo: { hash: 'a'.repeat(64), type: 'image/jpeg', width: 1600, height: 1200, caption: 'rust at the bearing', about: id(1), place: 'fan' },
  followUp: { what: 'Read the gauge cold', on: '2026-03-04', kind: 'watch' },
  wording: { section: 'wrong', text: '' },
  signature: { by: 'customer', name: 'Oda Brink', strokes: ['M 1 1 L 4 8'], width: 300, height: 120 },
  fact: { fact: 'age', value: 9 },
  history: { event: 'topUp', on: '2026-01-05', value: 1.2, unit: 'bar' },
  action: { action: 'toppedUp', undone: false },
  reading: {
    check: 'look.gaugeCold',
    value: 1.1,
    unit: 'bar',
    situation: { demand: 'none', drained: false, temperature: { value: 60, unit: '°C' } },
    sureness: 'sure',
  },
  finding: { what: 'weeping vent', explainsComplaint: false },
  repair: { remedy: 'fan.replace', parts: [{ name: 'fan', quantity: 1 }], result: 'worked' },
  advice: { what: 'clean the system', answer: 'declined' },
  decision: {
    kind: 'condemned',
    part: 'fan',
    reason: 'stands still',
    shown: { catalogue: 'premix-combi', belief: [{ faults: ['fan.seized'], probability: 0.97 }] },
  },
  retract: { entry: id(1) },
}

describe('entries from outside', () => {
  it.each(entryTypes)('%s is read as it was written', (type) => {
    const written = entry(1, type, samples[type])
    expect(parseEntry(JSON.parse(JSON.stringify(written)))).toEqual({ ok: true, value: written })
  })

  it.each([
    ['an id that is no UUID of version 7', { ...reading(1), id: 'a-1' }, 'e.id'],
    ['a time without zone', { ...reading(1), at: '2026-03-01 09:00' }, 'e.at'],
    ['an unknown type', { ...reading(1), type: 'guess' }, 'e.type'],
    ['a number written as text', entry(1, 'reading', { check: 'look.gaugeCold', value: '1.1', unit: 'bar' }), 'e.payload.value'],
    ['a reading with neither outcome nor value', entry(1, 'reading', { check: 'look.gaugeCold' }), 'e.payload'],
    ['a field nobody knows', entry(1, 'advice', { what: 'x', answer: 'given', colour: 'red' }), 'e.payload'],
    ['a newer schema', { ...reading(1), schema: 5 }, 'e.schema'],
    ['a month that is none', { ...reading(1), at: '2026-13-01T09:00:00.000Z' }, 'e.at'],
    ['a day that is none', { ...reading(1), at: '2026-02-30T09:00:00.000Z' }, 'e.at'],
    ['an hour that is none', { ...reading(1), at: '2026-02-03T25:00:00.000Z' }, 'e.at'],
    ['an old entry on a day that is none', { ...reading(1), schema: 1, at: '2026-02-30T09:00:00.000Z' }, 'e.at'],
    ['a past event on a day that is none', entry(1, 'history', { event: 'topUp', on: '2026-04-31' }), 'e.payload.on'],
    ['a past event at a minute that is none', entry(1, 'history', { event: 'topUp', on: '2026-04-30T10:61:00Z' }), 'e.payload.on'],
    ['a clock that is none', { ...reading(1), clock: 'noon' }, 'e.clock'],
    ['a clock nobody could go on from', { ...reading(1), clock: 'ffffffffffff-ffff' }, 'e.clock'],
    ['a reading beyond anything', entry(1, 'reading', { check: 'look.gaugeCold', value: 1e300, unit: 'bar' }), 'e.payload.value'],
    ['half a letter', entry(1, 'complaint', { what: 'noHeating', words: 'cold \ud83d' }), 'e.payload.words'],
    ['a NUL', entry(1, 'complaint', { what: 'noHeating', words: 'cold\u0000' }), 'e.payload.words'],
    ['too many parts', entry(1, 'repair', { remedy: 'x', parts: Array.from({ length: 101 }, () => ({ name: 'x', quantity: 1 })) }), 'e.payload.parts'],
  ])('%s is refused by name of the field', (_name, input, field) => {
    const parsed = parseEntry(input, 'e')
    expect(parsed.ok ? 'taken' : parsed.problems.map((one) => one.field)).toContain(field)
  })

  it('of version 1, or of none, are raised: their own time is their place in the order', () => {
    const { schema: _schema, clock: _clock, authorName: author, ...rest } = reading(1)
    const old = { ...rest, author }
    expect(parseEntry(old)).toEqual({ ok: true, value: reading(1) })
    expect(parseEntry({ ...old, schema: 1 })).toEqual({ ok: true, value: reading(1) })
  })

  it.each([2, 3])('of version %i have what they had; whoever was a name is the person known by it', (schema) => {
    const { authorName: author, ...rest } = reading(1)
    expect(parseEntry({ ...rest, author, schema })).toEqual({ ok: true, value: reading(1) })
  })

  it('are refused where their author is neither a person nor a name', () => {
    const fields = (input: object) => {
      const parsed = parseEntry(input, 'e')
      return parsed.ok ? [] : parsed.problems.map((one) => one.field)
    }
    const { authorName: _name, ...nameless } = reading(1)
    expect(fields(nameless)).toEqual(['e.authorName'])
    expect(fields({ ...reading(1), author: 'Engineer' })).toEqual(['e.author'])
    expect(fields({ ...nameless, schema: 3, author: '' })).toContain('e.author')
    expect(fields({ ...nameless, schema: 3, author: 7 })).toContain('e.author')
  })

  it('say at most twenty things that are wrong', () => {
    const belief = Array.from({ length: 300 }, () => ({ faults: [], probability: 7 }))
    const parsed = parseEntry(entry(1, 'decision', { kind: 'condemned', reason: 'x', shown: { catalogue: 'c', belief } }))
    expect(parsed.ok ? 0 : parsed.problems.length).toBe(20)
  })
})
