import type { Entry } from '@dewpoint/core/casebook'
import {
  believe,
  type ProbeSpec,
  readJournal,
  diagnose,
  nextProbes,
  payloadOf,
  probing,
  probeProblem,
  specOf,
  probed,
  wiredWith,
} from '@dewpoint/core/diagnosis'
import { probeColumn } from '@dewpoint/core/diagnosis/signatures'
import { describe, expect, it } from 'vitest'
import { catalogueFor } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'
import fc from 'fast-check'

const catalogue = catalogueFor('system-boiler', 'two-valves')!
const scheme = catalogue.system.controls!
const signatures = loadSignatures(catalogue)
const index = (id: string) => catalogue.faults.findIndex((one) => one.id === id)
const calling = { programmed: { heating: true, hotWater: true }, cold: { hotWater: true } }
const volts = (over: string, asked: ProbeSpec['asked'] = calling): ProbeSpec => ({ kind: 'volts', over, under: 'supply.N', meter: 'tester', asked })

let count = 0
const entry = (type: Entry['type'], payload: object) =>
  ({
    id: `01934a00-0000-7000-8000-${String(++count).padStart(12, '0')}`,
    at: `2026-03-01T09:${String(count).padStart(2, '0')}:00Z`,
    author: 'test',
    schema: 1,
    type,
    payload,
  }) as Entry
const reading = (spec: ProbeSpec, value: number) => entry('reading', { check: 'probe.volts', value, unit: 'V', ...payloadOf(spec) })

describe('a meter between two terminals', () => {
  it('is written into a journal and read back as it was', () => {
    const bool = fc.boolean()
    fc.assert(
      fc.property(bool, bool, bool, bool, bool, fc.constantFrom('multimeter' as const, 'tester' as const), (heating, hotWater, on, stored, isolated, meter) => {
        const spec: ProbeSpec = {
          kind: isolated ? 'continuity' : 'volts',
          over: 'roomStat.call',
          under: 'supply.N',
          meter,
          asked: {
            programmed: { heating: on, hotWater: stored },
            cold: { heating, hotWater },
            ...(isolated && { isolated }),
            ...(heating && { moved: [{ conductor: 'heatingMotorCore', end: 'from' as const, terminal: 'programmer.hotWaterOn' }] }),
          },
        }
        expect(specOf(isolated ? 'probe.continuity' : 'probe.volts', { check: 'probe.volts', ...payloadOf(spec) })).toEqual(spec)
      }),
    )
  })

  it('is refused where it cannot be taken, with why', () => {
    expect(probeProblem(scheme, volts('roomStat.call'))).toBeNull()
    expect(probeProblem(scheme, volts('supply.N'))).toContain('Both probes are on one terminal')
    expect(probeProblem(scheme, volts('roomStat.wall'))).toContain('is not a terminal of Two 2-port valves')
    expect(probeProblem(scheme, { ...volts('roomStat.call'), kind: 'continuity' })).toContain('Continuity is tested dead')
    expect(probeProblem(scheme, volts('roomStat.call', { ...calling, isolated: true }))).toContain('voltage is measured live')
    const { refused, evidence } = readJournal(catalogue, [reading({ ...volts('roomStat.call'), under: 'roomStat.call' }, 230)])
    expect([refused.length, evidence.length]).toEqual([1, 0])
  })

  it('reads under every single and pair what that system, wired up by itself, reads', () => {
    const spec = volts('hotWaterValve.motor')
    const column = probeColumn(catalogue, signatures, spec)
    const rows = [1, 20, 77, 140, 900, 3100, 7000, signatures.sets.length - 1]
    for (const row of rows) expect(column[signatures.first[row]!]).toBeCloseTo(probed(wiredWith(catalogue, signatures.sets[row]!, spec.asked), spec), 1)
    const pair = signatures.rowOf.get([index('cylinderStat.doesNotClose'), index('hotWaterValve.endSwitchDead')].sort((a, b) => a - b).join(','))!
    expect(column[signatures.first[pair]!]).toBeCloseTo(0, 0)
  })

  it('live on motor and permanent live, none switched: the valve above 90 % together; what no probe shows keeps its odds', () => {
    const complaint = [entry('complaint', { what: 'noStoredHotWater', pattern: 'always' }), entry('reading', { check: 'ask.heating', outcome: 'fine' })]
    const before = believe(catalogue, signatures, readJournal(catalogue, complaint))
    const entries = [
      ...complaint,
      reading(volts('hotWaterValve.switched'), 0),
      reading(volts('hotWaterValve.motor'), 230),
      reading(volts('hotWaterValve.live'), 229),
    ]
    const { parts } = diagnose(catalogue, signatures, entries)
    const of = (id: string) => parts.find((one) => one.id === id)!.probability
    expect(of('hotWaterValveHead') + of('hotWaterValveBody')).toBeGreaterThan(0.9)
    const after = believe(catalogue, signatures, readJournal(catalogue, entries))
    const ratio = (belief: typeof after) => belief.posterior[1 + index('vessel.lostCharge')]! / belief.posterior[1 + index('fan.seized')]!
    expect(ratio(after)).toBeCloseTo(ratio(before), 6)
  })

  it('says what it should read healthy and per suspect, and which terminal is worth probing next', () => {
    const { healthy, expected } = probing(catalogue, signatures, [], volts('boiler.demand'))
    expect(healthy.volts).toBeCloseTo(230, -1)
    expect(expected.length).toBeGreaterThan(2)
    const order = (kind: 'forward' | 'backward') => nextProbes(catalogue, signatures, [], 'hotWater', kind, calling).map((one) => one.spec.over)
    const forward = order('forward')
    expect(forward.length).toBeGreaterThan(2)
    expect(order('backward')).toEqual([...forward].reverse())
    expect(order('backward')[0]).toBe('boiler.demand')
    const [first] = order('backward')
    expect(nextProbes(catalogue, signatures, [reading(volts(first!), 0)], 'hotWater', 'backward', calling).map((one) => one.spec.over)).not.toContain(first)
  })

  it('with a wire moved to an output proved live tells the valve from what is before it', () => {
    const moved = { ...calling, moved: [{ conductor: 'hotWaterMotorCore', end: 'from' as const, terminal: 'programmer.heatingOn' }] }
    const spec = volts('hotWaterValve.switched', moved)
    const read = (id: string) => probed(wiredWith(catalogue, [index(id)], moved), spec)
    expect(read('cylinderStat.doesNotClose')).toBeGreaterThan(220)
    expect(read('hotWaterValve.motorDead')).toBeLessThan(5)
  })
})
