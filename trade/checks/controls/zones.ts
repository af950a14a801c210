import type { CheckRow } from '../../rows/row.ts'
import { at, check, heating, live, none, number, oneOf, parameter } from '../kinds.ts'

const warm = at('heating', 'radiatorsWarm')

/** The loops of 24 V zones, and what feeds their heads together. */
export const zoneChecks: CheckRow[] = [
  check(
    'look.zoneLoop',
    'Loop of the cold zone, its valve open',
    heating,
    oneOf(
      [
        { id: 'air', label: 'hot at the manifold, gurgles, return cold', when: [{ read: parameter('radiators.loopAir'), above: 0.5 }] },
        { id: 'air', label: 'hot at the manifold, gurgles, return cold', when: [{ read: parameter('zone2.air'), above: 0.5 }] },
        { id: 'shut', label: 'a valve of it shut', when: [{ read: parameter('zone2.valvesShut'), above: 0.5 }] },
        { id: 'check', label: 'hot up to its check valve, pump noisy', when: [{ read: parameter('checkValves.stuckShut'), above: 0.5 }] },
        { id: 'right', label: 'nothing in its way' },
      ],
      [0.05, 0.05, 0.05, 0.0003],
    ),
    ['A hand along it from the manifold, its vent eased, every valve tried.'],
    { minutes: 6, direct: true, concerns: warm },
  ),
  check(
    'look.whichZone',
    'Which zone’s vent gives air, whose valves are shut?',
    none,
    oneOf(
      [
        { id: 'second', label: 'the neighbour’s', when: [{ read: parameter('zone2.air'), above: 0.5 }] },
        { id: 'second', label: 'the neighbour’s', when: [{ read: parameter('zone2.valvesShut'), above: 0.5 }] },
        { id: 'first', label: 'this one’s', when: [{ read: parameter('radiators.loopAir'), above: 0.5 }] },
        { id: 'none', label: 'none' },
      ],
      [0.05, 0.05, 0.0003],
    ),
    ['Pump off, each loop’s vent a quarter turn.'],
    { minutes: 6, direct: true, concerns: warm },
  ),
  check(
    'look.checkValve',
    'Pipe behind the check valve of a zone that is off',
    heating,
    oneOf(
      [
        { id: 'warm', label: 'warm: it does not seat', when: [{ read: parameter('checkValves.passing'), above: 0.5 }] },
        { id: 'cold', label: 'cold, or none is fitted' },
      ],
      [0.05, 0.0003],
    ),
    ['The neighbour calling alone, ten minutes in; its valve shut by hand first.'],
    { minutes: 4, direct: true, concerns: warm },
  ),
  check(
    'measure.transformerLoaded',
    'Secondary of the control transformer, every zone calling',
    heating,
    number('V', parameter('transformer.loaded'), 'voltmeterLow', 0.5, [0, 40], [-1, 60]),
    ['Above 22 V with all of them; it hums and is too hot to touch where it is too small.'],
    { access: 'live', cautions: [live], direct: true, minutes: 4, concerns: at('heating', 'transformerLive') },
  ),
]
