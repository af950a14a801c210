import type { Remote } from 'comlink'
import { deviceId } from '../keeping/device/identity.ts'
import type { Reasoning } from './diagnosis.worker.ts'
import { startWorker } from './startWorker.ts'

const inWorker = startWorker<Reasoning>(() => new Worker(new URL('./diagnosis.worker.ts', import.meta.url), { type: 'module', name: deviceId }))
type Of<K extends keyof Reasoning> = Parameters<Remote<Reasoning>[K]>

/** The reasoning in its worker, started at first use. */
export const reasoning = {
  ready: (...of: Of<'ready'>) => inWorker((remote) => remote.ready(...of)),
  diagnose: (...of: Of<'diagnose'>) => inWorker((remote) => remote.diagnose(...of)),
  suspects: (...of: Of<'suspects'>) => inWorker((remote) => remote.suspects(...of)),
  ahead: (...of: Of<'ahead'>) => inWorker((remote) => remote.ahead(...of)),
  figuresAt: (...of: Of<'figuresAt'>) => inWorker((remote) => remote.figuresAt(...of)),
  probing: (...of: Of<'probing'>) => inWorker((remote) => remote.probing(...of)),
  nextProbes: (...of: Of<'nextProbes'>) => inWorker((remote) => remote.nextProbes(...of)),
}
