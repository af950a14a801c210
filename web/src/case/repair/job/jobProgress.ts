import type { Entry, EntryOf } from '@dewpoint/core/casebook'
import type { JobLine } from '@dewpoint/core/diagnosis'

/** How far one line of a job is. */
export interface LineProgress {
  /** the entry that says it is done */
  done: Entry | null
  /** figures noted, by the number of the note */
  noted: Map<number, { value: number; unit: string }>
}

/** from the closing of a way in on, what was opened before is opened again */
const closes = (entry: Entry) =>
  entry.type === 'step' && entry.payload.remedy.startsWith('close.') && entry.payload.step === 0 && entry.payload.state === 'done'

/**
 * How far a chosen job is: ticks and figures noted since it was chosen, or since the choice before it where nothing was closed up between the two.
 *
 * @param live the journal as it stands, in its order
 * @param chosen the entry that chose it; nothing chosen, nothing done
 */
export function progressOf(live: readonly Entry[], lines: readonly JobLine[], chosen: string | null): Map<string, LineProgress> {
  const at = live.findIndex((one) => one.id === chosen)
  const choices = live.flatMap((one, index) => (one.type === 'decision' && one.payload.kind === 'planChosen' && index <= at ? [index] : []))
  const shut = live.slice(0, Math.max(0, at)).findLastIndex(closes)
  const from = at < 0 ? live.length : (choices.find((index) => index > shut) ?? at)
  const since = live.slice(from)
  return new Map(lines.map((line) => [line.id, line.kind === 'work' ? workProgress(line, since) : wayProgress(line, since)]))
}

function steps(line: JobLine, since: readonly Entry[]): EntryOf<'step'>[] {
  return since.filter((one): one is EntryOf<'step'> => one.type === 'step' && one.payload.remedy === line.id)
}

function noted(line: JobLine, since: readonly Entry[]): LineProgress['noted'] {
  return new Map(
    steps(line, since).flatMap(({ payload: { step, value, unit } }) =>
      step > 0 && value !== undefined && unit !== undefined ? [[step, { value, unit }]] : [],
    ),
  )
}

function wayProgress(line: JobLine, since: readonly Entry[]): LineProgress {
  const last = steps(line, since).findLast((one) => one.payload.step === 0)
  return { done: last && last.payload.state !== 'open' ? last : null, noted: noted(line, since) }
}

function workProgress(line: JobLine, since: readonly Entry[]): LineProgress {
  const done = since.findLast(
    (one) =>
      one.type === 'repair' &&
      one.payload.remedy === line.remedy &&
      (line.faults.length === 0 || line.faults.some((id) => one.payload.faults?.includes(id) ?? true)),
  )
  return { done: done ?? null, noted: noted(line, since) }
}
