import type { Timeline } from '@dewpoint/core/plant'
import { proxy, wrap } from 'comlink'
import type { RunRequest, PlantWorker } from './plant.worker.ts'

/** A run under way: its result, or null once it was stopped. */
export interface Running {
  result: Promise<Timeline | null>
  stop: () => void
}

/** Runs a plant in a worker of its own, so that a long run can be stopped. */
export function runPlant(order: RunRequest, onProgress: (share: number) => void): Running {
  const worker = new Worker(new URL('./plant.worker.ts', import.meta.url), { type: 'module' })
  const plant = wrap<PlantWorker>(worker)
  let stop = () => {}
  const stopped = new Promise<null>((done, fail) => {
    stop = () => done(null)
    worker.addEventListener('error', () => fail(new Error('The part of Dewpoint that runs a boiler could not be loaded, or stopped. Press Run to try again.')))
  })
  // plain data only: what is reactive does not cross into a worker
  const plain = JSON.parse(JSON.stringify(order, (_key, value: unknown) => (value === Infinity ? 1e6 : value))) as RunRequest
  const result = Promise.race([plant.run(plain, proxy(onProgress)), stopped]).finally(() => worker.terminate())
  return { result, stop }
}
