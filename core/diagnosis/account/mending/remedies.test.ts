import { describe, expect, it } from 'vitest'
import { carrying, comingBack, timeCosts, usualCosts, type Catalogue } from '../../catalogue/index.ts'
import { rowsOf, type Signatures } from '../../signatures/index.ts'
import { smallCatalogue, smallCheck } from '../../tests/testCatalogue.ts'
import { nameOf } from '../naming.ts'
import { oddsBehind, originsOf } from '../origins.ts'
import { causesOf } from '../causes.ts'
import { carryOf, remediesOf } from './remedies.ts'

const fault = (id: string, remedies: string[], more: Partial<Catalogue['faults'][number]> = {}): Catalogue['faults'][number] => ({
  id,
  part: id,
  label: id.charAt(0).toUpperCase() + id.slice(1),
  kind: 'failure',
  patch: {},
  per1000: 10,
  remedies,
  ...more,
})
const remedy = (id: string, mends: string[], works: number, minutes: number, partsCost: number, parts: string[]): Catalogue['remedies'][number] => ({
  ...{ id, label: id, mends, works, minutes, partsCost, parts, seals: [], access: 'none', skill: 'anyone', steps: [], cautions: [] },
})
const catalogue = smallCatalogue({
  faults: [
    fault('leak', ['seal', 'valve']),
    fault('wetMotor', ['motor'], { causeChecks: ['lookAbove'] }),
    fault('noCharge', ['pump up'], { hides: { leak: 0.1 } }),
  ],
  remedies: [
    remedy('seal', ['leak'], 0.8, 30, 5, ['seal']),
    remedy('valve', ['leak', 'wetMotor'], 0.98, 60, 120, ['valve']),
    remedy('motor', ['wetMotor'], 0.95, 20, 60, ['motor']),
    remedy('pump up', ['noCharge'], 0.9, 15, 0, []),
  ],
  checks: [smallCheck('lookAbove', { kind: 'cue', without: 0.1 }, { label: 'Look above the motor' })],
})
catalogue.faults[0]!.damages = { wetMotor: 0.4 }
const sets = [[], [0], [1], [2], [0, 1]]
const signatures = { sets, faults: ['leak', 'wetMotor', 'noCharge'], rowOf: rowsOf(sets), checks: [], values: [], first: [], draws: 0 } as unknown as Signatures
/** shares of: nothing, leak, wet motor, no charge, leak and wet motor, no demand, unlisted */
const shares = (...of: number[]) => Float64Array.from(of)
const none = new Map<string, number>()

describe('what can be done about the likeliest set', () => {
  it('is what its faults call for, cheapest first with coming back counted', () => {
    const options = remediesOf(catalogue, signatures, shares(0, 0.9, 0, 0, 0.05, 0, 0.05), usualCosts, none)
    expect(options.map((one) => one.id)).toEqual(['seal', 'valve'])
    // five for the seal and half an hour at sixty; ninety of a hundred times it is the leak, eight of ten times that holds
    expect(options[0]).toMatchObject({ money: 35, unfit: null })
    expect(options[0]!.chanceOfReturn).toBeCloseTo(1 - 0.9 * 0.8, 12)
    // the valve covers the pair as well
    expect(options[1]!.chanceOfReturn).toBeCloseTo(1 - 0.95 * 0.98, 12)
  })

  it('what was in vain once works less often, and the dearer one that mends the same comes before it', () => {
    const options = remediesOf(catalogue, signatures, shares(0, 1, 0, 0, 0, 0, 0), usualCosts, new Map([['seal', 1]]))
    const back = new Map(options.map((one) => [one.id, one.chanceOfReturn]))
    // of twenty failed seals eighteen failed for what the valve mends; of the other two four in five are mended the second time
    expect(back.get('seal')).toBeCloseTo(1 - 0.8 * (0.02 / 0.2), 12)
    expect(back.get('valve')).toBeCloseTo(1 - (0.18 + 0.02 * 0.98) / 0.2, 12)
    expect(options[0]!.id).toBe('valve')
  })

  it('of two faults names what leaves one standing, last', () => {
    const options = remediesOf(catalogue, signatures, shares(0, 0, 0, 0, 1, 0, 0), usualCosts, none)
    expect(options.map((one) => [one.id, one.unfit])).toEqual([
      ['valve', null],
      ['seal', 'leaves standing: WetMotor'],
      ['motor', 'leaves standing: Leak'],
    ])
  })

  it('is nothing where the likeliest is no fault', () => {
    for (const of of [shares(1, 0, 0, 0, 0, 0, 0), shares(0, 0, 0, 0, 0, 1, 0), shares(0, 0, 0, 0, 0, 0, 1)])
      expect(remediesOf(catalogue, signatures, of, usualCosts, none)).toEqual([])
  })
})

