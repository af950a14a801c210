import type { CheckRow } from '../../rows/row.ts'
import { fullyModulating, premix, pressureProof } from '../../rows/layouts.ts'
import { at, atRest, check, full, heating, hotWater, none, number, oneOf, run, shown, starting, yesNo } from '../kinds.ts'

const water = at('heating', 'waterProved')
const burning = at('main', 'keepsBurning')

/** Read off the display. */
export const displayChecks: CheckRow[] = [
  check(
    'display.dropOut',
    'Does the burner drop out while hot water runs?',
    hotWater,
    {
      kind: 'outcome',
      outcomes: [
        { id: 'yes', label: 'drops out, display pauses' },
        { id: 'no', label: 'keeps burning' },
      ],
      decide: {
        rules: ['full', 'basin'].map((id) => ({
          outcome: 'yes',
          all: [
            { read: run(id, 'flame', 'drops'), above: 0.5 },
            // what locks out is another matter
            { read: run(id, 'code', 'max'), below: 0.5 },
          ],
        })),
        otherwise: 'no',
      },
      confusion: 0.05,
    },
    [
      'Let the tap they complain of run four minutes.',
      'Watch the flow temperature: does the flame go out near {board.highLimit} °C and return below {board.highLimitBack}, or with the tap far too hot?',
    ],
    { minutes: 4, concerns: at('hotWater', 'keepsBurning') },
  ),
  check(
    'display.dropOutHeating',
    'How often does the burner cycle in 15 minutes of heating?',
    heating,
    number('1', run('heating', 'flame', 'drops'), 'counting', 0.7, [0, 14], [0, 60]),
    ['Count, from cold, with every radiator open.'],
    { minutes: 15, concerns: at('heating', 'keepsBurning') },
  ),
  check(
    'display.pressureMoves',
    'Displayed pressure change as the pump starts',
    heating,
    number('bar', shown('heating', 'pressureRise', 'max', { from: 0, to: 60 }), 'displayPressure', 0.04, [-0.1, 0.6], [-1, 1.5]),
    ['Show the pressure on the display, call for heat, read before and after the pump starts.'],
    { minutes: 3, concerns: water, mistake: 'A small rise at pump start is not expansion.', on: pressureProof },
  ),
  check(
    'display.pressure',
    'Pressure on the display, cold',
    none,
    number('bar', shown('idle', 'sensedPressure', 'mean', atRest), 'displayPressure', 0.06, [0, 3.4], [-0.5, 6]),
    ['In the display’s readings. Compare with the gauge: two places, two instruments.'],
    // digits are seldom misread
    { direct: true, concerns: water, sameAs: ['look.gaugeCold'], on: pressureProof },
  ),
  check(
    'display.flowCold',
    'Flow temperature on the display, boiler cold',
    none,
    number('°C', shown('idle', 'flowSensor', 'min'), 'displayTemperature', 1.5, [-40, 150], [-60, 900]),
    ['Should be near the room’s after a night.'],
    { direct: true, concerns: at('main', 'sensorsSane'), on: fullyModulating },
  ),
  check(
    'display.flowHot',
    'Flow temperature on the display, settled',
    starting,
    number('°C', shown('main', 'flowSensor', 'settled'), 'displayTemperature', 3, [-40, 150], [-60, 900]),
    ['In the display’s readings, after four minutes or as the burner drops out.'],
    { minutes: 4, concerns: burning, on: fullyModulating },
  ),
  check(
    'display.returnHot',
    'Return temperature on the display, settled on heating',
    heating,
    number('°C', shown('heating', 'returnSensor', 'settled'), 'displayTemperature', 3, [-40, 150], [-60, 900]),
    ['In the display’s readings.'],
    { minutes: 6, concerns: at('heating', 'keepsBurning') },
  ),
  check(
    'display.hotWaterHot',
    'Hot-water temperature on the display, tap fully open',
    full,
    number('°C', shown('full', 'hotWaterSensor', 'mean', { from: 240 }), 'displayTemperature', 1.5, [-40, 150], [-60, 900]),
    ['In the display’s readings, after four minutes; compare with a thermometer in the stream.'],
    { minutes: 4, concerns: at('hotWater', 'holdsTemperature') },
  ),
  check(
    'display.selfCheck',
    'What does the display do at power-on?',
    none,
    oneOf(
      [
        { id: 'dark', label: 'stays dark', when: [{ read: run('idle', 'displayOn', 'max'), below: 0.5 }] },
        { id: 'checks', label: 'runs its self-check' },
      ],
      0.02,
    ),
    ['Off and on at the isolator once, count ten.'],
    { minutes: 2, on: premix },
  ),
  check(
    'look.display',
    'Is the display, or its lamp, alive?',
    none,
    yesNo({ yes: 'lit', no: 'dead' }, [{ read: run('idle', 'displayOn', 'max'), above: 0.5 }], 0.004),
    ['Spur switched on? Fuse in the spur?'],
    { minutes: 1, direct: true },
  ),
]
