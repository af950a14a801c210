import type { FastifyInstance } from 'fastify'
import { ProblemError } from '../problems/index.ts'

/** Answers for a handler that has not answered in time, ms: nobody waits for ever. What it still does is done; that its answer comes late is only logged. */
export function answerInTime(app: FastifyInstance, patience: number): void {
  const timers = new WeakMap<object, NodeJS.Timeout>()
  app.addHook('onRequest', (request, reply, done) => {
    const timer = setTimeout(() => {
      // what was taken over, as a stream is, ends as it will; whoever went needs no answer
      if (reply.sent || reply.raw.destroyed) return
      // what has begun and does not come to its end cannot be answered otherwise
      if (reply.raw.headersSent) reply.raw.destroy()
      else void reply.send(new ProblemError('tooSlow', 'Try again. What was sent is kept on the device until the server confirms that it is saved.'))
    }, patience)
    timers.set(request, timer)
    done()
  })
  app.addHook('onResponse', (request, _reply, done) => {
    clearTimeout(timers.get(request))
    done()
  })
  app.addHook('onRequestAbort', (request, done) => {
    clearTimeout(timers.get(request))
    done()
  })
}
