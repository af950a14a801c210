import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { append, entryTypes, inOrder, parseEntry, standing, summarise, type Entry } from './index.ts'

const id = (n: number) => `01934a00-0000-7000-8000-${String(n).padStart(12, '0')}`
const entry = (n: number, type: string, payload: unknown, minute = n) =>
  ({ id: id(n), at: `2026-03-01T09:${String(minute).padStart(2, '0')}:00.000Z`, author: 'Engineer', schema: 1, type, payload }) as Entry
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
    expect(append([first], [{ ...first, author: 'Somebody' } as Entry]).conflicts).toEqual([id(1)])
    const turned = { payload: first.payload, type: first.type, schema: 1, author: first.author, at: first.at, id: first.id } as Entry
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
})

const samples: Record<string, unknown> = {
  complaint: { what: 'noHotWater', where: 'all', pattern: 'always', since: 'Monday', setTemperature: { value: 21, unit: '°C' }, words: 'cold' },
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
    ['a newer schema', { ...reading(1), schema: 2 }, 'e.schema'],
  ])('%s is refused by name of the field', (_name, input, field) => {
    const parsed = parseEntry(input, 'e')
    expect(parsed.ok).toBe(false)
    if (!parsed.ok) expect(parsed.problems.map((one) => one.field)).toContain(field)
  })

  it('without a schema version are read as version 1', () => {
    const { schema: _schema, ...old } = reading(1)
    expect(parseEntry(old)).toEqual({ ok: true, value: reading(1) })
  })
})
