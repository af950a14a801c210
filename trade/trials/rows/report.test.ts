import { byName, newEntry, scriptedJournal, type Entry, type EntryType, type Payload } from '@dewpoint/core/casebook'
import { catalogues, premixCombiCatalogue } from '@dewpoint/trade'
import { limitWords, reportDocument, reportOf, reportTimes } from '@dewpoint/trade/report'
import { describe, expect, it } from 'vitest'
import { inThePast } from '../../report/inThePast.ts'
import { runsOfFont } from '../../report/runsOfFont.ts'

/** A report of a journal written in this order, a minute apart from 08:30 UTC on. */
function reported(write: (note: <T extends EntryType>(type: T, payload: Payload<T>) => void) => void, firm = {}) {
  const entries: Entry[] = []
  write((type, payload) => {
    const now = Date.UTC(2026, 5, 1, 8, 30 + entries.length)
    entries.push(
      newEntry(type, payload, { id: `01934a00-0000-7000-8000-${String(entries.length).padStart(12, '0')}`, now, author: byName('Ines Quill'), seen: entries }),
    )
  })
  return reportOf({
    ...{ catalogue: premixCombiCatalogue, openedAt: '2026-06-01T08:00:00.000Z', place: { name: 'Net Loft 3', address: 'Quay Lane' }, entries, firm },
    ...{ appliance: { label: 'Combination 28', installedOn: '2017-09-14' }, timeZone: 'Europe/Lisbon', hourlyRate: 60 },
  })
}
const fan: Payload<'repair'> = { remedy: 'fan.replace', faults: ['fan.seized'], minutes: 30, parts: [{ name: 'fan', quantity: 2, price: 10.5 }] }

describe('a report', () => {
  it('of a case that is not closed says so, and is empty where nothing was written', () => {
    const empty = reported(() => undefined)
    expect([empty.ending, empty.measured, empty.parts, empty.all]).toEqual(['open', [], [], []])
    expect(empty.plain.find((one) => one.id === 'wrong')!.text).toBe('What causes it is not found yet.')
  })

  it('says in plain words what was wrong, what was done and what to know, declined advice too', () => {
    const { plain, headline } = reported((note) => {
      note('complaint', { what: 'noHotWater', where: 'all', pattern: 'always' })
      note('decision', { kind: 'condemned', fault: 'fan.seized', part: 'fan', reason: 'x' })
      note('repair', fan)
      note('reading', { check: 'display.sequenceHotWater', outcome: 'complete' })
      note('advice', { what: 'Have a filter fitted', answer: 'declined' })
      note('decision', { kind: 'closed', ending: 'proven', reason: 'proved' })
    })
    expect(headline).toBe('Your boiler is working again.')
    expect(plain.map((one) => one.text)).toEqual([
      'You told us: no hot water. We found: fan seized.',
      'Fitted a new fan. Then hot water ran as it should.',
      'Have a filter fitted. You said not now. Smell gas or feel ill? Go outside, then ring the emergency number.',
    ])
  })

  it('what somebody wrote for the customer stands in its place; empty again, the words of its own', () => {
    const words = (...said: string[]) =>
      reported((note) => said.forEach((text) => note('wording', { section: 'wrong', text }))).plain.find((one) => one.id === 'wrong')!
    expect(words('The fan had rusted solid.')).toMatchObject({ text: 'The fan had rusted solid.', isEdited: true })
    expect(words('The fan had rusted solid.', ' ')).toMatchObject({ text: 'What causes it is not found yet.', isEdited: false })
  })

  it('an unsafe and an unproven ending say why', () => {
    for (const [ending, headline] of [
      ['unsafe', 'It is switched off and must stay off.'],
      ['unproven', 'Repaired, but not proved.'],
    ] as const) {
      const one = reported((note) => note('decision', { kind: 'closed', ending, reason: 'Flue seal leaks.' }))
      expect([one.headline, one.reason, one.cautions.length > 0]).toEqual([headline, 'Flue seal leaks.', ending === 'unsafe'])
    }
    expect(
      reported((note) => (note('decision', { kind: 'closed', ending: 'unsafe', reason: 'x' }), note('decision', { kind: 'reopened', reason: 'y' }))).ending,
    ).toBe('open')
  })

  it('names those who were there as its engineers, not whoever took the call; without a visit those who wrote readings', () => {
    const by = (name: string) => (entry: Entry) => ({ ...entry, author: byName(name).id, authorName: name })
    const told = (entries: Entry[]) =>
      reportOf({
        ...{ catalogue: premixCombiCatalogue, openedAt: '2026-06-01T08:00:00.000Z', place: { name: 'Net Loft 3', address: '' }, entries, firm: {} },
        ...{ appliance: { label: 'Combination 28', installedOn: '' }, timeZone: 'UTC', hourlyRate: 60 },
      }).facts.find((one) => one.label === 'Engineer')?.value
    const journal = scriptedJournal()
    const asked = by('Bo Larkspur')(journal.answer('ask.heating', 'fine'))
    const mended = by('Ines Quill')(journal.repair('fan.replace'))
    expect(told([asked, mended])).toBe('Ines Quill')
    expect(told([asked])).toBe('Bo Larkspur')
  })

  it('a value is told as found and as left, in one unit, against its limit, and in the other units where the firm wants them', () => {
    const { measured } = reported(
      (note) => {
        note('reading', { check: 'look.gaugeCold', value: 0.4, unit: 'bar' })
        note('repair', fan)
        note('reading', { check: 'look.gaugeCold', value: 17.4, unit: 'psi', limit: { low: 1, high: 1.5, unit: 'bar', source: 'this model' } })
      },
      { units: 'imperial' },
    )
    expect(measured).toHaveLength(1)
    const [gauge] = measured
    // 17.4 psi are 1.20 bar by the definition of the pound-force
    expect([gauge!.found, gauge!.left!.toFixed(3), gauge!.passes, gauge!.otherWords, limitWords(gauge!)]).toEqual([
      0.4,
      '1.200',
      true,
      '17.4 psi',
      '1.00 to 1.50 bar, this model',
    ])
  })

  it('parts by their prices, with the time, in the firm’s money', () => {
    const { parts, total, minutes } = reported((note) => note('repair', fan), { currency: 'GBP' })
    expect([parts, total, minutes]).toEqual([[{ name: 'fan', quantity: 2, price: '£21.00', sum: 21 }], '£51.00', 30])
  })

  it('what was taken back is in none of it', () => {
    const one = reported((note) => {
      note('repair', fan)
      note('retract', { entry: '01934a00-0000-7000-8000-000000000000' })
    })
    expect([one.done, one.parts]).toEqual([[], []])
  })
})

