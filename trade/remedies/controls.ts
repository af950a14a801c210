import { mend, proveDead, wetOutside, wired, type RemedyRow } from './mend.ts'

/** A motor valve's remedies. */
function valveRemedies(part: string, name: string): RemedyRow[] {
  return [
    mend(
      `${part}.head`,
      `Fit a new head to the ${name}`,
      [30, 48, 0.95],
      ['Without draining; conductors one at a time in the same order.', 'Lever slack when driven.'],
      { ...wired, parts: ['valve head'] },
    ),
    mend(`${part}.body`, `Free or renew the body of the ${name}`, [75, 62, 0.95], ['Drain, change the body, head back on.', 'Sludge in it: clean and dose.'], {
      ...wetOutside,
      parts: ['motor valve'],
      seals: ['fittings'],
    }),
    mend(`${part}.release`, `Let go the lever of the ${name} and find what it hid`, [5, 0, 0.97], ['Off its latch, run the demand: what fails now?'], {
      skill: 'anyone',
    }),
  ]
}

export const controlRemedies: RemedyRow[] = [
  mend('programmer.replace', 'Fit a new programmer', [35, 62, 0.97], ['Conductors named by their destination before the old one comes off.'], {
    ...wired,
    parts: ['programmer'],
  }),
  mend('programmer.set', 'Set programme and clock, show the customer', [10, 0, 0.97], ['Set, run, show.'], { skill: 'anyone' }),
  mend('roomStat.replace', 'Fit a new room thermostat', [30, 46, 0.97], ['Away from sun, radiators, draughts.'], { ...wired, parts: ['room thermostat'] }),
  mend('roomStat.batteries', 'Fit new batteries and pair again', [8, 4, 0.96], ['Both of one kind; does it find its receiver?'], {
    skill: 'anyone',
    parts: ['batteries'],
  }),
  mend('zone2Stat.replace', 'Fit a new zone thermostat', [30, 46, 0.97], ['24 V: still prove dead.'], { ...wired, parts: ['room thermostat'] }),
  mend('cylinderStat.replace', 'Fit a new cylinder thermostat', [25, 24, 0.97], ['A third up the cylinder, on bare metal.'], {
    ...wired,
    parts: ['cylinder thermostat'],
  }),
  mend('cylinderStat.refix', 'Fix the cylinder thermostat back on bare metal', [12, 1, 0.95], ['Strap tight, lagging closed round it.'], { ...wired }),
  mend('wire.renew', 'Renew the conductor or use a spare core', [40, 8, 0.94], ['Identify it at both ends, sleeve it, number it.'], {
    ...wired,
    each: true,
    parts: ['cable'],
  }),
  mend('wire.land', 'Terminate the conductor where it belongs', [25, 1, 0.95], ['Find its destination first: colours lie.'], { ...wired, each: true }),
  mend('transformer.replace', 'Fit a new control transformer', [30, 38, 0.96], ['Find what killed it: a short in a valve head?'], {
    ...wired,
    parts: ['24 V transformer'],
  }),
  mend('transformer.fuse', 'Find the short, fit a new fuse', [30, 2, 0.85], ['No continuity between the cores before power.'], {
    ...wired,
    cautions: [proveDead],
    parts: ['fuse'],
  }),
  ...valveRemedies('heatingValve', 'heating valve'),
  ...valveRemedies('hotWaterValve', 'hot-water valve'),
  ...valveRemedies('zone2Valve', 'second zone’s valve'),
  ...valveRemedies('midValve', 'mid-position valve'),
  mend(
    'wire.move',
    'Move the conductor to its own terminal',
    [20, 0, 0.96],
    ['Identified at both ends, sleeved, numbered.', 'Run both demands: nothing runs unasked.'],
    {
      ...wired,
      each: true,
    },
  ),
  mend('wire.part', 'Part the touching conductors, fit a new fuse', [35, 3, 0.92], ['Find where it chafed; no continuity between the cores before power.'], {
    ...wired,
    each: true,
    parts: ['fuse', 'cable'],
  }),
  mend('supply.fuse', 'Find what blew it, fit a fuse of the right size', [25, 1, 0.8], ['No continuity live to neutral or earth before power.'], {
    ...wired,
    parts: ['fuse'],
  }),
  mend(
    'supply.polarity',
    'Put live and neutral right at the supply',
    [20, 0, 0.97],
    ['Prove at the boiler: live to earth 230 V, neutral to earth next to none.'],
    {
      ...wired,
    },
  ),
  mend(
    'cable.prove',
    'Prove the cable',
    [15, 0, 1],
    ['Both ends disconnected, dead.', 'Continuity of every core end to end, insulation between cores and to earth.'],
    {
      ...wired,
    },
  ),
  mend('highLimit.reset', 'Find why it tripped, then reset it', [20, 0, 0.85], ['Store cooled. Does the cylinder thermostat open at its setting?'], {
    skill: 'unvented',
    cautions: ['Never bridge it. Unvented cylinders only by those qualified for them.'],
  }),
]
