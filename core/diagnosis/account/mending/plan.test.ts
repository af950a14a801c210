import { describe, expect, it } from 'vitest'
import { comingBack, timeCosts, usualCosts, type Remedy } from '../../catalogue/index.ts'
import { rowsOf, type Signatures } from '../../signatures/index.ts'
import { smallCatalogue, smallFault, smallRemedy } from '../../tests/testCatalogue.ts'
import { asFitted } from './asFitted.ts'
import { plansOf } from './plan.ts'
import { replacementOf } from './replacement.ts'

const remedy = (id: string, mends: string[], minutes: number, partsCost: number, works: number, own: Partial<Remedy> = {}): Remedy => ({
  ...smallRemedy(id, mends, minutes, partsCost),
  works,
  ...own,
})
const treat = { remedy: 'treat', because: 'The dirt is still there.', comesBack: 0.25 }
const catalogue = smallCatalogue({
  faults: [
    smallFault('fuse', { remedies: ['new fuse'] }),
    smallFault('leak', { remedies: ['seal', 'valve'], damages: { wetMotor: 0.5, fuse: 0.1 } }),
    smallFault('wetMotor', { remedies: ['dry', 'motor'], damages: { fuse: 0.3 } }),
    smallFault('wireA', { remedies: ['land'] }),
    smallFault('wireB', { remedies: ['land'] }),
  ],
  remedies: [
    remedy('new fuse', ['fuse'], 20, 2, 0.75, { access: 'caseOff' }),
    remedy('seal', ['leak'], 60, 10, 0.9, { access: 'drained', alongside: [treat] }),
    remedy('valve', ['leak'], 90, 120, 0.98, { access: 'drained' }),
    remedy('dry', ['wetMotor'], 30, 0, 0.5, { access: 'caseOff' }),
    remedy('motor', ['wetMotor'], 25, 60, 0.95, { access: 'caseOff' }),
    remedy('treat', [], 30, 28, 1),
    remedy('land', ['wireA', 'wireB'], 25, 1, 0.95, { each: true, access: 'live' }),
  ],
  replacement: { label: 'A new boiler', minutes: 600, partsCost: 900, years: 15 },
})
const sets = [[], [0], [1], [2], [3], [4], [0, 1, 2], [1, 2], [3, 4]]
const signatures = {
  sets,
  faults: catalogue.faults.map((one) => one.id),
  rowOf: rowsOf(sets),
  checks: [],
  values: [],
  first: [],
  draws: 0,
} as unknown as Signatures
const shares = (of: Record<number, number>) => Float64Array.from({ length: sets.length + 2 }, (_unused, row) => of[row] ?? 0)
const plans = (of: Record<number, number>, tried = new Map<string, number>()) => plansOf(catalogue, signatures, shares(of), usualCosts, tried)

