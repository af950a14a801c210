import type { NumberResult } from '@dewpoint/core/diagnosis'
import type { BoilerSystem, Component, Condition, ControlScheme, SignalName, Stage, Threshold } from '@dewpoint/core/system'

/** What stands for the controls where the wiring is not known. */
const abstract = new Set([
  ...['supply', 'programmer', 'roomStat', 'cylinderStat', 'zone2Stat', 'transformer'],
  ...['heatingWire', 'hotWaterWire', 'zone2Wire', 'permanentLive', 'heatingValve', 'hotWaterValve', 'zone2Valve'],
])
/** whose volts are those of a call */
const ofTheCall: SignalName[] = ['heatingTimerVolts', 'heatingMotorVolts', 'heatCallVolts']

/** A threshold written for mains, at the level a call has in a scheme. */
export function atCallLevel<T extends { above?: Threshold; below?: Threshold }>(signal: SignalName, { above, below }: T, scheme: ControlScheme | undefined): T {
  const level = <V>(value: V) => (scheme && value === 100 && ofTheCall.includes(signal) ? scheme.callAbove : value)
  return { ...(above !== undefined && { above: level(above) }), ...(below !== undefined && { below: level(below) }) } as T
}

/** A voltage of the call where it is no mains: compared on its own range, not as dead or live. */
export function inCallVolts(result: NumberResult, scheme: ControlScheme | undefined): NumberResult {
  if (!scheme || scheme.callAbove > 50 || !('run' in result.read) || !ofTheCall.includes(result.read.signal)) return result
  const { bands: _bands, ...rest } = result
  return { ...rest, instrument: 'voltmeterLow', width: 1.5, range: [0, 45] }
}

/** a pump fed by the controls has no output of the board */
function withoutPumpDrive(board: Component): Component {
  const { pumpDrive: _pumpDrive, pumpStuck: _pumpStuck, ...parameters } = board.parameters
  return { ...board, parameters }
}

/** A boiler with its wiring known: the scheme’s devices and conductors in the place of one contact after another. */
export function wiredAs(boiler: BoilerSystem, scheme: ControlScheme): BoilerSystem {
  const proof = (one: Condition): Condition => ({ ...one, ...atCallLevel(one.signal, one, scheme) })
  const stage = (one: Stage): Stage => (one.external ? { ...one, proof: one.proof.map(proof) } : one)
  const pumpOutside = scheme.volts.pumpVolts !== undefined
  return {
    ...boiler,
    id: `${boiler.id}+${scheme.id}`,
    components: [
      ...boiler.components.filter((one) => !abstract.has(one.id)).map((one) => (pumpOutside && one.id === 'board' ? withoutPumpDrive(one) : one)),
      ...scheme.components,
    ],
    sequence: Object.fromEntries(Object.entries(boiler.sequence).map(([demand, stages]) => [demand, stages.map(stage)])),
    controls: scheme,
  }
}
