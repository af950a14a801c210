import { waterContent, type WaterPart, type Field } from '@dewpoint/core/bench'
import type { UnitSymbol } from '@dewpoint/core/quantity'

/** What the fill and vessel tool is given. */
export const fillFields = (usual: (key: string, unit: UnitSymbol) => number | undefined): Field[] => [
  { key: 'litres', label: 'Water in the system', unit: 'l', others: ['US gal'], low: 2, high: 5000, usual: usual('litres', 'l') ?? 100 },
  { key: 'vessel', label: 'Vessel', unit: 'l', others: ['US gal'], low: 0.5, high: 1000, usual: usual('vessel', 'l') ?? 8 },
  { key: 'charge', label: 'Pre-charge, drained', unit: 'bar', others: ['psi', 'kPa'], low: 0, high: 6, usual: usual('charge', 'bar') ?? 1 },
  { key: 'cold', label: 'Cold water', unit: '°C', others: ['°F'], low: 2, high: 60, usual: 10 },
  { key: 'hot', label: 'Hot water', unit: '°C', others: ['°F'], low: 5, high: 105, usual: 70 },
  { key: 'relief', label: 'Relief valve lifts at', unit: 'bar', others: ['psi', 'kPa'], low: 1, high: 10, usual: usual('relief', 'bar') ?? 3 },
  { key: 'fillOne', label: 'Filled cold to', unit: 'bar', others: ['psi', 'kPa'], low: 0.3, high: 6, usual: 1 },
  { key: 'fillTwo', label: 'or to', unit: 'bar', others: ['psi', 'kPa'], low: 0.3, high: 6, usual: 1.5 },
  { key: 'height', label: 'Highest radiator above', unit: 'm', others: ['ft'], low: 0, high: 40, usual: 5 },
  { key: 'seenCold', label: 'Cold', unit: 'bar', others: ['psi', 'kPa'], low: 0, high: 6 },
  { key: 'seenHot', label: 'Hot', unit: 'bar', others: ['psi', 'kPa'], low: 0, high: 6 },
  { key: 'letIn', label: 'Let in', unit: 'l', others: ['US gal'], low: 0.01, high: 100 },
  { key: 'letFrom', label: 'from', unit: 'bar', others: ['psi', 'kPa'], low: 0, high: 6 },
  { key: 'letTo', label: 'to', unit: 'bar', others: ['psi', 'kPa'], low: 0, high: 6 },
]

/** Pieces and metres the water in a house is counted from, with their names on the screen. */
export const countedParts: { part: WaterPart; label: string }[] = [
  { part: 'smallRadiator', label: 'Small radiators' },
  { part: 'mediumRadiator', label: 'Medium radiators' },
  { part: 'largeRadiator', label: 'Large or double radiators' },
  { part: 'towelRail', label: 'Towel rails' },
  { part: 'metre10', label: 'Metres of 10 mm pipe' },
  { part: 'metre15', label: 'Metres of 15 mm pipe' },
  { part: 'metre22', label: 'Metres of 22 mm pipe' },
  { part: 'metre28', label: 'Metres of 28 mm pipe' },
  { part: 'metreFloor', label: 'Metres of underfloor pipe' },
  { part: 'boiler', label: 'Boilers' },
]

/** Litres from what was counted; nothing where a count is none, or nothing was counted. */
export function litresCounted(counts: Readonly<Record<string, string>>): number | null {
  const numbers: Partial<Record<WaterPart, number>> = {}
  for (const { part } of countedParts) {
    const text = (counts[part] ?? '').trim().replace(',', '.')
    if (text === '') continue
    if (!/^\d{1,4}(\.\d{0,2})?$/.test(text)) return null
    numbers[part] = Number(text)
  }
  const litres = waterContent(numbers)
  return litres > 0 ? litres : null
}
