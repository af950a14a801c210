import type { CheckRow } from '../rows/row.ts'
import { askedChecks } from './asked.ts'
import { airChecks } from './fire/air.ts'
import { boardChecks } from './controls/board.ts'
import { elementChecks } from './controls/elements.ts'
import { burnerChecks } from './fire/burner.ts'
import { controlChecks } from './controls/controls.ts'
import { hotWaterChecks } from './water/hotWater.ts'
import { productChecks } from './fire/products.ts'
import { safetyChecks } from './fire/safety.ts'
import { displayChecks } from './seen/display.ts'
import { dripChecks } from './seen/drips.ts'
import { listenChecks } from './seen/listen.ts'
import { lookChecks } from './seen/look.ts'
import { cylinderChecks } from './water/cylinder.ts'
import { storedChecks } from './water/stored.ts'
import { waterChecks } from './water/water.ts'
import { zoneChecks } from './controls/zones.ts'
import { valveCheckRows } from './controls/valves.ts'
import { wiringChecks } from './controls/wiring.ts'

export { alongTheCall } from './controls/along.ts'
export { displayedChecks } from './displayed.ts'
export { bridgeCheck, conductorChecks } from './controls/wiring.ts'

/** Every check, for whichever systems have what it is read from. */
export const checkRows: CheckRow[] = [
  ...askedChecks,
  ...displayChecks,
  ...lookChecks,
  ...dripChecks,
  ...listenChecks,
  ...airChecks,
  ...burnerChecks,
  ...productChecks,
  ...safetyChecks,
  ...boardChecks,
  ...elementChecks,
  ...hotWaterChecks,
  ...storedChecks,
  ...cylinderChecks,
  ...waterChecks,
  ...controlChecks,
  ...valveCheckRows,
  ...zoneChecks,
  ...wiringChecks,
]
