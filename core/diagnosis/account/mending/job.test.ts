import { describe, expect, it } from 'vitest'
import { comingBack, timeCosts, usualCosts, type Catalogue, type Remedy, type WayInRow } from '../../catalogue/index.ts'
import { accessMinutes } from '../../choice/index.ts'
import { smallCatalogue, smallFault, smallRemedy } from '../../tests/testCatalogue.ts'
import { asFitted } from './asFitted.ts'
import { fillSumOf, jobOf, whileOpen } from './job.ts'

const row = (label: string) => ({ label, steps: [] })
const waysIn: WayInRow[] = (['gas', 'drained', 'case', 'dead'] as const).map((id) => ({ id, label: id, open: row(`open ${id}`), close: row(`close ${id}`) }))
const remedy = (id: string, mends: string[], minutes: number, own: Partial<Remedy> = {}): Remedy => ({ ...smallRemedy(id, mends, minutes, 10), ...own })
const behind = { fact: 'place', choice: 'behind', minutes: 45, step: 'Burner off first.', opens: ['chamber' as const] }
const catalogue: Catalogue = smallCatalogue({
  waysIn,
  prices: { 'part of filter': 12, 'part of vent': 14 },
  faults: [
    smallFault('leak', { damages: { motor: 0.5, fuse: 0.1 } }),
    smallFault('motor', { damages: { fuse: 0.3 } }),
    smallFault('fuse'),
    smallFault('filter'),
    smallFault('vent'),
  ],
  remedies: [
    remedy('seal', ['leak'], 60, { access: 'drained', opens: ['case'], byVersion: [behind], torque: '2.5 N·m' }),
    remedy('valve', ['leak'], 90, { access: 'drained', byVersion: [behind] }),
    remedy('new motor', ['motor'], 25, { access: 'caseOff', notes: [{ label: 'Between the cores', unit: 'MΩ', low: 20 }] }),
    remedy('new fuse', ['fuse'], 20, { access: 'caseOff' }),
    remedy('dose', [], 30),
    remedy('charge', [], 25, {
      access: 'drained',
      notes: [
        { label: 'found', unit: 'bar' },
        { label: 'left', unit: 'bar', sum: 'charge' },
      ],
    }),
    remedy('filter', ['filter'], 32, { access: 'drained' }),
    remedy('vent', ['vent'], 30, { access: 'drained' }),
  ],
  badRecords: [
    { remedy: 'filter', perYear: 0.2, because: 'It clogs.' },
    { remedy: 'vent', perYear: 0.01, because: 'It dribbles.' },
  ],
})
const context = { sums: null, causes: ['Dirt'], complaints: ['No heating'] }
const chain = [
  { remedy: 'seal', faults: ['leak'] },
  { remedy: 'new motor', faults: ['motor'] },
  { remedy: 'new fuse', faults: ['fuse'] },
  { remedy: 'dose', faults: [] },
]
const job = (chosen = chain, of = catalogue, more: Partial<Parameters<typeof jobOf>[2]> = {}) => jobOf(of, chosen, { ...context, ...more })
const ids = (of = job()) => of.lines.map((one) => one.id)

