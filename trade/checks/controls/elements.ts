import type { CheckRow } from '../../rows/row.ts'
import { electric } from '../../rows/layouts.ts'
import { at, check, dead, hotWater, live, none, number, off, oneOf, parameter, run, state } from '../kinds.ts'

const lit = at('hotWater', 'lit')
const tested: Partial<CheckRow> = { access: 'caseOff', cautions: [live], direct: true }

/** The heavy side of an electric boiler. */
export const elementChecks: CheckRow[] = [
  check(
    'measure.powerVolts',
    'Voltage at the tails of the boiler’s own circuit',
    none,
    state({ id: 'there', label: '230 V' }, { id: 'none', label: 'none' }, 'power.live', { below: 0.5 }, 0.02),
    ['At the boiler’s own isolator, live to neutral, live to earth.'],
    { ...tested, concerns: lit },
  ),
  check(
    'look.terminals',
    'Terminals of the heavy supply',
    off,
    state({ id: 'tight', label: 'tight and bright' }, { id: 'burnt', label: 'burnt or loose' }, 'power.terminals', { below: 0.5 }, 0.04),
    ['Brown insulation, a smell; each one torqued.'],
    { access: 'caseOff', minutes: 4, cautions: [dead], direct: true, concerns: lit },
  ),
  check(
    'measure.elementsUnasked',
    'Current to the elements with nothing calling',
    none,
    number('A', run('idle', 'elementCurrent', 'max'), 'clampMeter', 1, [0, 50], [0, 200]),
    ['Clamp round the live tail. Anything there: its own breaker off at once.'],
    { access: 'caseOff', cautions: [live], direct: true, concerns: lit },
  ),
  check(
    'measure.elementVolts',
    'Voltage across each element while the store calls',
    hotWater,
    oneOf(
      [
        { id: 'none', label: 'across none', when: [{ read: run('stored', 'elementVolts', 'max'), below: 100 }] },
        { id: 'some', label: 'across some only', when: [{ read: parameter('board.stages'), below: 2.95 }] },
        { id: 'all', label: 'across every one' },
      ],
      0.03,
    ),
    ['Across the element’s own two ends: volts and no current is an open element, no volts is its stage or the contactor.'],
    { access: 'caseOff', minutes: 4, cautions: [live], concerns: lit, on: electric },
  ),
]
