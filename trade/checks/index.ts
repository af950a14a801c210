import type { CheckRow } from '../rows.ts'
import { askedChecks } from './asked.ts'
import { airChecks } from './fire/air.ts'
import { boardChecks } from './controls/board.ts'
import { burnerChecks } from './fire/burner.ts'
import { controlChecks } from './controls/controls.ts'
import { hotWaterChecks } from './water/hotWater.ts'
import { productChecks } from './fire/products.ts'
import { safetyChecks } from './fire/safety.ts'
import { seenChecks } from './seen.ts'
import { storedChecks } from './water/stored.ts'
import { waterChecks } from './water/water.ts'
import { wiringChecks } from './controls/wiring.ts'

export { alongTheCall } from './controls/along.ts'
export { displayedChecks } from './displayed.ts'
export { bridgeCheck, conductorChecks } from './controls/wiring.ts'

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
