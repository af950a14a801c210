import { at, type Timeline } from '@dewpoint/core/plant'
import type { BoilerSystem } from '@dewpoint/core/system'

/** Something that happened in a run. */
export interface RunEvent {
  seconds: number
  words: string
  kind: 'stage' | 'code' | 'flame' | 'demand'
}

/** Seconds as minutes and seconds. */
export function clock(seconds: number): string {
  const whole = Math.round(seconds)
  const hours = Math.floor(whole / 3600)
  const minutes = Math.floor((whole % 3600) / 60)
  const rest = `${String(minutes).padStart(hours > 0 ? 2 : 1, '0')}:${String(whole % 60).padStart(2, '0')}`
  return hours > 0 ? `${hours}:${rest}` : rest
}

/** What happened, in order: stages proved, flame on and off, codes, the end of the demand. */
export function eventsOf(system: BoilerSystem, timeline: Timeline, demand: 'heating' | 'hotWater'): RunEvent[] {
  const stages = system.sequence[demand] ?? []
  const signal = demand === 'heating' ? 'heatingStage' : 'hotWaterStage'
  const events: RunEvent[] = []
  let proved = 0
  let flame = 0
  let code = 0
  for (let row = 0; row < timeline.rows; row++) {
    const seconds = row * timeline.step
    const now = at(timeline, row, signal)
    for (let stage = proved; stage < now; stage++) events.push({ seconds, words: stages[stage]?.label ?? '', kind: 'stage' })
    if (now > proved || now < proved) proved = now
    const burns = at(timeline, row, 'flame')
    if (burns < flame) events.push({ seconds, words: system.layout.burner === 'electric' ? 'elements out' : 'flame out', kind: 'flame' })
    flame = burns
    const shown = at(timeline, row, 'code')
    if (shown !== code && shown > 0) events.push({ seconds, words: `locks out: ${system.codes[shown - 1]?.display ?? ''}`, kind: 'code' })
    code = shown
  }
  if (timeline.demandEnds < (timeline.rows - 1) * timeline.step - 1) events.push({ seconds: timeline.demandEnds, words: 'demand ends', kind: 'demand' })
  return events.sort((a, b) => a.seconds - b.seconds)
}