describe('a job in its order', () => {
  it('is got at from the outside in, put together from the inside out, each way once; what needs nothing opened comes when it runs', () => {
    expect(ids()).toEqual(['open.dead', 'open.case', 'open.drained', 'seal', 'new motor', 'new fuse', 'close.drained', 'close.case', 'close.dead', 'dose'])
    expect(job().ways.map((one) => [one.id, one.from, one.to])).toEqual([
      ['dead', 0, 8],
      ['case', 1, 7],
      ['drained', 2, 6],
    ])
  })

  it('takes the minutes of its repairs with the dearest way in paid once; the lines sum up to it', () => {
    const { lines, minutes } = job()
    expect(minutes).toBe(60 - 20 + (25 - 5) + (20 - 5) + 30 + accessMinutes.drained)
    expect(lines.reduce((sum, one) => sum + one.minutes, 0)).toBe(minutes)
    expect(lines.every((one) => Number.isInteger(one.minutes) && one.minutes >= 0)).toBe(true)
  })

  it('opens nothing where nothing needs it', () => {
    expect(ids(job([{ remedy: 'dose', faults: [] }]))).toEqual(['dose'])
  })

  it('shows the chain from what lies behind to what was complained of, each link with the line that cures it', () => {
    const { chain: links, lines } = job()
    expect(links.map((one) => [one.role, one.label, one.line === null ? null : lines[one.line]!.id])).toEqual([
      ['cause', 'Dirt', null],
      ['root', 'leak', 'seal'],
      ['consequence', 'motor', 'new motor'],
      ['consequence', 'fuse', 'new fuse'],
      ['complaint', 'No heating', null],
    ])
  })

  it('takes out once what lies in the way of several on the version fitted, and shuts the gas for it', () => {
    const fitted = asFitted(catalogue, new Map([['place', 'behind']]))
    const one = job([{ remedy: 'seal', faults: ['leak'] }], fitted)
    const both = job(
      [
        { remedy: 'seal', faults: ['leak'] },
        { remedy: 'valve', faults: [] },
      ],
      fitted,
    )
    expect(one.minutes).toBe(60 + 45)
    expect(both.minutes).toBe(60 + 45 + 90 - accessMinutes.drained)
    expect(both.lines.filter((line) => line.steps.includes(behind.step)).map((line) => line.id)).toEqual(['seal'])
    expect(ids(both)).toContain('open.gas')
  })

  it('has the firm’s own steps, the torque, and what must be noted, counted from one, with what the sum says it should be', () => {
    const sums = { charge: 1, fill: 1.2, hot: 1.7, because: 'By the sum.' }
    const { lines } = job([...chain, { remedy: 'charge', faults: [] }], catalogue, { sums, ways: { says: [{ remedies: ['seal'], step: 'Seals dry.' }] } })
    const of = (id: string) => lines.find((line) => line.id === id)!
    expect(of('seal')).toMatchObject({ steps: ['Seals dry.'], torque: '2.5 N·m', role: 'root' })
    expect(of('new motor').notes).toEqual([{ label: 'Between the cores', unit: 'MΩ', low: 20, step: 1 }])
    expect(of('charge').notes).toEqual([
      { label: 'found', unit: 'bar', step: 1 },
      { label: 'left', unit: 'bar', step: 2, low: 0.9, high: 1.1, because: 'By the sum.' },
    ])
  })

  it('one remedy done for two faults is two lines, each with its own fault', () => {
    const twice = [
      { remedy: 'new fuse', faults: ['fuse'] },
      { remedy: 'new fuse', faults: ['motor'] },
    ]
    expect(job(twice).lines.flatMap((one) => (one.remedy ? [[one.id, one.remedy]] : []))).toEqual([
      ['new fuse fuse', 'new fuse'],
      ['new fuse motor', 'new fuse'],
    ])
  })

  it('a repair this version does not know is left out', () => {
    expect(
      ids(
        job([
          { remedy: 'of another version', faults: [] },
          { remedy: 'dose', faults: [] },
        ]),
      ),
    ).toEqual(['dose'])
  })
})

describe('what the vessel is charged and the system filled to', () => {
  const system = (litres: number) => ({
    ...catalogue.system,
    components: [
      { id: 'system', parameters: { volume: { value: litres } } },
      { id: 'vessel', parameters: { volume: { value: 8 } } },
    ],
  })
  const sum = (litres: number, school: 'low' | 'high' = 'low', known = {}) =>
    fillSumOf({ system: system(litres) } as unknown as Pick<Catalogue, 'system'>, known, school)!

  // common practice; each confirmed by the sum in physics/vessel.test.ts
  it('by little: 60 l filled at 1.2 stand at about 1.7 hot', () => {
    expect(sum(60)).toMatchObject({ charge: 1, fill: 1.2, because: 'Then 1.7 bar hot, by the sum for 60 l, assumed.' })
  })

  it('a volume somebody said is no assumption; what does not fit the vessel says so', () => {
    expect(sum(60, 'low', { 'system.volume': 100 }).because).toBe('Then 2.2 bar hot, by the sum for 100 l.')
    expect(sum(140, 'high').because).toContain('Too much for this vessel')
  })

  it('is nothing where there is no vessel', () => {
    expect(fillSumOf(catalogue, {})).toBeNull()
  })
})

describe('parts with a bad record, while it is open', () => {
  const offers = (chosen = chain, tried?: Map<string, number>) => whileOpen(catalogue, chosen, usualCosts, {}, tried)

  it('are worth it where a later visit by its chance costs more than part and minutes now', () => {
    const later = 0.2 * (comingBack(usualCosts) + 12 + timeCosts(usualCosts, 32))
    const now = 12 + timeCosts(usualCosts, 32 - accessMinutes.drained)
    expect(offers().map((one) => [one.remedy, one.take])).toEqual([
      ['filter', true],
      ['vent', false],
    ])
    expect(offers()[0]).toMatchObject({ later, now, minutes: 12 })
  })

  it('only those the job reaches, does not do anyway, and that are not new', () => {
    expect(offers([{ remedy: 'new fuse', faults: ['fuse'] }])).toEqual([])
    expect(offers([...chain, { remedy: 'filter', faults: [] }]).map((one) => one.remedy)).toEqual(['vent'])
    expect(offers(chain, new Map([['filter', 1]])).map((one) => one.remedy)).toEqual(['vent'])
  })
})
