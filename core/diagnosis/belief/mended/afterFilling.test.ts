import { describe, expect, it } from 'vitest'
import { type Entry, scriptedJournal } from '../../../casebook/index.ts'
import { readJournal } from '../../evidence/index.ts'
import { outcomeOf, smallCatalogue, smallCheck, smallFault, smallRemedy, smallSignatures } from '../../tests/testCatalogue.ts'
import { severities } from '../../signatures/index.ts'
import { believe } from '../posterior.ts'
import { likeAfterFilling, mixed, plantsAfterFilling, stillGone, withoutSlow } from './afterFilling.ts'

/** A leak, a vessel that let the pressure go, and too little water, by a gauge, a lamp nobody's water moves, and a sign. */
const catalogue = smallCatalogue({
  faults: [smallFault('leak', { slow: true }), smallFault('flat', { lostPressure: true }), smallFault('low', { setByFilling: true })],
  checks: [
    smallCheck('gauge', outcomeOf(['right', 'low'])),
    smallCheck('lamp', outcomeOf(['on', 'off'])),
    smallCheck('night', outcomeOf(['holds', 'falls']), { before: true }),
    smallCheck('stain', { kind: 'cue', without: 0.05 }),
  ],
})
const signatures = smallSignatures(catalogue, { gauge: [0, 1, 1, 1, 0], lamp: [0, 0, 0, 0, 0], night: [0, 1, 1, 0, 0] })
const { first, rowOf, draws } = signatures
const check = (id: string) => catalogue.checks.find((one) => one.id === id)!
const rowsPlants = (row: number) => Array.from({ length: first[row + 1]! - first[row]! }, (_unused, draw) => first[row]! + draw)
const read = (plants: Int32Array, row: number) => rowsPlants(row).map((plant) => plants[plant])

describe('once the pressure was set right', () => {
  it('what leaks slowly reads as if it were not there, plant by plant', () => {
    const { slow, begun } = plantsAfterFilling(catalogue, signatures)
    expect(read(slow, 1)).toEqual(rowsPlants(0))
    // over hours it shows
    expect(read(begun, 1)).toEqual(rowsPlants(1))
  })

  it('what has let the pressure go reads as its mildest form where the water counts, else as it is', () => {
    const { slow, righted } = plantsAfterFilling(catalogue, signatures)
    const own = severities({ id: 'flat' }, draws)
    const mildest = first[2]! + own.indexOf(Math.min(...own))
    expect(new Set(read(righted, 2))).toEqual(new Set([mildest]))
    expect(read(slow, 2)).toEqual(rowsPlants(2))
  })

  it('of both together the leak is gone and the vessel mild, among the plants a pair has', () => {
    const pair = rowOf.get('0,1')!
    const { slow, righted } = plantsAfterFilling(catalogue, signatures)
    const few = first[pair + 1]! - first[pair]!
    expect(read(slow, pair)).toEqual(rowsPlants(2).slice(0, few))
    const own = severities({ id: 'flat' }, draws).slice(0, few)
    expect(new Set(read(righted, pair))).toEqual(new Set([first[2]! + own.indexOf(Math.min(...own))]))
    expect(withoutSlow(catalogue, [0, 1])).toEqual([1])
  })

  it('too little water itself, nothing wrong and no demand read as ever; so do signs, and what is told of days before', () => {
    const { slow, begun, righted } = plantsAfterFilling(catalogue, signatures)
    for (const plants of [slow, begun, righted]) for (const row of [0, 3, signatures.sets.length]) expect(read(plants, row)).toEqual(rowsPlants(row))
    expect(likeAfterFilling(catalogue, signatures, check('stain'))).toBeNull()
    expect(likeAfterFilling(catalogue, signatures, check('night'))).toBeNull()
  })

  it('only where too little water moves a check the vessel is taken for its mildest form', () => {
    const { slow, righted } = plantsAfterFilling(catalogue, signatures)
    expect(likeAfterFilling(catalogue, signatures, check('gauge'))).toBe(righted)
    expect(likeAfterFilling(catalogue, signatures, check('lamp'))).toBe(slow)
  })
})

describe('whether it was too slow', () => {
  it('is one question for all readings of a sitting: seven in ten before any', () => {
    expect(stillGone([], 0)).toBeCloseTo(0.7, 12)
    const low = { there: Float64Array.of(Math.log(0.9)), gone: Float64Array.of(Math.log(0.1)) }
    // Bayes' rule by hand: 0.7 × 0.1 beside 0.3 × 0.9, then again
    expect(stillGone([low], 0)).toBeCloseTo(0.07 / (0.07 + 0.27), 12)
    expect(stillGone([low, low], 0)).toBeCloseTo(0.007 / (0.007 + 0.243), 12)
  })

  it('the likelihood is the mean of both, by their shares, however small they are', () => {
    expect(Math.exp(mixed(Math.log(0.9), Math.log(0.1)))).toBeCloseTo(0.3 * 0.9 + 0.7 * 0.1, 12)
    expect(mixed(-3, -3)).toBeCloseTo(-3, 12)
    expect(mixed(-2000, -2001)).toBeCloseTo(-2000 + Math.log(0.3 + 0.7 / Math.E), 9)
  })
})

it('a fault is taken for gone with one share wherever its mildest form stands among its plants', () => {
  const { entry, repair } = scriptedJournal()
  // a fault's own name decides in which order its severities come
  const mildFirst = Array.from({ length: 200 }, (_unused, count) => `flat${count}`).filter((id) => severities({ id }, draws)[0]! < 1 / draws)
  const ids = [mildFirst[0]!, 'flat']
  const own = smallCatalogue({
    faults: [...ids.map((id) => smallFault(id, { lostPressure: true })), smallFault('low', { setByFilling: true, remedies: ['fill'] })],
    checks: [smallCheck('gauge', outcomeOf(['right', 'low']))],
    remedies: [smallRemedy('fill', ['low'])],
  })
  const known = smallSignatures(own, { gauge: [0, 1, 1, 1, 0] })
  const share = (...entries: Entry[]) => ids.map((_id, fault) => believe(own, known, readJournal(own, entries)).likeShare(fault + 1))
  expect(share(entry('complaint', { what: 'any' }))).toEqual([0, 0])
  for (const one of share(repair('fill'))) expect(one).toBeCloseTo(0.7, 12)
})
