import { randomUUID } from 'node:crypto'
import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import type { Job } from './job.ts'
import { doStep, giveBack, takeUp } from './queries.ts'

/** between two looks whether something is to be done, ms */
const usualPause = 15_000

/** Does what is not done yet of `list`, one after another. What another server does is left to it. @returns whether all is finished, and how much was done here */
export async function workOff(database: Database, list: readonly Job[], wanted: () => boolean = () => true): Promise<{ finished: boolean; done: number }> {
  const holder = randomUUID()
  let done = 0
  for (const job of list) {
    const state = await takeUp(database, job, holder)
    if (state === 'finished') continue
    // the next may build on this one
    if (state === 'taken') return { finished: false, done }
    for (;;) {
      if (!wanted()) {
        await giveBack(database, job, holder)
        return { finished: false, done }
      }
      const step = await doStep(database, job, holder)
      if (step === 'lost') return { finished: false, done }
      done += step.done
      if (step.finished) break
    }
  }
  return { finished: true, done }
}

/** Works off what there is while the server answers, until all is done; also what another server left undone. */
export const jobsFeature: FastifyPluginAsync<{ database: Database; jobs: readonly Job[]; pause?: number }> = async (
  app,
  { database, jobs, pause = usualPause },
) => {
  let timer: NodeJS.Timeout | undefined
  let stopping = false
  let working: Promise<void> = Promise.resolve()
  const round = async () => {
    try {
      const { finished } = await workOff(database, jobs, () => !stopping)
      if (finished) return
    } catch (error) {
      app.log.error(error, 'work on what is kept was interrupted')
    }
    if (!stopping) timer = setTimeout(begin, pause).unref()
  }
  const begin = () => {
    working = round()
  }
  app.addHook('onReady', async () => begin())
  app.addHook('preClose', async () => {
    stopping = true
    clearTimeout(timer)
    await working
  })
}
