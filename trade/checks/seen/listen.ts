import type { CheckRow } from '../../rows/row.ts'
import { electric } from '../../rows/layouts.ts'
import { at, check, cue, full, heating, hotWater, none, oneOf, parameter, run, starting, yesNo } from '../kinds.ts'

const lit = at('main', 'lit')
const air = at('main', 'airProved')
const water = at('heating', 'waterProved')
const burning = at('main', 'keepsBurning')

/** Heard or felt. */
export const listenChecks: CheckRow[] = [
  check('listen.fanHum', 'Fan hums but does not blow', starting, cue(0.03), ['An ear to the case as it starts.'], { concerns: air }),
  check(
    'listen.fan',
    'Fan heard as it starts',
    starting,
    {
      ...oneOf(
        [
          { id: 'no', label: 'silent, or only a hum', when: [{ read: run('main', 'fanSpeed', 'max'), below: 300 }] },
          { id: 'whines', label: 'runs, whines or rattles', when: [{ read: parameter('fan.unbalanced'), above: 0.5 }] },
          { id: 'yes', label: 'runs smoothly' },
        ],
        [0.05, 0.15, 0.05],
      ),
    },
    ['An ear to the case, or a hand on the flue elbow.'],
    { concerns: air },
  ),
  check(
    'listen.airClick',
    'Air switch clicks over as the fan runs up',
    starting,
    yesNo(
      { yes: 'a click', no: 'none' },
      [
        { read: run('main', 'airSwitchRest', 'min'), below: 0.5 },
        { read: run('main', 'airSwitchRest', 'max', { to: 20 }), above: 0.5 },
      ],
      0.1,
    ),
    ['An ear to the case: a small click a second or two after the fan.'],
    { concerns: air },
  ),
  check(
    'listen.spark',
    'Sparking heard while it tries to light',
    starting,
    oneOf(
      [
        { id: 'yes', label: 'ticking', when: [{ read: run('main', 'sparkOn', 'max'), above: 0.5 }] },
        {
          id: 'yes',
          label: 'ticking',
          when: [
            { read: parameter('ignition.tracks'), above: 0.5 },
            { read: run('main', 'gasValveVolts', 'max'), above: 15 },
          ],
        },
        { id: 'no', label: 'silent' },
      ],
      0.07,
    ),
    ['Just after the purge, for five seconds.'],
    { concerns: lit },
  ),
  check(
    'listen.gasValve',
    'Does the gas valve pull in?',
    starting,
    yesNo(
      { yes: 'clunk, or indicator turns', no: 'nothing' },
      [
        { read: run('main', 'gasValveVolts', 'max'), above: 15 },
        { read: parameter('gasValve.coil'), above: 0.5 },
      ],
      0.1,
    ),
    ['A finger on the valve as it tries, or a magnetic indicator at the coil, proved on a magnet first.'],
    { access: 'caseOff', concerns: lit },
  ),
  check(
    'listen.pump',
    'Pump felt turning on a call for heat',
    heating,
    {
      ...oneOf(
        [
          { id: 'yes', label: 'a steady hum of flow', when: [{ read: run('heating', 'waterFlow', 'max'), above: 3 }] },
          {
            id: 'hums',
            label: 'hums, its shaft still',
            when: [
              { read: run('heating', 'pumpVolts', 'max'), above: 100 },
              { read: parameter('pump.shaft'), below: 0.5 },
            ],
          },
          ...[
            { read: parameter('pump.windingResistance'), below: 1 },
            { read: parameter('pump.electronics'), above: 0.5 },
          ].map((sound) => ({ id: 'runsDry', label: 'runs, no rush of water', when: [{ read: run('heating', 'pumpVolts', 'max'), above: 100 }, sound] })),
          { id: 'silent', label: 'silent and cold' },
        ],
        0.08,
      ),
      once: [{ id: 'no', label: 'still, or only humming', means: ['hums', 'runsDry', 'silent'] }],
    },
    ['A screwdriver blade on the body, handle to the ear.'],
    { concerns: water },
  ),
  check(
    'listen.flowStored',
    'Rush of water at the pump while the store calls',
    hotWater,
    yesNo({ yes: 'a steady rush', no: 'little or nothing' }, [{ read: run('stored', 'waterFlow', 'max'), above: 5.5 }], 0.08),
    ['A screwdriver blade on the body, handle to the ear.'],
    { concerns: at('hotWater', 'waterProved'), on: electric },
  ),
  check('listen.cavitation', 'Pump rattles as if full of gravel', heating, cue(0.03), ['Air or starved suction. Hoses jump.'], { concerns: water }),
  check('listen.gurgle', 'Gurgling in the burner chamber', starting, cue(0.03), ['As the fan runs up: water being stirred.'], {
    minutes: 1,
    concerns: burning,
  }),
  check('listen.kettling', 'Kettling as it heats', heating, cue(0.05), ['A rumble like a kettle before it boils.'], {
    minutes: 3,
    concerns: at('heating', 'keepsBurning'),
  }),
  check('listen.resonance', 'Drone on firing', starting, cue(0.03), ['At which rate? Hold the rate in the test function.'], { minutes: 3, concerns: burning }),
  check('listen.loopHiss', 'Hiss at the filling loop, all handles shut', none, cue(0.02), ['A blade on the valve body, handle to the ear.']),
  check(
    'listen.turbine',
    'Turbine heard whirring as the tap opens',
    full,
    yesNo({ yes: 'whirrs', no: 'nothing' }, [{ read: run('full', 'turbineFlow', 'max'), above: 3 }], 0.12),
    ['Blade on the sensor housing, handle to the ear, tap opened and shut.'],
    { minutes: 2, concerns: at('hotWater', 'tapSeen') },
  ),
]
