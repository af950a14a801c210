import { signalIndex as S } from '../../../system/index.ts'
import { clamp, type Part, type Plant } from '../../plant.ts'
import { storeCalls } from './storeCalls.ts'
import { wired } from './wired.ts'

/** Columns of one circuit's call: programmer, thermostat, valve motor, valve, end switch. */
interface Circuit {
  name: 'heating' | 'hotWater' | 'zone2'
  timer: number
  motor: number
  valve: number
  call: number
}

const heating: Circuit = { name: 'heating', timer: S.heatingTimerVolts, motor: S.heatingMotorVolts, valve: S.heatingValve, call: S.heatCallVolts }
const hotWater: Circuit = { name: 'hotWater', timer: S.hotWaterTimerVolts, motor: S.hotWaterMotorVolts, valve: S.hotWaterValve, call: S.hotWaterCallVolts }
const zone2: Circuit = { name: 'zone2', timer: S.heatingTimerVolts, motor: S.zone2MotorVolts, valve: S.zone2Valve, call: S.zone2CallVolts }

/**
 * What asks the boiler to run, as one contact after another a circuit: programmer output, thermostat, wire, and where there is a
 * valve its motor, travel and end switch, which joins the permanent live to the demand terminal. Where the wiring is known, it is that.
 */
export const calls: Part = (plant) => {
  if (plant.system.controls) return wired(plant, plant.system.controls)
  const { ways, hotWater: kind } = plant.system.layout
  const stored = kind === 'cylinder' || kind === 'store'
  supplied(plant)
  const steps: (() => void)[] = []
  if (ways === 'diverter' || ways === 'direct' || ways === 'gravity') steps.push(contact(plant, heating, () => plant.script.heating))
  if (ways === 'twoPort' || ways === 'zones') steps.push(valve(plant, heating, () => plant.script.heating))
  if (ways === 'zones')
    steps.push(
      valve(plant, zone2, () => plant.script.zone2 === true),
      joined(plant),
    )
  if (stored) steps.push(valve(plant, hotWater, storeCalls(plant)))
  if (ways === 'twoPort' && stored) steps.push(oneTerminal(plant))
  const { s, clock, script, optional } = plant
  const heard = optional('board.heatInput', 1)
  return () => {
    for (let index = 0; index < steps.length; index++) steps[index]!()
    // joined at the boiler's own terminals, whatever the controls outside do
    if (script.linked && clock[1]! > 0.5) s[S.heatCallVolts] = s[S.supplyVolts]!
    s[S.heatCallVolts] = s[S.heatCallVolts]! * heard
  }
}

/** Supply at the boiler, at the valves’ end switches, and of the control transformer where the controls are low-voltage. */
function supplied({ s, value, optional }: Plant): void {
  const volts = 230 * value('supply.live') * optional('supply.neutral', 1)
  s[S.supplyVolts] = volts
  s[S.permanentLiveVolts] = volts * optional('permanentLive.continuity', 1)
  s[S.transformerVolts] = volts > 0 ? optional('transformer.output', 0) * optional('transformer.fuse', 1) : 0
  s[S.hotWaterSelected] = optional('board.hotWaterOn', 1)
}

/** Volts that reach the far side of programmer, thermostat and wire of a circuit. */
function chain({ s, clock, value, optional, system }: Plant, circuit: Circuit, wanted: () => boolean): () => void {
  const { name } = circuit
  const lowVoltage = system.layout.ways === 'zones'
  const stat = name === 'hotWater' ? 'cylinderStat' : name === 'zone2' ? 'zone2Stat' : 'roomStat'
  const output = name === 'zone2' ? 1 : optional(`programmer.${name}Output`, 1)
  // a room thermostat that feels three kelvins too many takes a cold room for a warm one
  const misled = name !== 'hotWater' && optional(`${stat}.readsHigh`, 0) >= 3
  const clicks = misled ? 0 : optional(`${stat}.closes`, 1) * optional(`${stat}.turnedUp`, 1)
  const stuck = optional(`${stat}.stuckClosed`, 0)
  const wire = value(`${name}Wire.continuity`)
  const source = lowVoltage ? s[S.transformerVolts]! : s[S.supplyVolts]!
  s[circuit.timer] = source * output
  return () => {
    const closed = stuck > 0.5 || (clock[1]! > 0.5 && wanted() && clicks > 0.5)
    s[circuit.motor] = closed ? s[circuit.timer]! * wire : 0
  }
}

/** A circuit without a valve: the thermostat's wire is the demand terminal. */
function contact(plant: Plant, circuit: Circuit, wanted: () => boolean): () => void {
  const step = chain(plant, circuit, wanted)
  return () => {
    step()
    plant.s[circuit.call] = plant.s[circuit.motor]!
  }
}

/** A circuit with a motor valve: driven open against its spring, the end switch makes near the end of its travel. */
function valve(plant: Plant, circuit: Circuit, wanted: () => boolean): () => void {
  const { s, dt, value, optional } = plant
  const step = chain(plant, circuit, wanted)
  const part = `${circuit.name}Valve`
  const enough = plant.system.layout.ways === 'zones' ? 20 : 180
  const motor = value(`${part}.motor`)
  const free = value(`${part}.freedom`)
  const held = optional(`${part}.heldOpen`, 0)
  const switchWorks = value(`${part}.endSwitch`)
  const weld = optional(`${part}.endSwitchStuck`, 0)
  const travel = dt / value(`${part}.travelTime`)
  // where the motor's cam stands: a lever holds the valve open without turning it
  const position = new Float64Array([optional(`${part}.start`, 0)])
  const live = plant.system.layout.ways === 'zones' ? S.supplyVolts : S.permanentLiveVolts
  return () => {
    step()
    const driven = s[circuit.motor]! > enough && motor > 0.5
    position[0] = clamp(position[0]! + (driven ? travel : -3 * travel) * free, 0, 1)
    s[circuit.valve] = Math.max(position[0]!, held)
    const made = weld > 0.5 || (position[0]! > 0.8 && switchWorks > 0.5)
    s[circuit.call] = made ? s[live]! : 0
  }
}

/** Either zone's end switch calls the boiler. */
function joined({ s }: Plant): () => void {
  return () => {
    s[S.heatCallVolts] = Math.max(s[S.heatCallVolts]!, s[S.zone2CallVolts]!)
  }
}

/** Both end switches lead to one demand terminal: a call that stands there counts for the water whose valve has been driven open. */
function oneTerminal({ s, optional }: Plant): () => void {
  const byHand = optional('hotWaterValve.heldOpen', 0) > 0.5
  return () => {
    const own = s[S.hotWaterCallVolts]!
    const there = Math.max(s[S.heatCallVolts]!, own)
    const driven = s[S.hotWaterValve]! > 0.8 && (own > 100 || !byHand)
    s[S.heatCallVolts] = there
    s[S.hotWaterCallVolts] = driven ? there : 0
  }
}
