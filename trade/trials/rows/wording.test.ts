import { readTimeline, simulate } from '@dewpoint/core/plant'
import { parametersOf, withValues } from '@dewpoint/core/system'
import { describe, expect, it } from 'vitest'
import { checkRows } from '../../checks/index.ts'
import { inFigures } from '../../rows/figures.ts'
import { stockCatalogues, wiredCatalogues } from '../../index.ts'
import { atmosCombi, premixCombi } from '../../systems/index.ts'

const all = [...Object.values(stockCatalogues), ...wiredCatalogues()]

/** What is written in the rows: plain slips that mislead whoever reads them. */
describe.each(all.map((one) => [one.system.id, one] as const))('the words of %s', (_id, { checks, complaints, faults, parts, remedies, runs, system }) => {
  it('give every outcome of a check, and every check and fault, a label of its own', () => {
    for (const { id, result } of checks)
      if (result.kind === 'outcome') expect(new Set(result.outcomes.map((one) => one.label.toLowerCase())).size, id).toBe(result.outcomes.length)
    for (const list of [checks, faults]) {
      const labels = list.map((one) => one.label)
      expect(labels.filter((one, at) => labels.indexOf(one) !== at)).toEqual([])
    }
  })

  it('name parts that this boiler has, and each part of a job once', () => {
    const { layout } = system
    const labels = [checks, faults, remedies, complaints, parts].flatMap((list) => list.map((one) => one.label))
    const named = [...labels, ...remedies.flatMap((one) => [...one.parts, ...one.seals])].map((one) => one.toLowerCase())
    const has = (word: string) => named.filter((one) => one.includes(word))
    // bars behind a panel have no burner door; a store is no cylinder; each boiler’s water switch has its own name
    if (layout.burner === 'atmospheric' || layout.burner === 'pilot') expect(has('burner door')).toEqual([])
    if (layout.hotWater === 'store') expect(has('cylinder').filter((one) => !one.includes('tank or cylinders'))).toEqual([])
    if (layout.waterProof !== 'none') expect(named.filter((one) => /(?<!low-)\bwater switch\b/.test(one))).toEqual([])
    for (const one of remedies) expect(new Set(one.parts).size, one.id).toBe(one.parts.length)
  })

  it('warn of live terminals where they are live, and have it proved dead where it must be', () => {
    for (const { id, situation, access, cautions = [] } of checks) {
      const live = cautions.some((one) => one.startsWith('Live terminals'))
      const dead = cautions.some((one) => /prove(d)? dead/i.test(one))
      if (situation.powerOff) expect([live, access], id).toEqual([false, access === 'live' ? 'not live' : access])
      if (access === 'dead' || (situation.powerOff && access !== 'drained')) expect(dead, id).toBe(true)
      if (access === 'live') expect([live, situation.powerOff === true], id).toEqual([true, false])
    }
  })

  it('measure 24 V on a range for 24 V, and mains by its bands', () => {
    for (const { id, result } of checks)
      if (result.kind === 'number' && result.unit === 'V' && result.instrument.startsWith('voltmeter')) {
        expect(result.range[1] >= 60 ? result.bands : result.width <= 1.5, id).toBeTruthy()
        expect(result.instrument, id).toBe(result.range[1] >= 60 ? 'voltmeter' : 'voltmeterLow')
      }
  })

  it('part what a sound boiler gives from nothing at every plug that is measured', () => {
    for (const { id, result } of checks) {
      if (result.kind !== 'number' || !result.bands || !('run' in result.read)) continue
      const { run, signal, reduce } = result.read
      const sound = readTimeline(
        simulate(
          system,
          withValues(system, {}),
          runs.find((one) => one.id === run)!,
        ),
        signal,
        reduce,
      )
      expect(sound < result.bands[0] / 5 || sound > result.bands[1], `${id}: ${sound} V`).toBe(true)
    }
  })

  it('leave no figure in a step that is one of the model’s own', () => {
    // what a step says of a parameter’s figure must come from the parameter: another model has another
    const own = parametersOf(system).filter(([key, { value }]) => /board\\.|gasValve\\.|fan\\./.test(key) && value > 1 && !Number.isInteger(value / 5))
    for (const { id, how } of checks)
      for (const [key, { value }] of own)
        expect(
          how.some((step) => step.includes(`${value} mbar`) && !step.includes('on this model')),
          `${id}: ${key}`,
        ).toBe(false)
  })
})

describe('figures in steps', () => {
  it('are those of the system', () => {
    const steps = ['at {board.minimumFanSpeed} rev/min', '{2 × pump.shutOff} bar, {vessel.preCharge + 0.2}, {vessel.preCharge − 0.2}', 'no figure']
    expect(inFigures(steps, premixCombi)).toEqual(['at 1300 rev/min', '1.2 bar, 1.2, 0.8', 'no figure'])
  })

  it('that a system does not have leave their step out', () => {
    expect(inFigures(['at {board.minimumFanSpeed} rev/min', 'no figure'], atmosCombi)).toEqual(['no figure'])
  })

  it('stand in no row as written numbers of a model', () => {
    const typed = checkRows.flatMap(({ id, how }) => how.filter((step) => /\d (rev\/min|mbar) on this model/.test(step)).map((step) => `${id}: ${step}`))
    expect(typed).toEqual([])
  })
})
