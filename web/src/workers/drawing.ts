import type { ControlScheme } from '@dewpoint/core/system'
import type { SchemeLayout } from '../wiring/layout.ts'
import type { Drawing } from './layout.worker.ts'
import { startWorker } from './startWorker.ts'

const drawn = new Map<string, Promise<SchemeLayout>>()
const inWorker = startWorker<Drawing>(() => new Worker(new URL('./layout.worker.ts', import.meta.url), { type: 'module' }))

/** Where everything of a scheme is drawn; computed once. */
export function drawingOf(scheme: ControlScheme): Promise<SchemeLayout> {
  let layout = drawn.get(scheme.id)
  if (!layout) {
    drawn.set(scheme.id, (layout = inWorker((remote) => remote.layoutOf(scheme))))
    layout.catch(() => drawn.delete(scheme.id))
  }
  return layout
}
