import type { Replacement } from '@dewpoint/core/diagnosis'
import type { BoilerSystem } from '@dewpoint/core/system'

/** A new appliance, fitted and set to work by two people in a day. Prices and years assumed; the firm's hour is the firm's. */
export function replacementOf({ layout: { burner, hotWater } }: BoilerSystem): Replacement {
  const instant = hotWater === 'plate' || hotWater === 'coil'
  if (burner === 'electric') return { label: 'A new electric boiler', minutes: 600, partsCost: 1350, years: 15 }
  return { label: instant ? 'A new combination boiler' : 'A new boiler', minutes: 780, partsCost: instant ? 1150 : 980, years: 15 }
}
