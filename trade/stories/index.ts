import { controls } from './controls.ts'
import { fire } from './fire.ts'
import { leaks } from './leaks.ts'
import { lookAlikes } from './lookAlikes.ts'
import { pressure } from './pressure.ts'
import type { Story } from './statements.ts'
import { stored } from './stored.ts'
import { visits } from './visits.ts'

export { isEntry, type Statement, type Story } from './statements.ts'

/**
 * Whole call-outs as practitioners live them, by what they are about: entries as they are written down, and what must hold after which of them. What must
 * hold is common practice; the houses are made up.
 */
export const stories: { about: string; stories: Story[] }[] = [
  { about: 'Leaks and what they wet', stories: leaks },
  { about: 'Hot, cold, hot', stories: lookAlikes },
  { about: 'Pressure', stories: pressure },
  { about: 'Air, gas, flame', stories: fire },
  { about: 'Controls and wiring', stories: controls },
  { about: 'Cylinders and stores', stories: stored },
  { about: 'Visits off the beaten track', stories: visits },
]
