import { mend, proveDead, qualified, wetOutside, wired, type RemedyRow } from './mend.ts'

/** A motor valve's remedies. */
function valveRemedies(part: string, name: string): RemedyRow[] {
  return [
    mend(
      `${part}.head`,
      `Fit a new head to the ${name}`,
      [30, 48, 0.95],
      [
        'Without draining; conductors one at a time in the same order. It must be of the body’s own pattern, else the whole valve.',
        'Lever slack when driven; run both circuits: the other must not fire it.',
      ],
      { ...wired, parts: ['valve head'] },
    ),
    mend(
      `${part}.free`,
      `Free the ${name}’s body by hand`,
      [25, 0, 0.4],
      ['Head off, a quarter turn to and fro, no gripping tools on the spindle.', 'It often comes back: tell the customer.'],
      {
        cautions: [proveDead],
      },
    ),
    mend(
      `${part}.body`,
      `Fit a new body to the ${name}`,
      [100, 62, 0.96],
      ['Drain, change the body, refill, vent, inhibitor.', 'Run both circuits: the other must not fire it.'],
      {
        ...wetOutside,
        parts: ['motor valve'],
        seals: ['fittings'],
      },
    ),
    mend(
      `${part}.refit`,
      `Refit the head of the ${name} to match its body`,
      [20, 0, 0.95],
      ['Dead; head and body both at rest, then together.', 'Run both circuits: the other must stay cold.'],
      { ...wired },
    ),
    mend(`${part}.release`, `Release the ${name}’s lever and find the fault behind it`, [5, 0, 0.97], ['Off its latch, run the demand: what fails now?'], {
      skill: 'anyone',
    }),
  ]
}

