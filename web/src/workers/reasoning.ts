import { wrap } from 'comlink'
import type { Reasoning } from './diagnosis.worker.ts'

/** The reasoning in its worker, started at first use. */
export const reasoning = wrap<Reasoning>(new Worker(new URL('./diagnosis.worker.ts', import.meta.url), { type: 'module' }))
