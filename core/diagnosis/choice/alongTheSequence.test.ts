import { describe, expect, it } from 'vitest'
import { scriptedJournal, type Entry } from '../../casebook/index.ts'
import type { Stage } from '../../system/index.ts'
import { readJournal } from '../evidence/index.ts'
import { outcomeOf, smallCatalogue, smallCheck, smallFault } from '../tests/testCatalogue.ts'
import type { CheckOrder } from '../catalogue/index.ts'
import { placeOf, tracingOrder } from './alongTheSequence.ts'

const stages = (...ids: string[]) => ids.map((id) => ({ id, label: id })) as Stage[]
const yesNo = outcomeOf(['no', 'yes'])
const at = (demand: 'heating' | 'hotWater', stage: string) => ({ concerns: { demand, stage } })
const run = outcomeOf(['timer', 'call', 'fan', 'lit', 'warm', 'complete'])
const catalogue = smallCatalogue({
  faults: [smallFault('any')],
  checks: [
    smallCheck('runHeating', run, { runsThrough: 'heating', ...at('heating', 'timer') }),
    smallCheck('askHeating', yesNo, { settledBy: ['runHeating'] }),
    smallCheck('supply', yesNo, { along: { place: 0 } }),
    smallCheck('timerOutput', yesNo, { along: { place: 0.25, demand: 'heating' }, ...at('heating', 'timer') }),
    smallCheck('stat', yesNo, { along: { place: 0.5, demand: 'heating' }, ...at('heating', 'call') }),
    smallCheck('core', yesNo, { along: { place: 0.75 } }),
    smallCheck('boilerTerminal', yesNo, { along: { place: 1, demand: 'heating' }, ...at('heating', 'call') }),
    smallCheck('storeStat', yesNo, { along: { place: 0.5, demand: 'hotWater' }, ...at('hotWater', 'call') }),
    smallCheck('fanTurns', yesNo, at('hotWater', 'fan')),
    smallCheck('flame', yesNo, at('heating', 'lit')),
    smallCheck('radiator', yesNo, at('heating', 'warm')),
    smallCheck('sludge', yesNo),
  ],
  complaints: [{ id: 'cold', label: 'Cold', evidence: [{ check: 'askHeating', outcome: 'no' }] }],
})
catalogue.system = {
  ...catalogue.system,
  sequence: { heating: stages('timer', 'call', 'fan', 'lit', 'warm'), hotWater: stages('timer', 'call', 'fan', 'lit', 'store') },
}
const { complain, answer } = scriptedJournal()
const cold = complain('cold')
/** nothing known of where it stops: as likely anywhere */
const anywhere = { joint: () => ({ joint: new Float64Array(6).fill(1 / 6), size: 6 }) }
const traced = (order: Exclude<CheckOrder, 'telling'>, ...entries: Entry[]) =>
  tracingOrder(
    catalogue,
    readJournal(catalogue, [cold, ...entries]),
    anywhere,
    catalogue.checks.map((check) => ({ check })),
    order,
    () => 0,
  ).map((one) => one.check.id)
const atCall = answer('runHeating', 'call')

describe('tracing along the sequence', () => {
  it('how far it gets is seen first', () => {
    expect(traced('forward')[0]).toBe('runHeating')
    expect(traced('backward')[0]).toBe('runHeating')
  })

  it('backwards begins at the last stage known not to be reached and walks upstream, terminal by terminal', () => {
    expect(traced('backward', atCall).slice(1)).toEqual(['boilerTerminal', 'core', 'stat', 'timerOutput', 'supply', 'fanTurns', 'flame', 'radiator'])
  })

  it('forwards mirrors it', () => {
    expect(traced('forward', atCall).slice(1)).toEqual(['supply', 'timerOutput', 'stat', 'core', 'boilerTerminal', 'fanTurns', 'flame', 'radiator'])
    const back = traced('backward', atCall).slice(1, 6)
    expect(traced('forward', atCall).slice(1, 6)).toEqual([...back].reverse())
  })

  it('what lies behind the stage that is not reached comes last', () => {
    expect(traced('backward', answer('runHeating', 'fan')).slice(1, 4)).toEqual(['fanTurns', 'boilerTerminal', 'core'])
    expect(traced('backward', answer('runHeating', 'fan')).slice(-2)).toEqual(['flame', 'radiator'])
    expect(traced('backward', answer('runHeating', 'complete'))[1]).toBe('radiator')
  })

  it('the terminals of the other demand are none of this one; the burner is', () => {
    expect(traced('backward', atCall)).not.toContain('storeStat')
    const place = (id: string) =>
      placeOf(
        catalogue,
        catalogue.checks.find((one) => one.id === id)!,
        'heating',
      )
    expect(place('storeStat')).toBeNull()
    expect(place('fanTurns')).toBe(2)
    expect(place('sludge')).toBeNull()
  })
})