export const controlRemedies: RemedyRow[] = [
  mend(
    'programmer.replace',
    'Fit a new programmer',
    [35, 62, 0.97],
    [
      'Conductors named by their destination before the old one comes off.',
      'Mains or volt-free: links as on the old one. Set the programme with the customer.',
    ],
    {
      ...wired,
      parts: ['programmer'],
    },
  ),
  mend('programmer.set', 'Set programme and clock, show the customer', [10, 0, 0.97], ['Set, run, show.'], { skill: 'anyone' }),
  mend('roomStat.replace', 'Fit a new room thermostat', [30, 46, 0.97], ['Away from sun, radiators, draughts.'], { ...wired, parts: ['room thermostat'] }),
  mend('roomStat.batteries', 'Fit new batteries and pair again', [8, 4, 0.96], ['Both of one kind; does it find its receiver?'], {
    skill: 'anyone',
    parts: ['batteries'],
  }),
  mend(
    'roomStat.pair',
    'Pair thermostat and receiver again',
    [10, 0, 0.85],
    ['By the maker’s steps, side by side; then where it hangs: nearer if it is out of range.'],
    {
      skill: 'anyone',
    },
  ),
  mend(
    'demand.takeLinkOut',
    'Take out the link beside the thermostat',
    [15, 0, 0.97],
    ['Dead: the link at the boiler’s thermostat terminals out.', 'Thermostat down: it must stop.'],
    {
      ...wired,
    },
  ),
  mend('zone2Stat.replace', 'Fit a new zone thermostat', [30, 46, 0.97], ['24 V: still prove dead.'], { ...wired, parts: ['room thermostat'] }),
  mend(
    'cylinderStat.replace',
    'Fit a new cylinder thermostat',
    [25, 24, 0.97],
    [
      'A third up the cylinder, on bare metal; in a pocket, the same pocket with paste.',
      'Control and limit in one housing: renew the whole of it, and prove the limit.',
    ],
    {
      ...wired,
      parts: ['cylinder thermostat'],
    },
  ),
  mend('cylinderStat.refix', 'Fix the cylinder thermostat back on bare metal', [12, 1, 0.95], ['Strap tight, lagging closed round it.'], { ...wired }),
  mend('wire.renew', 'Renew the conductor or use a spare core', [40, 8, 0.94], ['Identify it at both ends, sleeve it, number it.'], {
    ...wired,
    each: true,
    parts: ['cable'],
  }),
  mend('wire.land', 'Connect the loose core to its own terminal', [25, 1, 0.95], ['Find its destination first: colours lie.'], { ...wired, each: true }),
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
  ...valveRemedies('zone2Valve', 'zone 2 valve'),
  ...valveRemedies('midValve', 'mid-position valve'),
  mend(
    'wire.move',
    'Move the core to its correct terminal',
    [20, 0, 0.96],
    ['Identified at both ends, sleeved, numbered.', 'Run both demands: nothing runs unasked.'],
    {
      ...wired,
      each: true,
    },
  ),
  mend(
    'wire.part',
    'Clear the short between the cores, fit a new fuse',
    [35, 3, 0.92],
    ['Find where it chafed; no continuity between the cores before power.'],
    {
      ...wired,
      each: true,
      parts: ['fuse', 'cable'],
    },
  ),
  mend('supply.fuse', 'Find what blew it, fit a fuse of the right size', [25, 1, 0.8], ['No continuity live to neutral or earth before power.'], {
    ...wired,
    parts: ['fuse'],
  }),
  mend(
    'supply.polarity',
    'Correct the reversed live and neutral',
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
  mend(
    'highLimit.reset',
    'Find why it tripped, then reset the high limit',
    [20, 0, 0.85],
    ['Store cooled. Does the cylinder thermostat open at its setting?'],
    {
      skill: 'unvented',
      cautions: ['Never bridge it. Unvented cylinders only by those qualified for them.'],
    },
  ),
  mend(
    'programmer.battery',
    'Fit a new reserve battery, or a programmer',
    [15, 6, 0.8],
    ['Time and programme set, power off for a minute: does it keep them?'],
    { ...wired, parts: ['reserve battery'] },
  ),
  mend('programmer.reseat', 'Press the programmer home on its backplate', [8, 0, 0.5], ['Pins bright, screws tight. It cures for a while: say so.'], {
    ...wired,
  }),
  mend(
    'receiver.replace',
    'Fit a new receiver and pair it',
    [30, 75, 0.96],
    ['Volt-free or mains: set as on the old one.', 'Pair, then call and let go: its lamp follows.'],
    { ...wired, parts: ['receiver'] },
  ),
  mend('roomStat.move', 'Move the room thermostat', [45, 10, 0.9], ['Chest height, inner wall, no sun, draught or radiator near.'], {
    ...wired,
    parts: ['cable'],
  }),
  mend('frostStat.set', 'Set the frost thermostat back', [5, 0, 0.96], ['About 5 °C; its pipe thermostat about 25 (from memory).'], { skill: 'anyone' }),
  mend('frostStat.replace', 'Fit a new frost thermostat', [30, 24, 0.96], ['Dead; set to about 5 °C.'], { ...wired, parts: ['frost thermostat'] }),
  mend(
    'highLimit.replace',
    'Fit a new high-limit thermostat',
    [40, 35, 0.95],
    ['In the same pocket, with paste.', 'It is reset and stays made through a whole heat-up.'],
    { ...wired, skill: 'unvented', cautions: [proveDead, qualified], parts: ['high-limit thermostat'] },
  ),
  mend('roomStat.neutral', 'Connect the neutral of the room thermostat', [30, 4, 0.9], ['A spare core, identified at both ends.'], {
    ...wired,
    parts: ['cable'],
  }),
  mend(
    'supply.oneSpur',
    'Bring all the controls to one spur',
    [60, 18, 0.95],
    ['One double-pole fused spur, 3 A, for everything.', 'With it off, nothing is live anywhere.'],
    { ...wired, parts: ['double-pole spur'] },
  ),
  mend(
    'midValve.repipe',
    'Swap the outlets of the mid-position valve',
    [120, 10, 0.95],
    ['Drain, exchange the two pipes, refill, vent.', 'Each circuit alone warms its own.'],
    { ...wetOutside, seals: ['fittings'] },
  ),
  mend('zone.vent', 'Vent the zone’s loop', [20, 0, 0.9], ['Pump off; from the manifold along the loop, others shut.', 'Return of the loop warm.']),
  mend('zone.openValves', 'Open the zone’s valves', [5, 0, 0.97], ['Count the turns.', 'Return of the loop warm.']),
  mend('checkValve.renew', 'Fit a new check valve to the zone', [50, 16, 0.95], ['Drain the zone, renew, arrow with the flow, refill, vent.'], {
    ...wetOutside,
    parts: ['check valve'],
    seals: ['fittings'],
  }),
  mend(
    'transformer.larger',
    'Fit a larger transformer, or a second one',
    [45, 48, 0.95],
    ['About eight voltamperes a head and some to spare.', 'Above 22 V with every zone calling.'],
    { ...wired, parts: ['24 V transformer'] },
  ),
]
