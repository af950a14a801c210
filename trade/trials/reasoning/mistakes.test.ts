import { type Entry, scriptedJournal } from '@dewpoint/core/casebook'
import { diagnose, type Diagnosis, weighJournal } from '@dewpoint/core/diagnosis'
import { at, simulate } from '@dewpoint/core/plant'
import { withValues } from '@dewpoint/core/system'
import { describe, expect, it } from 'vitest'
import { catalogues, stockCatalogues } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

/** Mistakes of the trade that must be caught, one test each. Common practice throughout. */

function think(entries: Entry[], system = 'premix-combi'): Diagnosis {
  const catalogue = catalogues[system]!
  return diagnose(catalogue, loadSignatures(catalogue), entries)
}
const all = Object.values(stockCatalogues)
const check = (id: string, system = 'premix-combi') => catalogues[system]!.checks.find((one) => one.id === id)!
const remedyTexts = () => all.flatMap((one) => one.remedies.flatMap(({ label, steps, cautions }) => [label, ...steps, ...cautions]))
const part = (result: Diagnosis, id: string) => result.parts.find((one) => one.id === id)!

describe('a mistake that is caught', () => {
  it('condemning the plate without minimum rate and thermistor: both stand as look-alikes with a check that tells', () => {
    const { complain, answer } = scriptedJournal()
    const result = think([complain('hotColdHot'), answer('display.dropOut', 'yes')])
    expect(result.verdict).toBeNull()
    const alike = Object.fromEntries(result.lookalikes.map((one) => [one.suspect, one.separatedBy?.check]))
    expect(Object.keys(alike).length).toBeGreaterThan(0)
    for (const separatedBy of Object.values(alike)) expect(separatedBy).toBeTruthy()
    // and the plate is condemned by nobody before the cheap two are answered
    const first = check('measure.flowThermistor')
    const remedy = catalogues['premix-combi']!.remedies.find((one) => one.id === 'plate.replace')!
    expect(remedy.before!.map((one) => one.check)).toEqual(expect.arrayContaining([first.id, 'measure.lowestFanSpeed']))
  })

  it('replacing the wet motor and not the leak: the spindle is on the list of causes, and its mend leaves nothing standing', () => {
    const { complain, answer } = scriptedJournal()
    const result = think([complain('noHotWater'), answer('ask.heating', 'fine'), answer('look.diverterPlug', 'yes'), answer('look.dampDiverter', 'yes')])
    expect(result.suspects[0]!.faults).toContain('diverterMotor.wet')
    expect(result.causes.some((one) => one.lookFor.some((what) => what.toLowerCase().includes('spindle')))).toBe(true)
  })

  it('“it fires when I open the tap” with the keep-warm status is not taken for hot water', () => {
    const { complain, answer } = scriptedJournal()
    const result = think([complain('noHotWater'), answer('ask.heating', 'fine'), answer('display.statusTapOpen', 'keepWarm')])
    expect(result.suspects[0]!.faults[0]).toMatch(/^turbine/)
    expect(check('display.statusTapOpen').mistake).toContain('proves nothing')
  })

  it('reading the vessel with water behind it: doubted, and told', () => {
    const { measure, answer } = scriptedJournal()
    const before = [answer('ask.climbsHot', 'high')]
    const believed = part(think([...before, measure('measure.vesselCharge', 1, 'bar', { demand: 'none', drained: true })]), 'vessel').probability
    const doubted = part(think([...before, measure('measure.vesselCharge', 1, 'bar', { demand: 'none' })]), 'vessel').probability
    expect(doubted).toBeGreaterThan(2 * believed)
    expect(check('measure.vesselCharge').mistake).toContain('water')
  })

  it('bridging the air switch: nobody is told to, and the board’s own proof at rest finds it', () => {
    expect(remedyTexts().join('\n')).not.toMatch(/\b(bridge|link out|bypass) the (air|pressure|overheat)/i)
    const { system } = catalogues['atmos-combi']!
    const timeline = simulate(system, withValues(system, { 'airSwitch.stuck': 1 }), { heating: true, tap: 0, seconds: 120 })
    expect(at(timeline, 100, 'flame')).toBe(0)
    expect(system.codes[at(timeline, 100, 'code') - 1]?.id).toBe('airRest')
  })

  it('leaving the filling loop open: a state of its own with a look that finds it', () => {
    for (const one of all) expect(one.faults.some((fault) => fault.id === 'fillingLoop.leftOpen')).toBe(true)
    const { answer, measure } = scriptedJournal()
    expect(think([measure('look.gaugeCold', 2.9, 'bar'), answer('look.fillingLoop', 'open')]).suspects[0]!.faults).toContain('fillingLoop.leftOpen')
  })

  it('changing the board first: it leads no complaint', () => {
    const { complain } = scriptedJournal()
    for (const one of all) {
      for (const complaint of one.complaints.filter((each) => !each.danger)) {
        // only the belief is asked for: what follows from it takes longest
        const { signatures, belief } = weighJournal(one, loadSignatures(one), [complain(complaint.id)])
        const leader = signatures.sets[belief.posterior.indexOf(Math.max(...belief.posterior))] ?? []
        const key = leader.map((fault) => one.faults[fault]!.id).join('+')
        expect(key, `${one.system.id} ${complaint.id}`).not.toMatch(/^board\.(gasDriveDead|fanDriveDead|pumpDriveDead|diverterDriveDead)$/)
      }
    }
  })

  it('measuring on the wrong range: the range to set is known', () => {
    for (const one of all) {
      const meter = one.instruments.find((each) => each.id === 'multimeter')!
      const wanted = meter.ranges!.find((range) => range.unit === 'kΩ' && range.upTo >= 2.5)
      expect(wanted).toEqual({ unit: 'kΩ', upTo: 20 })
    }
    expect(check('measure.flowThermistor').how.join(' ')).toContain('20 kΩ')
  })

  it('trusting a first glance: a reading repeated and different weighs less than two that agree', () => {
    const { complain, answer, measure } = scriptedJournal()
    const sixty = { powerOff: true, temperature: { value: 60, unit: '°C' } }
    const before = [complain('hotColdHot'), answer('display.dropOut', 'yes')]
    const agree = think([...before, measure('measure.flowThermistor', 1.9, 'kΩ', sixty), measure('measure.flowThermistor', 1.9, 'kΩ', sixty)])
    const apart = think([...before, measure('measure.flowThermistor', 1.9, 'kΩ', sixty), measure('measure.flowThermistor', 2.6, 'kΩ', sixty)])
    expect(part(agree, 'flowThermistor').probability).toBeGreaterThan(part(apart, 'flowThermistor').probability)
  })

  it('trusting the last digit: 1 % of a resistance moves nothing', () => {
    const { complain, answer, measure } = scriptedJournal()
    const sixty = { powerOff: true, temperature: { value: 60, unit: '°C' } }
    const before = [complain('hotColdHot'), answer('display.dropOut', 'yes')]
    const [a, b] = [2.46, 2.485].map((kiloohms) => part(think([...before, measure('measure.flowThermistor', kiloohms, 'kΩ', sixty)]), 'plate').probability)
    expect(Math.abs(a! - b!)).toBeLessThan(0.02)
  })

  it('two clamps on one pipe: an outlet hotter than its inlet is refused', () => {
    const { complain, measure } = scriptedJournal()
    const result = think([complain('hotColdHot'), measure('measure.platePrimaryIn', 82, '°C'), measure('measure.platePrimaryOut', 86, '°C')])
    expect(result.refused[0]!.why).toContain('one pipe')
  })

  it('the rise at pump start is not expansion: the plant has it at once, and the checks say so', () => {
    const { system } = catalogues['premix-combi']!
    const timeline = simulate(system, withValues(system, {}), { heating: true, tap: 0, seconds: 30 })
    const started = Array.from({ length: timeline.rows }, (_unused, row) => at(timeline, row, 'gauge'))
    expect(Math.max(...started) - started[0]!).toBeGreaterThan(0.1)
    expect(check('try.climbHot').mistake).toContain('pump start')
  })

  it('topping up weekly instead of finding the leak: short of water has causes to find', () => {
    const { complain, measure, answer } = scriptedJournal()
    const result = think([complain('nothing'), measure('look.gaugeCold', 0.2, 'bar'), answer('look.display', 'yes')])
    const low = result.causes.find((one) => one.fault === 'water.low')
    expect(low?.lookFor.length ?? 0).toBeGreaterThan(1)
  })

  it('clearing a fault because it works on arrival: “working at the moment” clears nothing', () => {
    const { entry, answer } = scriptedJournal()
    const complaint = entry('complaint', { what: 'noHotWater', pattern: 'workedOnArrival' })
    const result = think([complaint, answer('display.sequenceHotWater', 'complete')])
    expect(result.open.map((one) => one.complaint)).toContain('noHotWater')
    expect(result.closing).toEqual(['No repair recorded.', 'No hot water: not explained.'])
  })

  it('calling a part bad whose feed is dead: it stays untested', () => {
    const { complain, measure, answer } = scriptedJournal()
    const result = think([
      complain('noHotWater'),
      answer('ask.heating', 'none'),
      measure('measure.fanSupply', 0, 'V', { demand: 'hotWater' }),
      answer('look.fanTurns', 'no'),
    ])
    expect(part(result, 'fan').state).toBe('untested')
    expect(result.verdict?.part).not.toBe('fan')
  })

  it('stopping at the first fault: a complaint the mended part does not explain stays open', () => {
    const { complain, answer, measure, repair } = scriptedJournal()
    const result = think([
      complain('noHotWater'),
      complain('noHeating'),
      measure('measure.hallPulses', 0, 'Hz'),
      repair('turbine.whole'),
      answer('display.sequenceHotWater', 'complete'),
    ])
    expect(result.open.map((one) => one.complaint)).toEqual(['noHeating'])
  })

  it('closing without running the failed demand: barred', () => {
    const { complain, repair } = scriptedJournal()
    expect(think([complain('noHotWater'), repair('turbine.whole')]).closing.join(' ')).toContain('run that demand')
  })

  it('a reading that cannot be true is refused, not believed', () => {
    const { measure } = scriptedJournal()
    const result = think([measure('look.gaugeCold', 16, 'bar'), measure('measure.tapTemperature', 180, '°C')])
    expect(result.refused).toHaveLength(2)
  })

  it('forgetting the cap before flushing: the remedy says it first', () => {
    for (const id of ['exchanger.flush', 'exchanger.brush'])
      expect(catalogues['premix-combi']!.remedies.find((one) => one.id === id)!.steps.join(' ')).toContain('Cap the openings above the board')
  })
})
