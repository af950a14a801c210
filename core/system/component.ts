import type { UnitSymbol } from '../quantity/index.ts'

/** Units of parameters that no reading is taken in. */
export const compoundUnits = ['W/K', 'J/K', '1/l', 'l/(min·bar)', 'K'] as const

/** One number of a component: healthy value, how much healthy ones differ, and where the figure is from. */
export interface Parameter {
  value: number
  /** standard deviation among healthy appliances, same unit */
  spread?: number
  /** the other value that a quarter of healthy appliances have: a function switched off, a version without it */
  elsewhere?: number
  min?: number
  max?: number
  /** as written: a reading's unit, or a compound one such as W/K */
  unit: UnitSymbol | (typeof compoundUnits)[number]
  says: string
  source: string
}

/** A part of the system, named by what it is. */
export interface Component {
  id: string
  label: string
  parameters: Record<string, Parameter>
}
