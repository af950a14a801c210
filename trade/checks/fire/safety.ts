import type { CheckRow } from '../../rows/row.ts'
import { check, cue, gas, none, starting } from '../kinds.ts'

const rows: CheckRow[] = [
  check(
    'look.gasJoints',
    'Bubbles at a gas joint',
    none,
    cue(0.005),
    ['Leak detection fluid at every joint that was touched, appliance off and then firing.', 'Wipe it off afterwards.'],
    { access: 'caseOff', cautions: [gas], unsafe: { danger: 'gasSmell', outcomes: ['yes'] } },
  ),
  check('measure.gasDetector', 'Gas detector responds', none, cue(0.005), ['Zero it in fresh air. Low for heavy gas, high for light gas, along every joint.'], {
    cautions: [gas],
    unsafe: { danger: 'gasSmell', outcomes: ['yes'] },
  }),
  check(
    'measure.roomAir',
    'Products of combustion in the room air',
    starting,
    cue(0.005),
    ['Room first, before the boiler is lit. Then while it burns: CO or CO2 that rises is spillage or a leaking flue.'],
    { minutes: 6, cautions: [gas], unsafe: { danger: 'fumes', outcomes: ['yes'] } },
  ),
]

/**
 * What is made for safety's sake, whatever it tells of the fault. Common practice; limits are those of the place and the maker.
 * What they find stops the case until it is made safe.
 */
export const safetyChecks = rows.map((row) => ({ ...row, needs: 'gasValve' }))
