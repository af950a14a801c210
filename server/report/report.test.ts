import { createHash } from 'node:crypto'
import { writeFileSync } from 'node:fs'
import { byName, newEntry, type Entry, type EntryType, type Payload } from '@dewpoint/core/casebook'
import { describe, expect, it } from 'vitest'
import { testApp } from '../testApp.ts'

const { running, id, opened, post } = testApp('report')

/** A journal written one entry after the other, a minute apart. */
function journal() {
  const entries: Entry[] = []
  const write = <T extends EntryType>(type: T, payload: Payload<T>) => {
    const at = Date.UTC(2026, 2, 1, 9, entries.length)
    entries.push(newEntry(type, payload, { id: id(), now: at, author: byName('Marit Žilka'), seen: entries }))
  }
  return { entries, write }
}
async function caseWith(entries: Entry[]): Promise<string> {
  const { id: caseId } = await opened()
  for (let from = 0; from < entries.length; from += 100)
    expect((await post(`/api/cases/${caseId}/entries`, { entries: entries.slice(from, from + 100) })).statusCode).toBe(200)
  return caseId
}
async function pdf(caseId: string, name: string): Promise<string> {
  const answer = await running.app.inject(`/api/cases/${caseId}/report.pdf`)
  expect([answer.statusCode, answer.headers['content-type']]).toEqual([200, 'application/pdf'])
  if (process.env.REPORTS) writeFileSync(`${process.env.REPORTS}/${name}.pdf`, answer.rawPayload)
  return answer.rawPayload.toString('latin1')
}
const pages = (paper: string) => [...paper.matchAll(/\/Type \/Page\b/g)].length
/** a JPEG of one grey pixel (ITU-T T.81) */
const grey = Buffer.from(
  '/9j/4AAQSkZJRgABAQEASABIAAD/2wBDAP//////////////////////////////////////////////////////////////////////////////////////wgALCAABAAEBAREA/8QAFBABAAAAAAAAAAAAAAAAAAAAAP/aAAgBAQABPxA=',
  'base64',
)

function repaired() {
  const { entries, write } = journal()
  write('said', { words: 'No hot water since we opened. It whined, then went quiet.' })
  write('complaint', { what: 'locksOut', where: 'all', pattern: 'always' })
  write('reading', { check: 'display.sequenceHotWater', outcome: 'fanProved', situation: { demand: 'hotWater' } })
  write('reading', { check: 'measure.fanSupply', value: 231, unit: 'V' })
  write('decision', { kind: 'condemned', part: 'fan', fault: 'fan.seized', reason: 'It stands still with its supply there.' })
  write('step', { remedy: 'open.dead', step: 0, state: 'done' })
  write('step', { remedy: 'open.dead', step: 1, state: 'done', value: 0, unit: 'V' })
  write('repair', {
    remedy: 'fan.replace',
    faults: ['fan.seized'],
    minutes: 48,
    parts: [
      { name: 'fan', quantity: 1, price: 184 },
      { name: 'fan seal', quantity: 1, price: 4 },
    ],
  })
  write('reading', { check: 'measure.carbonDioxideHigh', value: 8.9, unit: '%', limit: { low: 8.5, high: 9.1, unit: '%', source: 'this model' } })
  write('reading', { check: 'measure.carbonMonoxide', value: 61, unit: 'ppm', limit: { high: 200, unit: 'ppm', source: 'common practice' } })
  write('reading', { check: 'look.gaugeCold', value: 1.2, unit: 'bar' })
  write('reading', { check: 'close.case', outcome: 'right' })
  write('reading', { check: 'close.drips', outcome: 'notDone', note: 'tenant had to leave' })
  write('advice', { what: 'Have a system filter fitted', answer: 'declined' })
  write('followUp', { what: 'Service', on: '2026-10-12', kind: 'visit' })
  write('signature', { by: 'engineer', name: 'Marit Žilka', strokes: ['M10 60L60 20L120 90L200 30'], width: 400, height: 120 })
  return { entries, write }
}

describe('the report as a PDF', () => {
  it('is one page of plain words and record, every entry behind it, its faces embedded', async () => {
    const { entries, write } = repaired()
    const hash = createHash('sha256').update(grey).digest('hex')
    write('photo', { hash, type: 'image/jpeg', width: 1, height: 1, caption: 'Old fan, bearing rusted' })
    write('decision', { kind: 'closed', ending: 'proven', reason: 'Failed demand proved, other demand proved.' })
    const paper = await pdf(await caseWith(entries), 'proven')
    expect(paper.startsWith('%PDF-')).toBe(true)
    expect(paper).toMatch(/\/FontFile[23]/)
    expect(pages(paper)).toBeGreaterThanOrEqual(2)
  })

  it('is made for every ending, also with thirty readings, long words and signs no face has', async () => {
    for (const ending of ['unsafe', 'unproven', 'notMended'] as const) {
      const { entries, write } = repaired()
      for (let count = 0; count < 30; count++) write('reading', { check: 'look.gaugeHot', value: 1 + count / 20, unit: 'bar' })
      write('finding', { what: `Сирена 🔥 漏水 Μαρία ά Ω “é” Žůř ${'very '.repeat(300)}long`, explainsComplaint: false })
      write('decision', { kind: 'closed', ending, reason: 'Flue seal leaks. Off, isolated and labelled. Oda Brink agreed to leave it off.' })
      expect(pages(await pdf(await caseWith(entries), ending))).toBeGreaterThan(1)
    }
  })

  it('of a case nobody has begun, and of a journal with anything in it, is still a report', async () => {
    expect(pages(await pdf(await caseWith([]), 'empty'))).toBeGreaterThanOrEqual(2)
    const { entries, write } = journal()
    write('signature', { by: 'customer', name: '<script>', strokes: ['M0 0L1 1"/><script>alert(1)</script>', 'x'.repeat(2000)], width: 4000, height: 1 })
    write('reading', { check: 'no such check', value: -1e12, unit: 'no such unit' })
    write('repair', { remedy: 'no such remedy', parts: [{ name: 'x', quantity: 10_000, price: 1e12 }] })
    write('step', { remedy: 'close.nothing', step: 200, state: 'notDone', value: 1e12, unit: 'bar' })
    write('advice', { what: 'half a sign \u200d\u2028 \ufe0f', answer: 'given', due: '2026-02-28' })
    write('photo', { hash: 'f'.repeat(64), type: 'image/webp', width: 1600, height: 1, caption: 'never sent' })
    expect(pages(await pdf(await caseWith(entries), 'odd'))).toBeGreaterThanOrEqual(2)
  })

  it('of no case says so', async () => {
    for (const wrong of ['01934a00-0000-7000-8000-00000000ffff', 'x', '..%2f'])
      expect((await running.app.inject(`/api/cases/${wrong}/report.pdf`)).statusCode).toBe(404)
  })
})
