import { elapsedOf } from '../../bench/tools/gasRate/elapsed.ts'

/**
 * Seconds a meter was timed over: as typed off a watch, else between start and stop, or until now.
 *
 * @returns 0 where nothing was timed, or a clock was set back meanwhile
 */
export function seconds(typed: string, startedAt: number, stoppedAt: number, now: number): number {
  const said = typed.trim() === '' ? NaN : Number(typed.trim().replace(',', '.'))
  if (said > 0 && said < 36_000) return said
  return elapsedOf(startedAt, stoppedAt, now)
}
