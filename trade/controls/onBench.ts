import type { ControlScheme } from '@dewpoint/core/system'
import { wire, type Asked, type Wiring } from '@dewpoint/core/wiring'

/** A scheme brought to life with some parameters changed, outside any boiler. */
export function onBench(scheme: ControlScheme, changes: Record<string, number> = {}): Wiring {
  const values: Record<string, number> = {}
  for (const { id, parameters } of scheme.components) for (const [name, { value }] of Object.entries(parameters)) values[`${id}.${name}`] = value
  for (const [key, value] of Object.entries(changes)) {
    if (!(key in values)) throw new RangeError(`${scheme.id} has no parameter ${key}`)
    values[key] = value
  }
  return wire(
    scheme,
    (key) => {
      const value = values[key]
      if (value === undefined) throw new RangeError(`${scheme.id} has no parameter ${key}`)
      return value
    },
    (key, otherwise) => values[key] ?? otherwise,
  )
}

/** Programmer on for both, some circuits cold. */
export const calling = (...circuits: (keyof Asked['cold'])[]): Asked => ({
  programmed: { heating: true, hotWater: true },
  cold: Object.fromEntries(circuits.map((circuit) => [circuit, true])),
})
