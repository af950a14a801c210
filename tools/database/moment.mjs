// A moment as somebody types it.
import { Advice } from '../run.mjs'

/** A moment as this machine's clock has it, as it is typed. */
export const asTyped = (moment) => moment.toLocaleString('sv-SE')

/** `text` as a time of this machine, or with Z as one of UTC; it lies before `now`. */
export function momentOf(text, now) {
  const asked = /^\d{4}-\d\d-\d\d[ T]\d\d:\d\d(:\d\d)?Z?$/.test(text ?? '') ? new Date(text.replace(' ', 'T')) : new Date(NaN)
  if (Number.isNaN(asked.getTime()))
    throw new Advice('--until takes a day and a time, like --until "2026-11-28 14:30" as this machine\u2019s clock has it, or with Z at its end in UTC.')
  if (asked > now) throw new Advice(`${asTyped(asked)} is yet to come. Give a moment that has been.`)
  return asked
}
