export { compoundUnits, type Component, type Parameter } from './component.ts'
export { signalIndex, signalNames, signals, type SignalName } from './signals.ts'
export {
  demands,
  nominal,
  parametersOf,
  withValues,
  type Action,
  type Autonomous,
  type BoilerSystem,
  type Condition,
  type Demand,
  type Layout,
  type OnFail,
  type Parameters,
  type Stage,
  type Threshold,
} from './system.ts'
export { systemProblems, type SystemProblem } from './validate.ts'
export { deviceOf, terminalsOf, type Across, type Circuit, type Conductor, type ControlScheme, type Device, type DeviceKind, type Role } from './controls.ts'
