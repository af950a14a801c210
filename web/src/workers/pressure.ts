import type { PressureSeries, WatchAnswer } from '@dewpoint/core/pressure'
import { proxy } from 'comlink'
import type { Pressure } from './pressure.worker.ts'
import { startWorker } from './startWorker.ts'

const inWorker = startWorker<Pressure>(() => new Worker(new URL('./pressure.worker.ts', import.meta.url), { type: 'module' }))

/** What a gauge's readings say; null where it was left off. */
export const watchPressure = (series: PressureSeries, now: number, whole: boolean, progress: (share: number) => void): Promise<WatchAnswer | null> =>
  inWorker((remote) => remote.watch(series, now, whole, proxy(progress)) as Promise<WatchAnswer | null>)

/** Leaves off what is being worked out. */
export const cancelWatch = (): Promise<void> => inWorker((remote) => remote.cancel() as Promise<void>)