describe('how it is set', () => {
  it('every remedy of the trade is told as done in words, not as an order', () => {
    const labels = [...new Set(Object.values(catalogues).flatMap((one) => one.remedies.map(({ label }) => label)))]
    const orders = labels.filter((label) => inThePast(label) === label)
    // these are the same word
    expect(orders.filter((label) => !/^(Set|Shut|Let|Put) /.test(label))).toEqual([])
    expect(inThePast('Dry, clean and refit the turbine plug, or renew its lead')).toBe('Dried, cleaned and refitted the turbine plug, or renewed its lead')
  })

  it('each sign is set in a face that has it; what none has is a question mark', () => {
    expect(runsOfFont('2.49 kΩ, Žilka')).toEqual([
      { text: '2.49 k' },
      { text: 'Ω', font: 'Greek' },
      { text: ', ' },
      { text: 'Ž', font: 'BarlowExt' },
      { text: 'ilka' },
    ])
    expect(runsOfFont('CO₂ ≤ 9 漏')).toEqual([{ text: 'CO2 at most  9 ?' }])
    expect(runsOfFont('')).toEqual([{ text: '' }])
  })

  it('in the firm’s time: summer in Lisbon is an hour ahead of UTC; a day of the calendar is the same everywhere', () => {
    const { clock, day } = reportTimes('Europe/Lisbon')
    expect([clock('2026-06-01T23:30:00Z'), day('2026-06-01T23:30:00Z'), day('2026-06-01'), day('nonsense')]).toEqual([
      '00:30',
      'Tue 2 Jun 2026',
      'Mon 1 Jun 2026',
      'time unreadable',
    ])
  })

  it('a journal of thousands is cut to what a paper takes, and says how much is left out', () => {
    const one = reported((note) => {
      for (let count = 0; count < 800; count++) note('said', { words: `and then ${count}` })
    })
    const paper = JSON.stringify(reportDocument(one, { firm: '', address: '', phone: '', emergency: '', caseNumber: 'A' }))
    expect(paper).toContain('and 200 more, in the case file')
    expect(paper.match(/and then \d+”/g)!.length).toBe(600 + 120)
  })

  it('a signature draws paths and nothing else', () => {
    const one = reported((note) => note('signature', { by: 'customer', name: 'Oda', strokes: ['M0 0L9 9', '"/><image href="x"/>'], width: 10, height: 10 }))
    const paper = JSON.stringify(reportDocument(one, { firm: '', address: '', phone: '', emergency: '', caseNumber: 'A' }))
    expect(paper).toContain('M0 0L9 9')
    expect(paper).not.toContain('image href')
  })
})
