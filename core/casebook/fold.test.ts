import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { byName, entryTypes, fold, foldMore, newEntry, type Entry, type EntryType } from './index.ts'

const author = byName('Ines Quill')
const ids = Array.from({ length: 12 }, (_unused, index) => `01934a00-0000-7000-8000-${String(index).padStart(12, '0')}`)
const payloads: Partial<Record<EntryType, object[]>> = {
  complaint: [{ what: 'noHotWater' }, { what: 'locksOut' }],
  booking: [{ urgency: 'today' }, { engineer: 'Ines Quill' }],
  reading: [{ check: 'ask.hotWater', outcome: 'none' }],
  repair: [{ remedy: 'fan.replace', faults: ['fan.seized'], result: 'worked' }],
  decision: [
    { kind: 'condemned', part: 'fan', fault: 'fan.seized', reason: 'stands still' },
    { kind: 'closed', reason: 'proved' },
    { kind: 'reopened', reason: 'again' },
  ],
  retract: ids.map((entry) => ({ entry })),
}
/** entries of every type, the times of their clocks and the order they come in as they like */
const journal = fc
  .uniqueArray(fc.record({ id: fc.constantFrom(...ids), type: fc.constantFrom(...entryTypes), minute: fc.nat(20), pick: fc.nat(20) }), {
    selector: (one) => one.id,
  })
  .map((list) =>
    list.map(({ id, type, minute, pick }): Entry => {
      const some = payloads[type] ?? [{}]
      return newEntry(type, some[pick % some.length] as never, { id, now: Date.UTC(2026, 2, 1, 9, minute), author, seen: [] })
    }),
  )

describe('a fold', () => {
  it('to which entries are added is the fold of all of them, whatever their types and clocks; or it says that it cannot be added to', () => {
    let added = 0
    fc.assert(
      fc.property(journal, fc.nat(12), (all, cut) => {
        const more = foldMore(fold(all.slice(0, cut)), all.slice(cut))
        if (!more) return
        added++
        expect(more).toEqual(fold(all))
      }),
      { numRuns: 3000, seed: 11 },
    )
    expect(added).toBeGreaterThan(300)
  })

  it('of readings alone is added to, and one with something taken back is not', () => {
    const reading = (id: string, minute: number) =>
      newEntry('reading', { check: 'ask.hotWater', outcome: 'none' }, { id, now: Date.UTC(2026, 2, 1, 9, minute), author, seen: [] })
    const [one, two] = [reading(ids[0]!, 5), reading(ids[1]!, 3)]
    expect(foldMore(fold([one]), [two])?.summary).toMatchObject({ entries: 2, readings: 2, lastAt: one.at })
    const back = newEntry('retract', { entry: ids[1]! }, { id: ids[2]!, now: Date.UTC(2026, 2, 1, 9, 9), author, seen: [] })
    expect(foldMore(fold([one, back]), [two])).toBeNull()
    expect(foldMore(fold([one]), [back])).toBeNull()
  })
})
