export { calls, thermostatOf } from './calling.ts'
export { kindOf } from './devices.ts'
export { wire, type Asked, type Move, type Probe, type Wiring } from './wiring.ts'
