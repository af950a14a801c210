import type { CheckRow } from '../../rows/row.ts'
import { withPilot } from '../../rows/layouts.ts'
import { at, check, dead, heating, hotWater, live, none, number, off, ohms, oneOf, parameter, run, state, volts } from '../kinds.ts'

const sane = at('main', 'sensorsSane')
const opened: Partial<CheckRow> = { access: 'caseOff' }
const fanned = { ...opened, cautions: [live] }

/** Limits, board, supply, elements: opened up or measured. */
export const boardChecks: CheckRow[] = [
  check(
    'measure.overheat',
    'Overheat device, continuity',
    off,
    {
      ...oneOf(
        [
          { id: 'failed', label: 'open, stays open cold and reset', when: [{ read: parameter('overheat.failed'), above: 0.5 }] },
          { id: 'resets', label: 'open, resets', when: [{ read: parameter('overheat.open'), above: 0.5 }] },
          { id: 'made', label: 'closed' },
        ],
        [0.02, 0.02, 0.0002],
      ),
      once: [{ id: 'open', label: 'open', means: ['failed', 'resets'] }],
    },
    ['Leads off, meter across its two tabs, boiler cold.', 'Open: find why before it is reset.'],
    { ...opened, cautions: [dead, 'Never bridge a safety device to make it run.'], direct: true, concerns: sane },
  ),
  check(
    'measure.controlStat',
    'Control thermostat, continuity when cold',
    off,
    state({ id: 'made', label: 'closed' }, { id: 'open', label: 'open' }, 'controlStat.open', { above: 0.5 }, 0.02),
    ['Leads off, knob at its highest, boiler cold.'],
    { ...opened, cautions: [dead], direct: true, concerns: at('heating', 'limitsMade') },
  ),
  check(
    'measure.controlStatAt',
    'Pipe temperature at which the control thermostat opens',
    heating,
    number('°C', run('heating', 'flowTemperature', 'max'), 'clamp', 3, [20, 110], [0, 130]),
    ['Clamp on the flow beside the boiler, knob as set, read as the burner goes out.'],
    { minutes: 12, concerns: at('heating', 'keepsBurning'), on: withPilot },
  ),
  check('look.controlKnob', 'Control thermostat’s knob', none, number('°C', parameter('controlStat.setting'), 'dial', 2.5, [40, 90], [0, 120]), ['As found.'], {
    minutes: 1,
    direct: true,
    concerns: at('heating', 'limitsMade'),
  }),
  check(
    'look.phial',
    'Thermostat phials in their pockets',
    off,
    state({ id: 'in', label: 'in its pocket' }, { id: 'out', label: 'slipped out' }, 'controlStat.readsHigh', { below: -12 }),
    ['Push them home, clip on.'],
    { ...opened, cautions: [dead], direct: true, concerns: at('heating', 'limitsMade') },
  ),
  check(
    'measure.boardFuse',
    'Board’s internal fuse, continuity',
    off,
    state({ id: 'whole', label: 'closed' }, { id: 'blown', label: 'open' }, 'board.power', { below: 0.5 }, 0.02),
    ['Fuse out, meter across it.', 'Blown: find the short, usually water, before fitting another.'],
    { ...opened, minutes: 4, cautions: [dead], direct: true },
  ),
  check(
    'measure.supply',
    'Voltage at the boiler’s supply terminals',
    none,
    volts(run('idle', 'supplyVolts', 'max')),
    ['Live to neutral, live to earth, neutral to earth.'],
    {
      ...fanned,
    },
  ),
  check(
    'measure.elementCurrent',
    'Current to the elements',
    hotWater,
    number('A', run('stored', 'elementCurrent', 'max'), 'clampMeter', 1, [0, 50], [0, 200]),
    ['Clamp round the live tail, store cold, full call. 39 A for 9 kW.'],
    { ...fanned, direct: true, concerns: at('hotWater', 'lit') },
  ),
  check(
    'measure.elementsWhole',
    'Elements, each by itself, resistance',
    off,
    number('1', parameter('elements.whole'), 'counting', 0.25, [0, 4], [0, 12]),
    ['Links off, meter on 200 Ω: about 18 Ω each. How many are whole?'],
    { ...opened, minutes: 6, cautions: [dead], direct: true, concerns: at('hotWater', 'lit') },
  ),
  check(
    'measure.elementInsulation',
    'Elements to earth, insulation test',
    off,
    {
      kind: 'number',
      unit: 'MΩ',
      read: parameter('elements.insulation'),
      instrument: 'insulation',
      width: 0.25,
      scale: 'log',
      range: [0.01, 200],
      possible: [0, 5000],
    },
    ['Board unplugged first. Below 1 MΩ: do not power it.'],
    { ...opened, minutes: 6, cautions: [dead, 'Test voltage: nobody touches the leads.'], direct: true, concerns: at('hotWater', 'lit') },
  ),
  check(
    'measure.contactorVolts',
    'Voltage at the contactor coil',
    hotWater,
    volts(run('stored', 'elementVolts', 'max')),
    ['While the call lamp is lit and flow is proved.'],
    {
      ...fanned,
      concerns: at('hotWater', 'lit'),
    },
  ),
  check('measure.contactorCoil', 'Contactor coil resistance', off, ohms('contactor.coilResistance', [0.2, 10_000]), ['Leads off, across the coil.'], {
    ...opened,
    cautions: [dead],
    direct: true,
    concerns: at('hotWater', 'lit'),
  }),
  check(
    'look.overheatPhial',
    'Overheat device’s phial in its pocket',
    off,
    state({ id: 'in', label: 'in its pocket' }, { id: 'out', label: 'slipped out: no protection' }, 'overheat.phialOut', { above: 0.5 }, 0.03),
    ['Push it home, clip on. Out of its pocket it protects nothing.'],
    { ...opened, cautions: [dead], direct: true, concerns: at('heating', 'limitsMade') },
  ),
  check(
    'try.controlStatOpens',
    'Control thermostat turned down hot: does it open?',
    heating,
    state({ id: 'opens', label: 'opens' }, { id: 'stays', label: 'stays closed' }, 'controlStat.stuckClosed', { above: 0.5 }, 0.02),
    ['Boiler hot, knob slowly down past the water’s temperature: a click, the burner goes out.'],
    { minutes: 3, direct: true, concerns: at('heating', 'limitsMade') },
  ),
  check(
    'look.boardMarks',
    'Board: water marks, burnt tracks, bulged parts',
    off,
    state({ id: 'clean', label: 'clean and dry' }, { id: 'wet', label: 'water marks or a burnt track' }, 'board.wet', { above: 0.5 }, 0.05),
    ['Both sides, under the connectors. What wetted it?'],
    { ...opened, minutes: 3, cautions: [dead], direct: true },
  ),
  check(
    'try.boardTapped',
    'Board tapped and its joints looked at through a glass: does it come and go?',
    none,
    state({ id: 'steady', label: 'no difference' }, { id: 'comes', label: 'cracked joint, or comes and goes' }, 'board.dryJoint', { above: 0.5 }, 0.15),
    ['An insulated stick at the relays and plugs while it runs; then dead, with a glass.'],
    { ...fanned, minutes: 10, direct: true },
  ),
  check(
    'look.boardSettings',
    'Is the board set up for this model and gas?',
    none,
    state({ id: 'right', label: 'for this one' }, { id: 'other', label: 'for another' }, 'board.otherModel', { above: 0.5 }, 0.04),
    ['Codes or switches against the plate.'],
    { minutes: 4, direct: true, needs: 'gasValve' },
  ),
  check(
    'measure.neutralEarth',
    'Neutral to earth at the boiler’s supply',
    none,
    state({ id: 'joined', label: 'next to nothing' }, { id: 'floats', label: 'floats: neutral lost' }, 'supply.neutral', { below: 0.5 }, 0.03),
    ['With the spur on. A neon on a spur proves no neutral.'],
    { ...fanned, direct: true },
  ),
  check(
    'measure.outdoorSensor',
    'Outdoor temperature on the display less a thermometer beside the sensor',
    none,
    number('K', parameter('outdoorSensor.readsHigh'), 'airThermometer', 1.5, [-10, 40], [-80, 80]),
    ['Where one is fitted. Sun on it, or a wall that is warm behind it?', 'Right there: then look at the curve.'],
    { minutes: 4, direct: true, concerns: at('heating', 'radiatorsWarm') },
  ),
]
