import type { Catalogue, Fault } from '@dewpoint/core/diagnosis'
import { at, type Timeline } from '@dewpoint/core/plant'
import { partsExplained, stepsExplained } from '@dewpoint/trade/explained'

/** A step as the customer is told it: done, waited for in vain, or not come to. */
export interface ToldStep {
  id: string
  says: string
  state: 'done' | 'stuck' | 'ahead'
}

export type Wish = 'heating' | 'hotWater'

/** The run that shows a wish being fulfilled; nothing where the boiler cannot. */
export function runFor({ runs }: Pick<Catalogue, 'runs'>, wish: Wish) {
  return runs.find(({ id }) => (wish === 'heating' ? id === 'heating' : id === 'full' || id === 'stored'))
}

/** How far the sequence has come at a moment, and where it ended for good. */
export function stepsAt({ system }: Pick<Catalogue, 'system'>, timeline: Timeline, wish: Wish, row: number): ToldStep[] {
  const signal = wish === 'heating' ? 'heatingStage' : 'hotWaterStage'
  const stages = system.sequence[wish] ?? []
  const ends = Math.min(timeline.rows - 1, Math.floor(timeline.demandEnds / timeline.step) - 1)
  let most = 0
  for (let one = 0; one <= ends; one++) most = Math.max(most, at(timeline, one, signal))
  let now = 0
  for (let one = 0; one <= Math.min(row, ends); one++) now = Math.max(now, at(timeline, one, signal))
  const failed = most < stages.length
  return stages.map(({ id, label }, index) => {
    const words = stepsExplained[id] ?? { does: label, waits: `${label} does not come.` }
    const stuck = failed && index === most && now === most
    return { id, says: stuck ? words.waits : words.does, state: index < now ? 'done' : stuck ? 'stuck' : 'ahead' }
  })
}

/** What a fault is about: its part, and what that part is for. */
export function partOf({ parts }: Pick<Catalogue, 'parts'>, { part }: Pick<Fault, 'part'>): { label: string; is: string } {
  const own = parts.find(({ id }) => id === part)
  return { label: own?.label ?? part, is: partsExplained[part] ?? partsExplained[own?.of ?? ''] ?? '' }
}

/** What comes of it, as it is noticed in the house. */
export function outcomeOf({ system }: Pick<Catalogue, 'system'>, healthy: Timeline, faulty: Timeline, wish: Wish): string {
  const row = (timeline: Timeline) => Math.max(0, Math.min(timeline.rows - 1, Math.floor(timeline.demandEnds / timeline.step) - 2))
  const code = at(faulty, row(faulty), 'code')
  const locked = code > 0 ? ` The boiler switches itself off for safety and shows ${system.codes[code - 1]?.display ?? 'a code'}.` : ''
  const signal =
    wish === 'heating'
      ? 'radiatorTemperature'
      : system.layout.hotWater === 'cylinder' || system.layout.hotWater === 'store'
        ? 'cylinderTemperature'
        : 'tapTemperature'
  const [should, is] = [at(healthy, row(healthy), signal), at(faulty, row(faulty), signal)]
  const what = wish === 'heating' ? 'the radiators' : signal === 'cylinderTemperature' ? 'the stored water' : 'the water at the tap'
  const lost = should - is
  const flames = (timeline: Timeline) => {
    let times = 0
    for (let one = 1; one < timeline.rows; one++) if (at(timeline, one, 'flame') > at(timeline, one - 1, 'flame')) times++
    return times
  }
  if (lost > 6)
    return `So ${what} only gets to ${Math.round(is)} °C, where it should be ${Math.round(should)} °C.${locked}`.replace(
      'radiators only gets',
      'radiators only get',
    )
  if (flames(faulty) > flames(healthy) + 2) return `So the flame goes on and off ${flames(faulty)} times, and the water turns hot, cold, hot.${locked}`
  return locked.trim() || 'In this run it hardly shows: it takes longer, comes and goes, or shows in the other demand.'
}
