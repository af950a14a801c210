/** so many at once are asked for in one go */
const most = 200
/** what a crowd is: after a question of so many askers the next begins so long after it at the earliest, ms, so that it is one of many again */
const crowd = 4
const breath = 10

/**
 * Asks for several things in one go: whoever asks alone is answered at once, whoever asks meanwhile goes together in the next question. Each
 * answer is of after it was asked for. In a crowd nobody waits longer than a breath for the question to begin.
 *
 * @param load what is there of the keys asked for; a key without an answer has none
 */
export function gathered<V>(load: (keys: readonly string[]) => Promise<ReadonlyMap<string, V>>): (key: string) => Promise<V | undefined> {
  const waiting = new Map<string, { done: (value: V | undefined) => void; fail: (error: unknown) => void }[]>()
  let running = false

  async function ask(): Promise<void> {
    running = true
    while (waiting.size > 0) {
      const now = [...waiting].slice(0, most)
      for (const [key] of now) waiting.delete(key)
      const began = performance.now()
      const askers = now.reduce((sum, [, those]) => sum + those.length, 0)
      try {
        const found = await load(now.map(([key]) => key))
        for (const [key, those] of now) for (const one of those) one.done(found.get(key))
      } catch (error) {
        for (const [, those] of now) for (const one of those) one.fail(error)
      }
      const early = began + breath - performance.now()
      if (askers >= crowd && waiting.size < most && early > 0) await new Promise((rest) => setTimeout(rest, early))
    }
    running = false
  }

  return (key) =>
    new Promise((done, fail) => {
      waiting.set(key, [...(waiting.get(key) ?? []), { done, fail }])
      if (!running) void ask()
    })
}
