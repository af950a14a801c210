import type { CheckRow } from '../../rows.ts'
import { at, caseOff, check, dead, heating, live, number, off, oneOf, parameter, run, starting, volts, yesNo } from '../kinds.ts'

const air = at('main', 'airProved')
const burning = at('main', 'keepsBurning')
const opened: Partial<CheckRow> = { access: 'caseOff' }
const fanned = { ...opened, cautions: [live] }
const premix = ['premix-combi', 'coil-combi', 'system-boiler', 'zone-24v']

/** Fan, air switch, tubes: opened up or measured. */
export const airChecks: CheckRow[] = [
  check(
    'measure.lowestFanSpeed',
    'Fan speed at the lowest rate',
    heating,
    number('rev/min', parameter('board.minimumFanSpeed'), 'display', 40, [800, 4500], [0, 12_000]),
    ['Put the board into its lowest-rate test function.', 'Read the fan speed on the display; compare with the plate: 1300 rev/min on this model.'],
    { direct: true, concerns: burning },
  ),
  check(
    'measure.fanSupply',
    'Supply at the fan plug while it should purge',
    starting,
    volts(run('main', 'fanVolts', 'max')),
    ['Across the two supply pins of the plug, not the speed wires.'],
    { ...fanned, minutes: 2, concerns: air },
  ),
  check(
    'look.fanTurns',
    'Fan seen turning while supplied',
    starting,
    oneOf(
      [
        { id: 'no', label: 'stands still', when: [{ read: run('main', 'fanSpeed', 'max'), below: 150 }] },
        { id: 'slow', label: 'barely turns', when: [{ read: run('main', 'fanSpeed', 'max'), below: 1800 }] },
        { id: 'yes', label: 'turns' },
      ],
      // what turns is not seen to stand still
      [0.03, 0.03, 0.001],
    ),
    ['Torch at the inlet grille as the board calls for purge.'],
    { ...opened, minutes: 1, cautions: ['Rotating parts.', caseOff], direct: true, concerns: air },
  ),
  check(
    'measure.tacho',
    'Fan speed on the display while it purges',
    starting,
    number('rev/min', run('main', 'tacho', 'atTry'), 'display', 100, [0, 6500], [0, 12_000]),
    ['Fan speed in the display’s readings, highest while it tries to start.'],
    { minutes: 2, concerns: air, systems: premix },
  ),
  check(
    'measure.airSwitchRest',
    'Air switch, common to normally-closed, fan at rest',
    off,
    oneOf(
      [
        { id: 'open', label: 'open', when: [{ read: run('idle', 'airSwitchRest', 'max'), below: 0.5 }] },
        { id: 'made', label: 'made' },
      ],
      0.02,
    ),
    ['Leads off, meter on continuity.', 'Open at rest: it is stuck closed, or someone has meddled with it.'],
    { ...opened, cautions: [dead, 'Never join its contacts to make the boiler run.'], direct: true, concerns: at('main', 'airAtRest') },
  ),
  check(
    'measure.airSwitchRunning',
    'Air switch, common to normally-open, fan running',
    starting,
    yesNo({ yes: 'makes', no: 'stays open' }, [{ read: run('main', 'airSwitch', 'max'), above: 0.5 }], 0.03),
    ['Volts across its contacts fall to nothing as it makes.'],
    { ...fanned, concerns: air },
  ),
  check(
    'measure.airPressure',
    'Difference at the sensing tubes, fan running',
    starting,
    number('mbar', run('main', 'airPressure', 'max'), 'manometer', 0.08, [0, 1.6], [-2, 10]),
    ['Manometer across the two tubes at the switch, by T-pieces.', 'About 1.2 mbar on this model; the switch makes at 0.6.'],
    { ...opened, minutes: 5, cautions: [caseOff], concerns: air },
  ),
  check(
    'look.airTubes',
    'Sensing tubes, one after the other',
    off,
    oneOf(
      [
        { id: 'wet', label: 'water in them', when: [{ read: parameter('airTubes.water'), above: 0.5 }] },
        { id: 'bad', label: 'split, blocked or swapped', when: [{ read: parameter('airTubes.passage'), below: 0.7 }] },
        { id: 'sound', label: 'sound and clear' },
      ],
      0.03,
    ),
    ['Pull them off, look for splits at the ends, blow through away from the switch, water out.'],
    { ...opened, minutes: 4, cautions: [dead], direct: true, concerns: air },
  ),
]
