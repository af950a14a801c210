import { at, producedSignals, type Timeline } from '../plant/index.ts'
import { signalNames, signals, type BoilerSystem } from '../system/index.ts'

/**
 * A run as CSV: time, stage and status in words, then every signal, units in the header. One row a second.
 *
 * @param system names the stages, statuses and codes
 */
export function timelineCsv(system: BoilerSystem, timeline: Timeline): string {
  const demands = ['none', 'keepWarm', 'heating', 'hotWater', 'frost'] as const
  const produced = producedSignals(system)
  const columns = signalNames.filter((name) => produced.has(name) && !['stage', 'status', 'code', 'demand', 'hotWaterStage', 'heatingStage'].includes(name))
  const header = [
    'time (s)',
    'demand',
    'stage',
    'status',
    'code',
    ...columns.map((name) => (signals[name][0] === '1' ? name : `${name} (${signals[name][0]})`)),
  ]
  const lines = [header.join(',')]
  const every = Math.max(1, Math.round(1 / timeline.step))
  for (let row = 0; row < timeline.rows; row += every) {
    const demand = demands[at(timeline, row, 'demand')] ?? 'none'
    const stages = demand === 'none' ? [] : (system.sequence[demand] ?? [])
    const stage = demand === 'none' ? '' : (stages[at(timeline, row, 'stage')]?.id ?? 'complete')
    const status = system.statuses[at(timeline, row, 'status')]?.id ?? ''
    const code = system.codes[at(timeline, row, 'code') - 1]?.id ?? ''
    lines.push([trimmed(row * timeline.step), demand, stage, status, code, ...columns.map((name) => trimmed(at(timeline, row, name)))].join(','))
  }
  return `${lines.join('\n')}\n`
}

const trimmed = (value: number) => String(Number(value.toPrecision(7)))
