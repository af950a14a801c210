import type { ControlScheme } from '@dewpoint/core/system'
import { wrap } from 'comlink'
import type { SchemeLayout } from '../wiring/layout.ts'
import type { Drawing } from './layout.worker.ts'

const drawn = new Map<string, Promise<SchemeLayout>>()
let worker: ReturnType<typeof wrap<Drawing>> | undefined

/** Where everything of a scheme is drawn; computed once. */
export function drawingOf(scheme: ControlScheme): Promise<SchemeLayout> {
  let layout = drawn.get(scheme.id)
  if (!layout) {
    worker ??= wrap<Drawing>(new Worker(new URL('./layout.worker.ts', import.meta.url), { type: 'module' }))
    drawn.set(scheme.id, (layout = worker.layoutOf(scheme)))
    layout.catch(() => drawn.delete(scheme.id))
  }
  return layout
}
