import type { Field } from '@dewpoint/core/bench'
import type { UnitSymbol } from '@dewpoint/core/quantity'

/** What the cylinder tool is given. */
export const cylinderFields = (usual: (key: string, unit: UnitSymbol) => number | undefined): Field[] => [
  { key: 'litres', label: 'Stored water', unit: 'l', others: ['US gal'], low: 20, high: 2000, usual: usual('litres', 'l') ?? 150 },
  { key: 'cold', label: 'Cold', unit: '°C', others: ['°F'], low: 1, high: 40, usual: 10 },
  { key: 'hot', label: 'Heated to', unit: '°C', others: ['°F'], low: 30, high: 90, usual: 60 },
  { key: 'reduced', label: 'Reducing valve holds', unit: 'bar', others: ['psi', 'kPa'], low: 0.5, high: 8, usual: 3 },
  { key: 'relief', label: 'Expansion relief lifts at', unit: 'bar', others: ['psi', 'kPa'], low: 1, high: 12, usual: 6 },
  { key: 'vessel', label: 'Its vessel', unit: 'l', others: ['US gal'], low: 0, high: 200, usual: 12, hint: '0 where it has none or an air gap' },
  { key: 'charge', label: 'Charge, water off, tap open', unit: 'bar', others: ['psi', 'kPa'], low: 0, high: 10 },
  { key: 'pressure', label: 'Pressure, nothing drawn', unit: 'bar', others: ['psi', 'kPa'], low: 0, high: 16, hint: 'behind the reducing valve, cold' },
  { key: 'power', label: 'Heat to the store', unit: 'kW', others: ['Btu/h'], low: 0.3, high: 100, usual: 15 },
]
