import type { CheckRow } from '../../rows/row.ts'
import { at, check, cue, none } from '../kinds.ts'

const water = at('heating', 'waterProved')

/** Where it is wet. */
export const dripChecks: CheckRow[] = [
  check('look.dampDiverter', 'Damp or rust track below the diverter', none, cue(0.04), ['Torch from below, at the lower corner of the case.'], {
    needs: 'diverter',
    concerns: at('hotWater', 'diverterOver'),
  }),
  check(
    'look.dampPipework',
    'Stain or drip at a joint, valve or radiator',
    none,
    cue(0.07),
    ['Dry paper round every joint you can reach; ceilings below pipe runs.'],
    {
      minutes: 6,
    },
  ),
  check('look.dampCasing', 'Water or rust inside the bottom of the casing', none, cue(0.06), ['Torch from below, mirror above the board.'], { minutes: 3 }),
  check(
    'look.dampTurbine',
    'Drip below the turbine, clean water',
    none,
    cue(0.0001),
    ['With the tap shut: pressure is highest then. System pressure holds: it is mains water.'],
    { direct: true, concerns: at('hotWater', 'tapSeen') },
  ),
  check('look.pumpDrip', 'Drip at the lowest point of the pump', none, cue(0.0001), ['Rust streak below the head.'], { direct: true, concerns: water }),
  check('look.ventDribble', 'Automatic vent dribbling on what is below', none, cue(0.0001), ['Brown track from the vent’s cap.'], { direct: true }),
  check('look.hoses', 'Flexible hoses: bulge, weep, rust at the clips', none, cue(0.0001), ['Bend and squeeze them gently.'], { direct: true }),
  check('look.vesselShell', 'Rust or a wet spot on the vessel’s shell', none, cue(0.0001), ['A finger round the seam and the connection.'], {
    direct: true,
    minutes: 3,
  }),
]
