import { expansion } from '../physics/index.ts'
import type { Parameters } from '../system/index.ts'
import { Cushion, exchange } from './cushion.ts'

/** A stretch of hours in one state. */
export interface Phase {
  hours: number
  /** what the boiler does meanwhile */
  state: 'cold' | 'heating' | 'hotWater'
  /** the filling loop is taken off and capped */
  loopOff?: boolean
  /** the cold feed is shut */
  mainsShut?: boolean
  /** brought to this pressure first, bar, by filling or letting out */
  setTo?: number
  /** litres let out first, into a bowl */
  letOut?: number
}

/** What the gauge and the pipe outside did in one phase. */
export interface PhaseRecord {
  before: number
  after: number
  highest: number
  /** litres that left by the relief valve */
  relieved: number
}

/** mean water temperature the system tends to in a state, °C above the room and time constant, h. Chosen for this model */
const tends = {
  cold: { over: 0, hours: 1.2 },
  heating: { over: 42, hours: 0.35 },
  hotWater: { over: 2, hours: 1.2 },
} as const
const minute = 1 / 60

/**
 * How the pressure of a heating system moves over hours: expansion against the cushion, leaks out, mains in, a relief valve that may
 * not reseat. Water is taken at its mean temperature, in steps of a minute: a night takes well under a millisecond.
 *
 * @param p every parameter
 * @param phases in order; the first begins as the system was found, cold
 */
export function pressureStory(p: Parameters, phases: readonly Phase[]): PhaseRecord[] {
  const value = (key: string): number => {
    const known = p[key]
    if (known === undefined) throw new RangeError(`a pressure story needs the parameter ${key}`)
    return known
  }
  const optional = (key: string, otherwise: number) => p[key] ?? otherwise
  const room = value('radiators.roomTemperature')
  const volume = value('system.volume')
  const follows = optional('gauge.follows', 1)
  const misreads = optional('gauge.readsHigh', 0)
  const reseats = optional('relief.reseats', 1) > 0.5
  const opensAt = value('relief.opensAt')
  const flows = exchange(value, optional)
  const cushion = new Cushion(value, value('water.pressure'), optional)
  const found = cushion.pressure
  const gauge = () => Math.max(found + (cushion.pressure - found) * follows + misreads, 0)
  /** a valve that did not seat again goes on dripping */
  const stuck = (bar: number) => flows.relief(bar) + 0.002 * Math.max(bar, 0)
  let temperature = room
  let boiler = room
  let grown = 0
  let lifted = false
  return phases.map(({ hours, state, loopOff, mainsShut, setTo, letOut = 0 }) => {
    if (setTo !== undefined) settle(cushion, setTo)
    const record: PhaseRecord = { before: gauge(), after: 0, highest: 0, relieved: 0 }
    if (letOut > 0) cushion.add(-letOut)
    const { over, hours: constant } = tends[state]
    for (let time = 0; time < hours; time += minute) {
      temperature += (room + over - temperature) * (1 - Math.exp(-minute / constant))
      boiler += ((state === 'cold' ? room : 72) - boiler) * 0.2
      const now = expansion(volume, room, temperature) + expansion(3, room, boiler)
      const relief = cushion.addAgainst(now - grown + flows.gain(cushion.pressure, temperature, loopOff, mainsShut), lifted && !reseats ? stuck : flows.relief)
      if (cushion.pressure > opensAt) lifted = true
      grown = now
      record.relieved += relief
      record.highest = Math.max(record.highest, gauge())
    }
    record.after = gauge()
    return record
  })
}

/** Fills or lets out until the pressure is as wished. */
function settle(cushion: Cushion, wished: number): void {
  let low = -200
  let high = 200
  for (let round = 0; round < 60; round++) {
    const middle = (low + high) / 2
    cushion.add(middle)
    const miss = cushion.pressure - wished
    if (Math.abs(miss) < 1e-6) return
    cushion.add(-middle)
    if (miss > 0) high = middle
    else low = middle
  }
}
