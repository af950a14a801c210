import { wrap, type Remote } from 'comlink'

/** A worker that is started at first use, and again after it could not be loaded or broke off: nobody waits for it for ever. */
export function startWorker<T>(make: () => Worker): <R>(work: (remote: Remote<T>) => Promise<R>) => Promise<R> {
  let running: { remote: Remote<T>; broken: Promise<never> } | null = null
  const start = () => {
    const worker = make()
    const broken = new Promise<never>((_done, fail) => {
      worker.addEventListener('error', (event) => {
        event.preventDefault()
        running = null
        worker.terminate()
        fail(new Error('The part of Dewpoint that does the sums could not be loaded, or stopped.'))
      })
    })
    broken.catch(() => undefined)
    return { remote: wrap<T>(worker), broken }
  }
  return (work) => {
    running ??= start()
    return Promise.race([work(running.remote), running.broken])
  }
}
