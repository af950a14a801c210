import { failureOf, type Database } from '../../database/index.ts'
import { appendAll, aside, type Append, type Appended } from './queries.ts'

/** so many are written in one go at most, and so many bytes, of about */
const mostAtOnce = 64
const mostBytes = 2_000_000
/** so many transactions at once at most; another begins beside the latest once so many wait or that takes longer than this, ms: one that waits for a lock holds up no other */
const lanes = 4
const enough = 8
const patience = 100

interface Waiting {
  one: Append
  bytes: number
  done: (outcome: Appended) => void
  fail: (error: unknown) => void
}

/**
 * Appends to journals. Whoever comes alone is written at once; what comes while others are being written goes together in the next transaction,
 * so that a hundred people who write cost little more than one. Of a case one transaction is under way at a time.
 */
export function appender(database: Database): (one: Append, bytes: number) => Promise<Appended> {
  let waiting: Waiting[] = []
  let running = 0
  let latest = 0
  let timer: NodeJS.Timeout | undefined
  const inWork = new Set<string>()

  /** the longest waiting whose case nobody writes in */
  function next(): Waiting[] {
    const taken: Waiting[] = []
    let bytes = 0
    for (const one of waiting) {
      if (taken.length === mostAtOnce || (taken.length > 0 && bytes + one.bytes > mostBytes)) break
      if (inWork.has(one.one.caseId)) continue
      taken.push(one)
      bytes += one.bytes
    }
    const chosen = new Set(taken)
    waiting = waiting.filter((one) => !chosen.has(one))
    return taken
  }

  /** Writes what was taken; of a case that is held elsewhere it goes on alone. */
  async function write(list: readonly Waiting[]): Promise<void> {
    let left: readonly Waiting[] = []
    try {
      const outcomes = await appendAll(
        database,
        list.map((each) => each.one),
      )
      left = list.filter((_each, index) => outcomes[index] === aside)
      list.forEach((each, index) => {
        const outcome = outcomes[index]
        if (outcome !== aside) each.done(outcome)
      })
    } catch (error) {
      // what is wrong with one is not held against the others; a database that is away or full is so for all
      const failure = failureOf(error)
      if (list.length === 1 || (failure && !(failure.again && failure.state === 'busy'))) for (const each of list) each.fail(error)
      else left = list
    }
    const alone = new Set(left.map((each) => each.one.caseId))
    for (const { one } of list) if (!alone.has(one.caseId)) inWork.delete(one.caseId)
    for (const id of alone) void writeAlone(left.filter((each) => each.one.caseId === id))
  }

  /** Writes what was put aside of a case, one after another, each waiting for the lock. */
  async function writeAlone(list: readonly Waiting[]): Promise<void> {
    for (const each of list) {
      try {
        const [outcome] = await appendAll(database, [each.one])
        each.done(outcome as Appended)
      } catch (error) {
        each.fail(error)
      }
    }
    inWork.delete(list[0]!.one.caseId)
    begin()
  }

  function begin(): void {
    clearTimeout(timer)
    timer = undefined
    while (running < lanes && waiting.length > 0) {
      const beside = running === 0 || waiting.length >= enough ? 0 : latest + patience - performance.now()
      if (beside > 0) {
        timer = setTimeout(begin, beside)
        return
      }
      const list = next()
      if (list.length === 0) return
      latest = performance.now()
      for (const each of list) inWork.add(each.one.caseId)
      running++
      void write(list).finally(() => {
        running--
        begin()
      })
    }
  }

  return (one, bytes) =>
    new Promise((done, fail) => {
      waiting.push({ one, bytes, done, fail })
      if (!timer || waiting.length >= enough) begin()
    })
}
