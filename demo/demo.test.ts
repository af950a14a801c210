import { closingOf, provenFaults } from '@dewpoint/core/casebook'
import { diagnose, type Catalogue, type Signatures } from '@dewpoint/core/diagnosis'
import { readCaseFile, writeCaseFile } from '@dewpoint/core/formats'
import { catalogueFor, catalogues, known } from '@dewpoint/trade'
import { loadSignatures } from '@dewpoint/trade/shipped'
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { demoCases } from './index.ts'
import drawn from './photos/index.json' with { type: 'json' }

const now = new Date('2026-11-28T13:20:00Z')
const cases = demoCases(now)
const isClosed = ({ entries }: (typeof cases)[number]) => closingOf(entries) !== null
const open = cases.filter((one) => !isClosed(one))
const closed = cases.filter(isClosed)
const catalogueOf = ({ open: { appliance, controls } }: (typeof cases)[number]) => catalogueFor(appliance.system, controls) ?? catalogues[appliance.system]!

describe('the demo', () => {
  it('is the same whenever it is made for the same moment', () => {
    expect(demoCases(now)).toEqual(cases)
    expect(new Set(cases.flatMap(({ open: { id }, entries }) => [id, ...entries.map((one) => one.id)])).size).toBe(
      cases.reduce((sum, one) => sum + 1 + one.entries.length, 0),
    )
  })

  it.each(cases.map((one) => [`${one.open.site.name}, ${one.open.openedAt.slice(0, 10)}`, one] as const))(
    '%s is a case any Dewpoint can read',
    (_name, one) => {
      const { open: head, entries } = one
      const parsed = readCaseFile({ format: 'dewpoint-case', version: 1, system: head.appliance.system, controls: head.controls, settings: {}, entries }, known)
      expect(parsed.ok ? [] : parsed.problems).toEqual([])
      expect(parsed.ok && writeCaseFile(parsed.value)).toBeTruthy()
      // nothing is written before the call, or after the present
      for (const { at } of entries) expect(Date.parse(at) >= Date.parse(head.openedAt), at).toBe(true)
      const remedies = new Set(catalogueOf(one).remedies.map(({ id }) => id))
      for (const entry of entries) if (entry.type === 'repair') expect(remedies).toContain(entry.payload.remedy)
    },
  )

  it('has six calls in hand that stand for a phase each, and forty closed in two years', () => {
    const at = (name: string) => open.find((one) => one.open.site.name === name)!.entries
    const kinds = (name: string) => new Set(at(name).map((one) => one.type))
    // external controls, hot-cold-hot, pressure lost each week, a leak that wetted, a fan that whined, one zone of four
    for (const name of ['Harbour Master’s House', 'Net Loft 3', 'Lifeboat Cottage', 'Sail Loft Café', 'Harbour Bakery', 'Quay Studios, number 2'])
      expect(at(name).length, name).toBeGreaterThan(2)
    expect(kinds('Harbour Bakery')).toContain('repair')
    expect(kinds('Sail Loft Café')).toContain('finding')
    expect(kinds('Lifeboat Cottage')).toContain('history')
    expect(closed).toHaveLength(40)
    const days = closed.map((one) => (now.getTime() - Date.parse(one.open.openedAt)) / 86_400_000)
    expect(Math.min(...days)).toBeGreaterThan(7)
    expect(Math.max(...days)).toBeGreaterThan(700)
  })

  it('has faults that come back to the same houses, advice that was declined, every ending, and gauges over the years', () => {
    const of = (name: string) => closed.filter((one) => one.open.site.name === name).flatMap((one) => provenFaults(one.entries))
    expect(of('7 Cockle Row').filter((one) => one === 'vessel.lostCharge')).toHaveLength(2)
    expect(of('Old Customs House').filter((one) => one === 'turbine.stuck')).toHaveLength(2)
    const all = closed.flatMap((one) => one.entries)
    expect(all.filter((one) => one.type === 'advice' && one.payload.answer === 'declined').length).toBeGreaterThan(9)
    expect(new Set(closed.map((one) => closingOf(one.entries)?.payload.ending))).toEqual(new Set(['proven', 'unproven', 'notMended', 'unsafe']))
    expect(all.filter((one) => one.type === 'reading' && one.payload.check === 'look.gaugeCold').length).toBeGreaterThan(20)
  })

  it('has the pictures its entries show, drawn and no larger than a picture may be', () => {
    const files = readdirSync('demo/photos').filter((one) => one.endsWith('.jpg'))
    expect(files.map((one) => one.replace('.jpg', '')).sort()).toEqual(Object.keys(drawn).sort())
    const hashes = new Set(
      files.map((one) =>
        createHash('sha256')
          .update(readFileSync(`demo/photos/${one}`))
          .digest('hex'),
      ),
    )
    expect(new Set(Object.values(drawn).map((one) => one.hash))).toEqual(hashes)
    const shown = cases.flatMap((one) => one.entries).flatMap((one) => (one.type === 'photo' ? [one.payload.hash] : []))
    expect(new Set(shown)).toEqual(hashes)
    expect(shown.length).toBeGreaterThan(12)
  })
})

describe('what a closed case of the demo proved', () => {
  const held = new Map<string, Signatures>()
  const signaturesOf = (catalogue: Catalogue) => {
    if (!held.has(catalogue.system.id)) held.set(catalogue.system.id, loadSignatures(catalogue))
    return held.get(catalogue.system.id)!
  }
  // one of each story and system is enough
  const seen = new Set<string>()
  const told = closed.flatMap((one) => {
    const place = one.entries.findIndex((entry) => entry.type === 'decision' && entry.payload.kind === 'condemned')
    const decision = one.entries[place]
    const fault = decision?.type === 'decision' ? decision.payload.fault! : ''
    if (place < 0 || seen.has(fault)) return []
    seen.add(fault)
    return [[fault, one, one.entries.slice(0, place)] as const]
  })

  it.each(told)('%s is what its readings speak for', (fault, one, before) => {
    const catalogue = catalogueOf(one)
    const { suspects } = diagnose(catalogue, signaturesOf(catalogue), before)
    const partOf = (id: string) => catalogue.faults.find((other) => other.id === id)?.part
    expect(suspects.slice(0, 3).flatMap((suspect) => suspect.faults.map(partOf))).toContain(partOf(fault))
  })
})
