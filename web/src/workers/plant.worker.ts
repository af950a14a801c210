import { combined, patched } from '@dewpoint/core/diagnosis'
import { simulate, type Script, type Timeline } from '@dewpoint/core/plant'
import { nominal, type BoilerSystem } from '@dewpoint/core/system'
import { expose, transfer } from 'comlink'

/** A run to make: a system, the faults in it and how severe they are, and what is asked. */
export interface RunRequest {
  system: BoilerSystem
  faults: { patch: Parameters<typeof patched>[0]['patch']; severity: number }[]
  script: Script
}

/** The plant, off the screen’s thread. */
const plant = {
  run({ system, faults, script }: RunRequest, onProgress: (share: number) => void): Timeline {
    const parameters = combined(
      nominal(system),
      faults.map(({ patch, severity }) => patched({ patch }, severity)),
    )
    const timeline = simulate(system, parameters, script, undefined, onProgress)
    return transfer(timeline, [timeline.values.buffer as ArrayBuffer])
  },
}

/** What the worker offers. */
export type PlantWorker = typeof plant
expose(plant)
