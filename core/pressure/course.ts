import { vesselWater } from '../physics/index.ts'
import type { CourseFigures, Explanation } from './explanations.ts'
import { dayOf, warmthAt, type PressureSeries, type TopUp } from './series.ts'

const atmosphere = 1.01325
/** litres that make a bar where no gas is left to give way, as in the plant */
const stiff = 0.5
/** warmth above which a joint that opens hot leaks, and below which one that opens cold does: 45 and 30 °C of 17 to 59 */
const hotAbove = 0.667
const coldBelow = 0.31
/** warmth of a system somebody calls hot, at least */
const calledHot = 0.85

/** Water let in that nobody noted: how far above its course a cold reading stands then, so long after the last, and what that costs in squared standard errors. Chosen */
const untold = { rise: 0.25, hours: 6, strain: 15 }

/** What happens at the end of a stretch. */
type Happening = { kind: 'reading'; index: number; warmth: number } | { kind: 'topUp'; topUp: TopUp; next: number | null } | null

/** The series cut into stretches short enough to be stepped over, with how warm each is. */
export interface Grid {
  /** end of each stretch, h */
  at: Float64Array
  hours: Float64Array
  /** shares of it that are hot and cold enough for a joint to open, mean and highest warmth */
  hot: Float64Array
  cold: Float64Array
  mean: Float64Array
  most: Float64Array
  loopOff: Uint8Array
  /** the heating of a stretch: as every day, left off, or on all the time */
  ran: ('off' | 'on' | undefined)[]
  happens: Happening[]
  day: Float64Array
}

const shortest = 1.5
const longest = 24
const wanted = 160
/** however far apart two happenings are */
const mostSteps = 500

/**
 * Cuts a series into stretches that end at each reading and top-up, no longer than suits its length.
 *
 * @param until hours to go on to after the last happening
 */
export function gridOf(series: PressureSeries, until?: number): Grid {
  const day = dayOf(series.periods)
  const readings = series.readings.map((one, index) => ({ one, index })).sort((a, b) => a.one.at - b.one.at)
  const events: { at: number; happens: Happening; loopOff?: boolean }[] = [
    ...readings.map(({ one, index }) => ({
      at: one.at,
      happens: {
        kind: 'reading' as const,
        index,
        warmth: one.state === 'hot' ? Math.max(warmthAt(day, one.at), calledHot) : one.heating === 'off' ? 0 : Math.min(warmthAt(day, one.at), 0.12),
      },
    })),
    ...series.topUps.map((topUp) => ({
      at: topUp.at,
      happens: { kind: 'topUp' as const, topUp, next: readings.find(({ one }) => one.at > topUp.at)?.index ?? null },
    })),
  ].sort((a, b) => a.at - b.at)
  const from = events[0]?.at ?? 0
  const end = Math.max(events.at(-1)?.at ?? 0, until ?? 0)
  const longestStep = Math.min(Math.max(((events.at(-1)?.at ?? 0) - from) / wanted, shortest), longest)
  const at: number[] = []
  const happens: Happening[] = []
  const loopOff: number[] = []
  const ran: ('off' | 'on' | undefined)[] = []
  let now = from
  const goTo = (to: number, what: Happening) => {
    const next = readings.find(({ one }) => one.at >= to - 1e-9)?.one
    const steps = Math.min(Math.max(1, Math.ceil((to - now) / (what ? longestStep : Infinity) - 1e-9)), mostSteps)
    const begin = now
    for (let step = 1; step <= steps; step++) {
      at.push(begin + ((to - begin) * step) / steps)
      happens.push(step === steps ? what : null)
      loopOff.push(next?.loopOff ? 1 : 0)
      ran.push(next?.heating)
    }
    now = to
  }
  for (const event of events) goTo(event.at, event.happens)
  // beyond what happened the stretches grow: what is far off need not be known to the hour
  for (const last = now; now < end;) goTo(Math.min(now + Math.max(shortest, (now - last) * 0.06), end), null)
  const count = at.length
  const grid: Grid = {
    at: Float64Array.from(at),
    hours: new Float64Array(count),
    hot: new Float64Array(count),
    cold: new Float64Array(count),
    mean: new Float64Array(count),
    most: new Float64Array(count),
    loopOff: Uint8Array.from(loopOff),
    ran,
    happens,
    day,
  }
  let before = from
  for (let index = 0; index < count; index++) {
    const to = at[index]!
    grid.hours[index] = to - before
    shareOut(grid, index, before, to, ran[index])
    const what = happens[index]
    if (what?.kind === 'reading') grid.most[index] = Math.max(grid.most[index]!, what.warmth)
    before = to
  }
  return grid
}

/** How warm a stretch is: looked at every half an hour, of a day or more once round the clock. */
function shareOut(grid: Grid, index: number, from: number, to: number, ran: 'off' | 'on' | undefined): void {
  const samples = Math.max(1, Math.min(48, Math.ceil((to - from) * 2)))
  const step = (to - from) / samples
  let [hot, cold, mean, most] = [0, 0, 0, 0]
  for (let sample = 0; sample < samples; sample++) {
    const warmth = ran === 'on' ? 0.95 : ran === 'off' ? 0 : warmthAt(grid.day, from + (sample + 0.5) * step)
    if (warmth > hotAbove) hot++
    if (warmth < coldBelow) cold++
    mean += warmth
    most = Math.max(most, warmth)
  }
  grid.hot[index] = hot / samples
  grid.cold[index] = cold / samples
  grid.mean[index] = mean / samples
  grid.most[index] = most
}

