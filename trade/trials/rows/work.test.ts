import { catalogues } from '@dewpoint/trade'
import { schools, waysOf } from '@dewpoint/trade/schools'
import { describe, expect, it } from 'vitest'
import { badRecords } from '../../remedies/work/badRecords.ts'
import { remedyRows } from '../../remedies/index.ts'
import { waysIn } from '../../remedies/work/waysIn.ts'
import { workNotes } from '../../remedies/work/workNotes.ts'

const known = new Set(remedyRows.map((one) => one.id))
const unknown = (ids: readonly string[]) => ids.filter((id) => !known.has(id))

describe('what is said of how work is done', () => {
  it('is about remedies there are', () => {
    expect(unknown(Object.keys(workNotes))).toEqual([])
    expect(unknown(badRecords.map((one) => one.remedy))).toEqual([])
    expect(unknown(schools.flatMap(({ choices }) => choices.flatMap((one) => [...(one.prefers ?? []), ...(one.says?.remedies ?? [])])))).toEqual([])
  })

  it('never begins with a hand inside before it is proved dead, tester before and after', () => {
    const { steps, notes } = waysIn.find((one) => one.id === 'dead')!.open
    expect(steps.filter((one) => /prove the tester/i.test(one))).toHaveLength(2)
    expect(notes!.map((one) => one.label)).toEqual(['Live to neutral', 'Live to earth', 'Neutral to earth'])
  })

  it('shuts no gas where there is none', () => {
    const gas = (id: string) => catalogues[id]!.waysIn!.some((one) => one.id === 'gas')
    expect([gas('premix-combi'), gas('electric-flow')]).toEqual([true, false])
  })

  it('reads the vessel only with its water side open (common practice)', () => {
    for (const id of ['premix-combi', 'system-boiler'])
      expect(catalogues[id]!.remedies.find((one) => one.id === 'vessel.recharge')!.steps[0]).toMatch(/drain open/)
  })
})

describe('a firm’s ways where practitioners disagree', () => {
  it('prefers nothing before the firm has answered, and what it answered then', () => {
    expect(waysOf({})).toMatchObject({ prefers: [], fill: 'low', leavesBadRecords: false })
    expect(waysOf({ wetActuator: 'dry', fill: 'high', badRecord: 'leave', plate: 'nonsense' })).toMatchObject({
      prefers: expect.arrayContaining(['diverterMotor.dry']) as string[],
      fill: 'high',
      leavesBadRecords: true,
    })
  })

  it('each way says what follows from it', () => {
    for (const { choices } of schools) {
      expect(choices.length).toBeGreaterThan(1)
      expect(choices.every((one) => one.follows.length > 10)).toBe(true)
    }
  })
})
