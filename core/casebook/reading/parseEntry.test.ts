import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { envelopeSchema, entryTypes, isEnvelope, type EntryType } from '../entry.ts'
import { parseEntry } from './parseEntry.ts'
import { payloadSchemas } from '../payloads.ts'
import { asPresent } from './present.ts'
import { scriptedJournal } from '../scriptedJournal.ts'

const { entry } = scriptedJournal()
const right = JSON.parse(JSON.stringify(entry('reading', { check: 'ask.hotWater', outcome: 'none' }))) as Record<string, unknown>
const device = '01934a00-0000-7000-8000-000000000001'

/** what stands in a field where something else belongs, near misses among it */
const anything = fc.oneof(
  fc.constantFrom<unknown>(
    undefined,
    null,
    '',
    ' ',
    0,
    1,
    4,
    5,
    2.5,
    -1,
    NaN,
    true,
    [],
    {},
    'reading',
    'Engineer',
    device,
    `${device}\n`,
    device.toUpperCase(),
    '2026-02-30T09:00:00.000Z',
    '2026-03-01T09:00:00Z',
    '2026-03-01T09:00:00.1234Z',
    '0193a1b2c3d4-0000',
    'ffffffffffff-0000',
    'x'.repeat(120),
    'x'.repeat(121),
  ),
  fc.string(),
  fc.double(),
)
describe('an entry from outside', () => {
  it('has an envelope that the short way and the schema think the same of, whatever stands in it', () => {
    const fields = [...Object.keys(right), 'device', 'more']
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...fields), anything, { maxKeys: 3 }), fc.subarray(fields, { maxLength: 2 }), (changed, gone) => {
        const value = { ...right, device, ...changed } as Record<string, unknown>
        for (const field of gone) delete value[field]
        expect([isEnvelope(value), value]).toEqual([envelopeSchema.isValidSync(value), value])
      }),
      { numRuns: 3000, seed: 20261129 },
    )
    expect(isEnvelope(right)).toBe(true)
    for (const value of [null, undefined, [], 'text', 7]) expect(isEnvelope(value)).toBe(false)
  })

  it('has a payload that the schema of what it has and the whole schema think the same of, in the same words', () => {
    const names = [...new Set(Object.values(payloadSchemas).flatMap((one) => Object.keys(one.fields))), 'more']
    fc.assert(
      fc.property(fc.constantFrom(...entryTypes), fc.dictionary(fc.constantFrom(...names), anything, { maxKeys: 6 }), (type, payload) => {
        const told = (schema: (typeof payloadSchemas)[EntryType]) => {
          try {
            return schema.validateSync(payload, { abortEarly: false })
          } catch (error) {
            return [...(error as { errors: string[] }).errors].sort()
          }
        }
        expect([told(asPresent(payloadSchemas[type] as typeof payloadSchemas.said, payload)), type]).toEqual([told(payloadSchemas[type]), type])
      }),
      { numRuns: 3000, seed: 20261129 },
    )
    expect(asPresent(payloadSchemas.reading, right.payload).isValidSync(right.payload)).toBe(true)
  })

  it('is told at its field what is wrong, however it was looked at', () => {
    expect(parseEntry({ ...right, at: 'yesterday', more: 1 }, 'entries[0]')).toMatchObject({
      ok: false,
      problems: [{ field: 'entries[0].at' }, { field: 'entries[0]' }],
    })
    expect(parseEntry({ ...right, payload: { check: 'x', outcome: 'none', more: 1 } }).ok).toBe(false)
    expect(parseEntry({ ...right, payload: { check: 'x' } }).ok).toBe(false)
  })

  it('of ever new shapes fills no memory', () => {
    const optional = Object.keys(payloadSchemas.reading.fields).filter((one) => one !== 'check')
    const shapes = new Set<unknown>()
    for (let bits = 0; bits < 512; bits++)
      shapes.add(asPresent(payloadSchemas.reading, Object.fromEntries(optional.filter((_one, at) => (bits >> at) & 1).map((name) => [name, 'x']))))
    expect(shapes.size).toBeGreaterThan(256)
    const first = asPresent(payloadSchemas.reading, {})
    expect(asPresent(payloadSchemas.reading, {})).toBe(first)
  })
})
