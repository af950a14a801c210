// Keeps a program running: when it ends it is started again, with a growing pause, until it is stopped or there is no hope.
import { say } from './run.mjs'

/** a program that lived longer than this, ms, started well: its next end counts as a first one */
const settled = 10_000
const longestPause = 10_000
/** so many ends right after starting, and something is wrong that starting does not mend */
const mostInVain = 8
const killed = ['SIGKILL', 'SIGTERM', 'SIGHUP', 'SIGINT']

/**
 * @param name what to call it in messages
 * @param launch starts it and gives the child process
 * @param options.hopeless exit codes after which starting again is no use
 * @param options.firstPause ms before the first new start; each further one in a row waits twice as long
 * @returns `ended`: the exit code once it is given up, 0 once it was stopped; `child`: the present process; `stop`
 */
export function keepRunning(name, launch, { hopeless = [], firstPause = 250 } = {}) {
  let stopping = false
  let wake = () => {}
  const running = { child: undefined, ended: undefined, stop: undefined }

  const round = async () => {
    let inVain = 0
    let often = 0
    while (!stopping) {
      const began = Date.now()
      const child = launch()
      running.child = child
      const how = await new Promise((done) => {
        child.once('exit', (code, signal) => done({ code, signal, said: signal ?? `exit code ${code}` }))
        child.once('error', (error) => done({ code: 127, said: error.message }))
      })
      if (stopping) return 0
      if (hopeless.includes(how.code)) return how.code
      const lived = Date.now() - began > settled
      often = lived ? 1 : often + 1
      // whoever is killed from outside did not fail by itself: that is mended by starting again, for good
      inVain = lived || killed.includes(how.signal) ? 0 : inVain + 1
      if (inVain >= mostInVain) {
        console.error(`The ${name} ended ${mostInVain} times in a row soon after it was started: it is not tried again. Its messages stand above.`)
        return how.code || 1
      }
      const pause = Math.min(longestPause, firstPause * 2 ** (often - 1))
      say(`the ${name} ended (${how.said}): starting it again in ${pause / 1000} s`)
      await new Promise((done) => {
        const timer = setTimeout(done, pause)
        wake = () => {
          clearTimeout(timer)
          done()
        }
      })
    }
    return 0
  }
  running.ended = round()
  running.stop = async () => {
    stopping = true
    wake()
    const { child } = running
    if (child && child.exitCode === null && child.signalCode === null) child.kill('SIGTERM')
    await running.ended
  }
  return running
}
