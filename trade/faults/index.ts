import type { FaultRow } from '../rows.ts'
import { airFaults } from './air.ts'
import { boardFaults } from './board.ts'
import { burnerFaults } from './burner.ts'
import { controlFaults } from './controls.ts'
import { hotWaterFaults } from './hotWater.ts'
import { storedFaults } from './stored.ts'
import { waterFaults } from './water.ts'

/** Every fault, for whichever systems have the parameters it changes. */
export const faultRows: FaultRow[] = [...hotWaterFaults, ...airFaults, ...burnerFaults, ...boardFaults, ...waterFaults, ...storedFaults, ...controlFaults]
