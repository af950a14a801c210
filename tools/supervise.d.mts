import type { ChildProcess } from 'node:child_process'

export interface Supervised {
  /** the present process */
  child: ChildProcess | undefined
  /** the exit code, once it is given up or stopped */
  ended: Promise<number>
  stop: () => Promise<void>
}
export function keepRunning(name: string, launch: () => ChildProcess, options?: { hopeless?: number[]; firstPause?: number }): Supervised
