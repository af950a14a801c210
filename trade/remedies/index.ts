import { burnerRemedies } from './burner.ts'
import { controlRemedies } from './controls.ts'
import { hotWaterRemedies } from './hotWater.ts'
import type { RemedyRow } from './mend.ts'
import { waterRemedies } from './water.ts'

/** Every remedy; what each mends stands with the faults. */
export const remedyRows: RemedyRow[] = [...burnerRemedies, ...waterRemedies, ...hotWaterRemedies, ...controlRemedies]