describe('the whole of what stands, as one job', () => {
  const chain = { 6: 0.9, 7: 0.06, 10: 0.04 }

  it('does what brought the others about first, what was brought about last', () => {
    expect(plans(chain)[0]!.steps.map((one) => [one.remedy, one.role])).toEqual([
      ['seal', 'root'],
      ['treat', 'alongside'],
      ['motor', 'consequence'],
      ['new fuse', 'consequence'],
    ])
  })

  it('pays once for what has to be got at, and has one price', () => {
    const [plan] = plans(chain)
    // drained once, and with that the case is off for the motor and the fuse: five minutes twice
    expect(plan!.savedMinutes).toBe(10)
    expect(plan!.minutes).toBe(20 + 60 + 30 + 25 - 10)
    expect(plan!.money).toBe(Math.round(2 + 10 + 28 + 60 + timeCosts(usualCosts, 125)))
  })

  it('its chance of return is what may stand besides, and each job that does not hold: less where its cause is mended with it', () => {
    const [plan] = plans(chain)
    expect(plan!.because.reduce((sum, one) => sum + one.share, 0)).toBeCloseTo(plan!.chanceOfReturn, 2)
    const holds = 0.96 * 0.9 * (1 - 0.25 * 0.4) * (1 - 0.05 * 0.4)
    expect(plan!.chanceOfReturn).toBeCloseTo(1 - holds, 9)
    expect(plan!.because.find((one) => one.says.startsWith('A cause not listed'))?.share).toBeCloseTo(0.04, 9)
  })

  it('the cheapest leaves out what only belongs to the job, and says what that brings back', () => {
    const cheapest = plans(chain).find((one) => one.id === 'cheapest')!
    expect(cheapest.steps.map((one) => one.remedy)).not.toContain('treat')
    expect(cheapest.because.some((one) => one.says.startsWith('Left out: treat'))).toBe(true)
    expect(cheapest.chanceOfReturn).toBeGreaterThan(plans(chain)[0]!.chanceOfReturn)
    expect(cheapest.money).toBeLessThan(plans(chain)[0]!.money)
  })

  it('what belongs to the job and was done already is not done again, and not missed', () => {
    for (const plan of plans(chain, new Map([['treat', 1]]))) {
      expect(plan.steps.map((one) => one.remedy)).not.toContain('treat')
      expect(plan.because.some((one) => one.says.startsWith('Left out'))).toBe(false)
    }
  })

  it('the most lasting takes what works most often', () => {
    expect(
      plans(chain)
        .find((one) => one.id === 'lasting')!
        .steps.map((one) => one.remedy),
    ).toEqual(expect.arrayContaining(['valve', 'motor', 'new fuse']))
  })

  it('the firm’s way comes first where it has one, and the sum’s beside it', () => {
    const firm = plansOf(catalogue, signatures, shares(chain), usualCosts, new Map(), ['dry'])
    expect(firm.map((one) => one.id).slice(0, 2)).toEqual(['firm', 'usual'])
    expect(firm[0]!.steps.map((one) => one.remedy)).toContain('dry')
    expect(firm[0]!.chanceOfReturn).toBeGreaterThan(firm[1]!.chanceOfReturn)
    // a way it never comes to is none
    expect(plansOf(catalogue, signatures, shares({ 1: 1 }), usualCosts, new Map(), ['dry'])[0]!.id).toBe('usual')
  })

  it('plans that come to the same are told once', () => {
    expect(plans({ 1: 1 }).map((one) => one.id)).toEqual(['usual'])
    expect(plans({ 0: 1 })).toEqual([])
    expect(plans({ 10: 1 })).toEqual([])
  })

  it('two conductors are two faults of one job, each landed; one of them leaves the other', () => {
    const [both] = plans({ 8: 0.9, 4: 0.1 })
    expect(both!.steps.map((one) => one.faults)).toEqual([['wireA'], ['wireB']])
    expect(both!.minutes).toBe(50 - 2)
    const [one] = plans({ 4: 0.7, 8: 0.3 })
    expect(one!.because[0]).toMatchObject({ says: 'wireB: may stand besides', share: 0.3 })
  })
})

describe('the whole appliance new', () => {
  const sum = (of: Record<number, number>, age?: number) => replacementOf(catalogue, plans(of), usualCosts, age)

  it('is no thought for a small repair', () => {
    expect(sum({ 1: 1 }, 3)).toBeNull()
  })

  it('is weighed as money a year, by the years the old one has left', () => {
    const young = sum({ 7: 1 }, 3)!
    const old = sum({ 7: 1 }, 14)!
    expect(young.because).toBe('2 dear parts at once')
    expect([young.yearsLeft, old.yearsLeft]).toEqual([12, 1])
    expect(young.money).toBe(900 + 600)
    expect(young.perYear.replacement).toBeCloseTo(100, 9)
    const dear = plans({ 7: 1 }).find((one) => one.id === young.plan)!
    expect(young.perYear.repair).toBeCloseTo((dear.money + dear.chanceOfReturn * comingBack(usualCosts)) / 12, 9)
    expect([young.cheaper, old.cheaper]).toEqual(['repair', 'replacement'])
  })

  it('an age nobody told is taken for half a life, and past its years one is left', () => {
    expect(sum({ 7: 1 })).toMatchObject({ age: null, yearsLeft: 7 })
    expect(sum({ 7: 1 }, 30)!.yearsLeft).toBe(1)
  })
})

it('what a version adds to a job is in its minutes, its steps and what it opens; where it is not known, or not fitted, nothing is', () => {
  const [fuse] = catalogue.remedies
  const own = {
    ...catalogue,
    remedies: [{ ...fuse!, byVersion: [{ fact: 'place', choice: 'behind', minutes: 40, step: 'Burner off first.', opens: ['chamber' as const] }] }],
  }
  expect(asFitted(own, new Map([['place', 'behind']])).remedies[0]).toMatchObject({ minutes: 60, steps: ['Burner off first.'], opens: ['chamber'] })
  for (const versions of [new Map<string, string>(), new Map([['place', 'front']])]) expect(asFitted(own, versions).remedies[0]!.minutes).toBe(20)
})
