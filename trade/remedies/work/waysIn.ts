import type { WayInRow } from '@dewpoint/core/diagnosis'
import { drainFirst, licensed, proveDead } from '../mend.ts'

/** The whole of proving dead, as it is done wherever hands come near terminals. Common practice; the procedure of the place comes first. */
const provingDead = [
  'Off at the spur, fuse out and in your pocket; lock the isolator, hang the label.',
  'Prove the tester on a known live source or a proving unit.',
  'At the boiler’s terminals: live to neutral, live to earth, neutral to earth. Also the switched lives that controls bring in from elsewhere.',
  'Prove the tester again on the same source: only then is it dead.',
]

/** How a boiler is got at, from the outside in. Common practice. */
export const waysIn: WayInRow[] = [
  {
    id: 'dead',
    label: 'off, locked',
    open: {
      label: 'Isolate, lock off, prove dead',
      steps: provingDead,
      cautions: [proveDead],
      notes: [
        { label: 'Live to neutral', unit: 'V', low: 0, high: 0.5 },
        { label: 'Live to earth', unit: 'V', low: 0, high: 0.5 },
        { label: 'Neutral to earth', unit: 'V', low: 0, high: 0.5 },
      ],
    },
    close: {
      label: 'Plugs home, fuse in, power',
      steps: ['Every plug home and every wire off hot metal; nothing left inside.', 'Lock and label off, the fuse of its right size in, power.'],
    },
  },
  {
    id: 'case',
    label: 'case off',
    open: { label: 'Case off', steps: ['Screws kept together; look at the seal while it comes off: torn or flat, it is renewed.'] },
    close: {
      label: 'Case on, its seal seated all round',
      steps: ['Seal in its groove all round, every screw in: on a room-sealed boiler the case is part of the flue.'],
    },
  },
  {
    id: 'drained',
    label: 'drained',
    open: {
      label: 'Shut flow and return, drain, leave the drain open',
      steps: [
        'Let it cool. Shut the valves below the boiler, or the system’s, and the cold feed where the hot side is opened.',
        'Hose on the drain, open it, let air in at the highest point; cloths and a tray over everything electrical below.',
        'The drain stays open: a shut one holds pressure.',
      ],
      cautions: [drainFirst],
    },
    close: {
      label: 'Shut the drain, fill and vent',
      steps: [
        'Drain shut, valves open slowly; one hand on the filling valve, eyes on the gauge. A slow gauge overfills: pause.',
        'Vent from the highest radiator, then the board’s de-aeration until it goes quiet: trapped air can damage the exchanger and a dry pump.',
        'Correct the pressure. Shut both filling valves: handle across the pipe is shut.',
        'Wipe every joint that was open dry, and look again.',
      ],
      notes: [{ label: 'Pressure, cold', unit: 'bar', sum: 'fill' }],
    },
  },
  {
    id: 'gas',
    label: 'gas off',
    open: {
      label: 'Gas off at the appliance, chamber opened',
      steps: [
        'Appliance isolation valve shut; tightness noted before the pipe is opened.',
        'Gas pipe, fan and burner off in the order the maker gives; cap or cover every opening above the board.',
      ],
      cautions: [licensed],
    },
    close: {
      label: 'Burner and gas back, new seals, tight',
      steps: [
        'New door seal and gas washers; burner nuts crosswise to the maker’s torque: over-tight creaks.',
        'Gas on, every joint tested with fluid, then the tightness test of the place.',
        'Combustion is checked before it is left: it is asked under Prove.',
      ],
      cautions: [licensed],
    },
  },
]
