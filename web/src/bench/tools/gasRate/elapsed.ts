/**
 * Seconds between start and stop, or until now.
 *
 * @returns 0 where nothing was started, or a clock was set back meanwhile
 */
export function elapsedOf(startedAt: number, stoppedAt: number, now: number): number {
  return startedAt === 0 ? 0 : Math.max(0, ((stoppedAt || now) - startedAt) / 1000)
}
