import { spawnSync } from 'node:child_process'
import { airRatioFromCarbonDioxide, flueHeat, fuels } from '@dewpoint/core/physics'
import { at, simulate } from '@dewpoint/core/plant'
import { withValues } from '@dewpoint/core/system'
import { premixCombiCatalogue } from '@dewpoint/trade'

/** How our plant compares with a general-purpose integrator for stiff equations on the same heat balance. */
export type StiffComparison = { kelvin: number; theirs: number; seconds: number } | { missing: string }

/**
 * Ten minutes of heating at a held rate, by our plant and by scipy's Radau (cli/heatBalance.py).
 *
 * @returns greatest difference of temperatures, K, and the integrator's milliseconds; or why it could not be run
 */
export function againstStiffIntegrator(): StiffComparison {
  const { system } = premixCombiCatalogue
  const p = withValues(system, { 'board.flowSet': 82, 'board.highLimit': 108, 'radiators.output': 26 })
  const seconds = 640
  const timeline = simulate(system, p, { heating: true, tap: 0, seconds, holds: 'highest', cold: true })
  let from = 40
  while (at(timeline, from, 'stage') < 6) from++
  from += 20
  const ratio = airRatioFromCarbonDioxide(fuels.naturalGas, p['burner.ratedCarbonDioxide']! / 100)
  const efficiency = Array.from({ length: 24 }, (_unused, index) => {
    const { loss, regained } = flueHeat(fuels.naturalGas, ratio, index * 5 + p['exchanger.approach']!, 20)
    return 1 - loss + regained
  })
  const times = Array.from({ length: 50 }, (_unused, index) => from + index * 11)
  const run = spawnSync('/usr/bin/python3', [`${import.meta.dirname}/heatBalance.py`], {
    encoding: 'utf8',
    input: JSON.stringify({
      efficiency,
      efficiencyStep: 5,
      flow: at(timeline, from, 'waterFlow') / 60,
      output: p['radiators.output']! * 1000,
      room: p['radiators.roomTemperature'],
      input: at(timeline, from, 'gasInput') * 1000,
      exchangerMass: p['exchanger.heatCapacity'],
      radiatorMass: p['system.volume']! * 4190 + p['radiators.metal']!,
      begin: [at(timeline, from, 'flowTemperature'), at(timeline, from, 'radiatorTemperature')],
      times,
    }),
  })
  if (run.status !== 0) return { missing: 'python3-scipy is not installed' }
  const solved = JSON.parse(run.stdout) as { milliseconds: number; exchanger: number[]; radiator: number[] }
  const off = times.map((row, index) =>
    Math.max(
      Math.abs(at(timeline, row, 'flowTemperature') - solved.exchanger[index]!),
      Math.abs(at(timeline, row, 'radiatorTemperature') - solved.radiator[index]!),
    ),
  )
  return { kelvin: Math.max(...off), theirs: solved.milliseconds, seconds: times.at(-1)! - from }
}
