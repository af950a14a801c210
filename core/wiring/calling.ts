import type { Circuit } from '../system/index.ts'

/** Component of the thermostat of a circuit. */
export function thermostatOf(circuit: Circuit): string {
  return circuit === 'hotWater' ? 'cylinderStat' : circuit === 'heating' ? 'roomStat' : `${circuit}Stat`
}

/**
 * Whether a thermostat left to itself calls: set above what it feels. A room thermostat that feels three kelvins too many takes a cold
 * room for a warm one; a cylinder's feels the store.
 *
 * @param optional a parameter, or what stands in for one the system lacks
 * @param storeCelsius the stored water, where there is any
 */
export function calls(circuit: Circuit, optional: (key: string, otherwise: number) => number, storeCelsius: number): boolean {
  const stat = thermostatOf(circuit)
  if (optional(`${stat}.turnedUp`, 1) < 0.5) return false
  if (circuit !== 'hotWater') return optional(`${stat}.readsHigh`, 0) < 3
  return storeCelsius + optional(`${stat}.readsHigh`, 0) < optional(`${stat}.setting`, 60) - 4
}