/** Pressure of a system whose vessel has taken so much water; below none the pipes give way. */
export function pressureOf(volume: number, charge: number, water: number): number {
  if (water < 0) return Math.max(charge + water / stiff, 0)
  return Math.min(((charge + atmosphere) * volume) / Math.max(volume - water, volume / 50) - atmosphere, 12)
}

/** Water in the vessel at a pressure, litres; below none what is missing before it takes any. */
const waterAt = (volume: number, charge: number, bar: number) => (bar > charge ? vesselWater(volume, charge, bar) : (bar - charge) * stiff)

const nothing = new Float64Array(0)

/** What a course does. */
export interface Course {
  /** what the gauge should show at each reading, by its index, bar */
  shown: Float64Array
  /** water in the vessel, cold, at the end of every stretch, l */
  water: Float64Array
  /** litres let out by the relief valve up to the end of every stretch */
  relieved: Float64Array
  /** how ill top-ups fit, told ones a gauge that hardly moves and untold ones anything, in standard errors squared */
  strain: number
}

/**
 * One course through a series by its figures: expansion against the cushion, water lost or let in, a relief valve that lifts.
 * Over a stretch the water lost is taken at its mean warmth and against the pressure at its end, so that no stretch swings.
 *
 * @param into where what is shown is put, for whoever wants nothing else: no water is kept then
 */
export function courseOf(series: PressureSeries, grid: Grid, flow: Explanation['flow'], figures: CourseFigures, into?: Float64Array): Course {
  const { vesselLitres: volume, relief, mains } = series.system
  const { charge, grows, rate, follows } = figures
  const shown = into ?? new Float64Array(series.readings.length)
  const water = into ? nothing : new Float64Array(grid.at.length)
  let held = waterAt(volume, charge, figures.start)
  const relieved = into ? nothing : new Float64Array(grid.at.length)
  const fullest = waterAt(volume, charge, relief)
  let out = 0
  let strain = 0
  const found = figures.start
  let reference = found
  const gauge = (bar: number) => (follows === 1 ? bar : Math.max(reference + (bar - reference) * follows, 0))
  let resumed: number | null = null
  let told = -Infinity
  for (let index = 0; index < grid.at.length; index++) {
    const hours = grid.hours[index]!
    if (rate > 0 && hours > 0) {
      const share = flow === 'hot' ? grid.hot[index]! : flow === 'cold' ? grid.cold[index]! : flow === 'loop' && grid.loopOff[index] ? 0 : 1
      if (share > 0) {
        const warmth = flow === 'hot' ? grid.most[index]! : flow === 'cold' ? 0 : grid.mean[index]!
        const swollen = held + grows * warmth
        const bar = pressureOf(volume, charge, swollen)
        const gives = Math.max(swollen >= 0 ? (volume - swollen) / (bar + atmosphere) : stiff, 0.02)
        const k = rate * hours * share
        const incoming = flow === 'loop' || flow === 'plate'
        held += (incoming ? k * Math.max(mains - bar, 0) : -k * bar) / (1 + k / gives)
      }
    }
    // what is over the relief valve's setting at its warmest goes out
    const over = held + grid.most[index]! * grows - fullest
    if (over > 0) {
      out += over
      held -= over
    }
    const what = grid.happens[index]
    if (what?.kind === 'reading') {
      // after water let in to nobody knows where, the next reading says where
      if (resumed === what.index) held = waterAt(volume, charge, series.readings[what.index]!.bar) - grows * what.warmth
      resumed = resumed === what.index ? null : resumed
      let bar = pressureOf(volume, charge, held + grows * what.warmth)
      const read = series.readings[what.index]!.bar
      // higher than this course can be: somebody let water in and did not say so
      if (follows === 1 && what.warmth < coldBelow && read - bar > untold.rise && grid.at[index]! - told >= untold.hours) {
        held = waterAt(volume, charge, Math.min(read, relief)) - grows * what.warmth
        bar = Math.min(read, relief)
        strain += untold.strain
      }
      told = grid.at[index]!
      shown[what.index] = gauge(bar)
    } else if (what?.kind === 'topUp') {
      told = what.topUp.at
      const { to } = what.topUp
      if (to === null) resumed = what.next
      else {
        const warmth = Math.min(warmthAt(grid.day, what.topUp.at), 1) * 0.5
        const before = gauge(pressureOf(volume, charge, held + grows * warmth))
        if (follows < 0.15) strain += ((to - before) / series.gaugeError) ** 2
        const bar = follows === 1 ? to : reference + (to - reference) / Math.max(follows, 0.15)
        held = waterAt(volume, charge, Math.min(Math.max(bar, 0), relief)) - (follows === 1 ? 0 : grows * warmth)
        if (follows !== 1) reference = found
      }
    }
    if (into) continue
    water[index] = held
    relieved[index] = out
  }
  return { shown, water, relieved, strain }
}
