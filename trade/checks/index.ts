import type { CheckRow } from '../rows.ts'
import { askedChecks } from './asked.ts'
import { airChecks } from './air.ts'
import { boardChecks } from './board.ts'
import { burnerChecks } from './burner.ts'
import { controlChecks } from './controls.ts'
import { hotWaterChecks } from './hotWater.ts'
import { productChecks } from './products.ts'
import { safetyChecks } from './safety.ts'
import { seenChecks } from './seen.ts'
import { storedChecks } from './stored.ts'
import { waterChecks } from './water.ts'
import { wiringChecks } from './wiring.ts'

export { displayedChecks } from './displayed.ts'
export { bridgeCheck, conductorChecks } from './wiring.ts'

/** Every check, for whichever systems have what it is read from. */
export const checkRows: CheckRow[] = [
  ...askedChecks,
  ...seenChecks,
  ...airChecks,
  ...burnerChecks,
  ...productChecks,
  ...safetyChecks,
  ...boardChecks,
  ...hotWaterChecks,
  ...storedChecks,
  ...waterChecks,
  ...controlChecks,
  ...wiringChecks,
]
