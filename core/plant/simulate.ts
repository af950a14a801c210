import { signalNames, type BoilerSystem, type Parameters } from '../system/index.ts'
import { assemble } from './assembly.ts'
import { compile } from './compile.ts'
import { Controller } from './controller.ts'
import type { Plant } from './plant.ts'
import { leadSeconds, type Script } from './script.ts'
import { emptyTimeline, type Timeline } from './timeline.ts'

const width = signalNames.length

/**
 * Runs the boiler from standby: the controller interprets the sequence, the plant answers.
 *
 * Heat is kept in well-mixed nodes (main exchanger, radiators, stored water); what leaves one enters another in the same step, so
 * that energy is conserved to rounding. Explicit steps of half a second unless the script says otherwise; the quickest exchange
 * takes about thirty of them. Every signal is recorded once a second unless the script says otherwise.
 *
 * @param system the boiler as data
 * @param p every parameter, keyed `component.parameter`, as `withValues` gives them
 * @param into a timeline to write over, of the same length, as {@link simulate} gave it before
 * @param onProgress called now and then with the share that is done, 0 to 1
 * @throws RangeError naming a parameter the layout needs and the system lacks
 */
export function simulate(system: BoilerSystem, p: Parameters, script: Script, into?: Timeline, onProgress?: (share: number) => void): Timeline {
  const dt = script.step ?? 0.5
  const everySteps = Math.max(1, Math.round((script.every ?? 1) / dt))
  const timeline = emptyTimeline(script.seconds + (script.after ?? 0), dt * everySteps, script.seconds, into)
  const { values, rows } = timeline
  const value = (key: string): number => {
    const known = p[key]
    if (known === undefined) throw new RangeError(`${system.id} has no parameter ${key}, which its layout needs`)
    return known
  }
  const board = new Controller(compile(system, value), script.powerUp)
  if (!script.cold) board.justServed()
  const plant: Plant = {
    system,
    script,
    board,
    dt,
    s: new Float64Array(width),
    clock: new Float64Array(3),
    drawn: new Float64Array(3),
    value,
    optional: (key, otherwise) => p[key] ?? otherwise,
  }
  const { s, clock } = plant
  const parts = assemble(system.layout).map((part) => part(plant))
  for (let row = 0, at = 0; row < rows; row++, at += width) {
    for (let sub = 0; sub < everySteps; sub++) {
      clock[1] = clock[0]! >= leadSeconds && clock[0]! < script.seconds ? 1 : 0
      clock[2] = sub === everySteps - 1 ? 1 : 0
      for (let index = 0; index < parts.length; index++) parts[index]!()
      clock[0]! += dt
    }
    values.set(s, at)
    if (onProgress && row % 200 === 0) onProgress(row / rows)
  }
  return timeline
}
