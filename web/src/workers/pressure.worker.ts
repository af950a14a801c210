import { fitting, watchAnswer, type PressureSeries, type WatchAnswer } from '@dewpoint/core/pressure'
import { expose } from 'comlink'

let latest = 0
const rest = () => new Promise<void>((go) => setTimeout(go))

/** A gauge's readings fitted off the screen's thread: it says how far it is, and leaves off when something else is asked, or nobody wants it any more. */
const pressure = {
  /** @returns null where it was left off */
  async watch(series: PressureSeries, now: number, whole: boolean, progress: (share: number) => void): Promise<WatchAnswer | null> {
    const mine = ++latest
    const steps = fitting(series)
    for (;;) {
      const { done, value } = steps.next()
      if (done) return mine === latest ? watchAnswer(value, now, whole) : null
      progress(value)
      // whoever cancels is heard between two explanations
      await rest()
      if (mine !== latest) return null
    }
  },
  cancel(): void {
    latest++
  },
}

/** What the worker offers. */
export type Pressure = typeof pressure
expose(pressure)