describe('what to carry', () => {
  it('is worth it from where a second trip, by its chance, costs more than carrying', () => {
    // carrying the motor costs 2 and a twentieth of 60: five; a trip costs 150: from a thirtieth on
    const carried = (share: number) =>
      carryOf(catalogue, signatures, shares(1 - share, 0, share, 0, 0, 0, 0), usualCosts).flatMap((one) => (one.take ? [one.part] : []))
    expect([carried(0.034), carried(0.033)]).toEqual([['motor'], []])
    expect(carrying(60)).toBe(5)
  })

  it('adds up over everything that needs it, dearer trips carry more', () => {
    const both = carryOf(catalogue, signatures, shares(0, 0.2, 0, 0, 0.3, 0, 0.5), usualCosts)
    expect(both).toEqual([
      { part: 'seal', probability: 0.5, price: 5, seals: [], saved: 75, carrying: 2.25, take: true },
      { part: 'motor', probability: 0.3, price: 60, seals: [], saved: 45, carrying: 5, take: true },
    ])
    expect(carryOf(catalogue, signatures, shares(0, 0.01, 0.01, 0, 0, 0, 0.98), { ...usualCosts, secondTrip: 10_000 }).map((one) => one.part)).toEqual([
      'seal',
      'motor',
    ])
  })

  it('a part is told with the seals that must be new with it, at the price the firm pays', () => {
    const sealed = {
      ...catalogue,
      remedies: catalogue.remedies.map((one) => (one.id === 'motor' ? { ...one, parts: ['motor', 'ring'], seals: ['ring'] } : one)),
    }
    const [motor] = carryOf(sealed, signatures, shares(0, 0, 1, 0, 0, 0, 0), usualCosts, { motor: 44 })
    expect(motor).toMatchObject({ part: 'motor', price: 44, seals: ['ring'] })
  })

  it('what stays at home is told too, with its sum, down to one in a hundred', () => {
    const carried = (share: number) => carryOf(catalogue, signatures, shares(1 - share, 0, share, 0, 0, 0, 0), usualCosts)
    expect(carried(0.02)).toMatchObject([{ part: 'motor', saved: 3, carrying: 5, take: false }])
    expect(carried(0.009)).toEqual([])
  })

  it('costs in the firm’s own money', () => {
    expect(comingBack({ hourlyRate: 50, secondTrip: 90, wrongPart: 0 })).toBe(140)
    expect(timeCosts({ hourlyRate: 50, secondTrip: 0, wrongPart: 0 }, 90)).toBe(75)
  })
})

describe('what brought it about', () => {
  it('is looked for by the checks and the faults that do damage', () => {
    expect(causesOf(catalogue, signatures, shares(0, 0, 1, 0, 0, 0, 0), new Set())).toEqual([
      {
        fault: 'wetMotor',
        label: 'WetMotor',
        probability: 1,
        by: [
          { fault: 'leak', label: 'Leak', probability: 0, check: null },
          { fault: null, label: 'Look above the motor', probability: null, check: { check: 'lookAbove', label: 'Look above the motor' } },
        ],
        lookFor: ['Look above the motor', 'Leak'],
      },
    ])
    expect(causesOf(catalogue, signatures, shares(0, 1, 0, 0, 0, 0, 0), new Set())).toEqual([])
  })

  it('is looked for behind everything likely, not the leader only, and what was looked at is not proposed again', () => {
    const both = shares(0, 0.6, 0.3, 0, 0.1, 0, 0)
    expect(causesOf(catalogue, signatures, both, new Set()).map((one) => one.fault)).toEqual(['wetMotor'])
    expect(causesOf(catalogue, signatures, both, new Set(['lookAbove']))[0]!.by.map((one) => one.fault)).toEqual(['leak'])
    expect(causesOf(catalogue, signatures, shares(0, 0.9, 0.1, 0, 0, 0, 0), new Set())).toEqual([])
  })

  it('root and consequence are told apart in a set', () => {
    expect(originsOf(catalogue, [0, 1]).map((one) => one.role)).toEqual(['root', 'consequence'])
    // a workaround that hides a fault comes of it
    expect(originsOf(catalogue, [0, 2]).map((one) => one.role)).toEqual(['root', 'consequence'])
    expect(originsOf(catalogue, [1, 2]).map((one) => one.role)).toEqual(['alone', 'alone'])
  })
})

it('odds say how many cases stand behind them, and what moves them', () => {
  expect(oddsBehind(catalogue, [0], [12.5, 1, 1], { experience: { cases: 7, proven: { leak: 2 } } })).toEqual([
    { fault: 'leak', per1000: 12.5, assumedCases: 400, cases: 7, proven: 2, because: [] },
  ])
  expect(oddsBehind(catalogue, [1], [1, 3, 1], {})[0]).toMatchObject({ per1000: 3, cases: 0, proven: 0 })
  expect(oddsBehind(catalogue, [1], [1, 3, 1], { experience: { cases: 100, proven: {}, stated: { wetMotor: 0.6 } } })[0]!.because).toEqual([
    'own experience says 6 in ten, counting for 50 cases',
  ])
})

it('every row has a name', () => {
  expect([0, 1, 4, 5, 6].map((row) => nameOf(catalogue, signatures, row).label)).toEqual([
    'Nothing wrong with the boiler',
    'Leak',
    'Leak + WetMotor',
    'Nothing asks the boiler to run',
    'A cause not listed here',
  ])
  expect(nameOf(catalogue, signatures, 4)).toMatchObject({ key: 'leak+wetMotor', faults: ['leak', 'wetMotor'] })
})
