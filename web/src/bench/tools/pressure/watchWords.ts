import type { Asked, ExplanationId, Outlook, WatchAnswer } from '@dewpoint/core/pressure'

/** An explanation in words: its name, how it reads in a sentence, and what is done about it. */
export const explanationWords: Record<ExplanationId, { label: string; said: string; does: string }> = {
  nothing: { label: 'Nothing wrong', said: 'nothing wrong', does: 'Two or three top-ups a year are no more than usual. Read it again in a month.' },
  overfilled: {
    label: 'Too much water',
    said: 'too much water in it',
    does: 'Let it down to the usual fill, cold, by a radiator vent or drain; then read it again.',
  },
  leak: {
    label: 'Leak on the system',
    said: 'a leak',
    does: 'Track the joints cold and hot, inside the casing first: a pipe outside that stays dry says it is here.',
  },
  leakHot: {
    label: 'Joint that opens hot',
    said: 'a joint that opens hot',
    does: 'Look while it is hot: valve glands, radiator tails, joints near the boiler. Cold it shows nothing.',
  },
  leakCold: {
    label: 'Joint that opens cold',
    said: 'a joint that opens cold',
    does: 'Look early, before the heating starts: compression joints that have been worked on.',
  },
  relief: {
    label: 'Relief valve passing',
    said: 'the relief valve passing',
    does: 'A bag over the pipe outside overnight. Then why it lifted once: overfilled, loop left open, vessel without charge.',
  },
  cushion: {
    label: 'Vessel lost its cushion',
    said: 'the vessel without its cushion',
    does: 'Bring the pump and a valve core. Water side drained, drain open, then read the air valve.',
  },
  small: {
    label: 'Vessel too small',
    said: 'a vessel too small',
    does: 'Count the radiators, see the sum under Fill and vessel; a second vessel, or a lower fill.',
  },
  loop: { label: 'Filling loop lets by', said: 'the filling loop letting by', does: 'Take the loop off or blank it, and read again after a night.' },
  plate: {
    label: 'Plate or coil holed',
    said: 'a holed plate or coil',
    does: 'With the loop off and still climbing it is this. Shut the cold feed: it stops.',
  },
  gaugeStuck: { label: 'Gauge stuck', said: 'a stuck gauge', does: 'Let a jug of water out: the needle should drop. Read on a second gauge.' },
  gaugeSluggish: { label: 'Gauge sluggish', said: 'a sluggish gauge', does: 'Tap it, wait, and hold it against a second gauge before anybody is believed.' },
}

/** Odds as a share in words. */
export const oddsWords = (odds: number): string => (odds < 0.01 ? '<1%' : odds > 0.99 ? '>99%' : `${Math.round(odds * 100)}%`)

/** Litres to what a gauge can tell. */
export const litresWords = (litres: number): string => {
  const size = Math.abs(litres)
  return `${size < 0.095 ? size.toFixed(2) : size < 10 ? size.toFixed(1) : Math.round(size)} l`
}

/** Two of them a little finer, so that they are not the same. */
const between = (one: number, other: number) => {
  const [low, high] = [Math.min(Math.abs(one), Math.abs(other)), Math.max(Math.abs(one), Math.abs(other))]
  const figures = (litres: number) => (high < 1 ? litres.toFixed(2) : high < 10 ? litres.toFixed(1) : String(Math.round(litres)))
  return `${figures(low)} to ${figures(high)}`
}

const flows = new Set<ExplanationId>(['leak', 'leakHot', 'leakCold', 'relief'])

/** What comes out of or into it a day, in words; nothing where that is not what it is about. */
export function rateWords(id: ExplanationId, { litresADay: { low, mid, high } }: Outlook): string {
  if (id === 'loop' || id === 'plate') return `${litresWords(mid)} a day comes in, ${between(low, high)}`
  return flows.has(id) ? `${litresWords(mid)} a day, ${between(low, high)}` : ''
}

/** What the watch says, as one sentence. */
export function watchHeadline({ explanations }: WatchAnswer): string {
  const [first, second] = explanations
  if (!first) return 'Nothing can be said yet.'
  const { said } = explanationWords[first.id]
  if (first.odds < 0.6 && second) return `Cannot be told yet: ${said} or ${explanationWords[second.id].said}.`
  const sure = first.odds > 0.95 ? 'Almost certainly' : 'Probably'
  if (first.id === 'nothing') return `${sure} nothing wrong.`
  const rate = flows.has(first.id) || first.id === 'loop' || first.id === 'plate' ? `, ${litresWords(first.outlook.litresADay.mid)} a day` : ''
  return `${sure} ${said}${rate}.`
}

/** When it stops, in days of the wall clock; `dayAt` tells the day of an hour. */
export function stopWords({ stops, chance }: Outlook, dayAt: (hours: number) => string, now: number): string {
  if (!stops) return chance > 0.2 ? 'May stop on low water within months.' : ''
  const interval = Number.isFinite(stops.high)
    ? dayAt(stops.low) === dayAt(stops.high)
      ? ''
      : `, ${dayAt(stops.low)} to ${dayAt(stops.high)}`
    : `, ${dayAt(stops.low)} at the earliest`
  // nobody has read it since
  if (stops.mid < now) return `It should have stopped on low water by ${dayAt(stops.mid)}${interval}: read it now.`
  return `Stops on low water ${dayAt(stops.mid)}${interval}.`
}

/** The reading that would tell most, as what is said to whoever takes it. */
export function askedWords({ state, loopOff, heating }: Asked): string {
  const how = state === 'hot' ? 'radiators hot' : 'radiators cold'
  if (loopOff) return `filling loop off until then, ${how}`
  if (heating === 'on') return `heating on all day until then, ${how}`
  return heating === 'off' ? `heating left off until then, ${how}` : how
}
