import { fork, type ChildProcess } from 'node:child_process'
import { mkdirSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import {
  buildSingles,
  drawCount,
  isFreshSignatureFile,
  noExceptions,
  pairsOf,
  signatureFileBytes,
  simulatePairs,
  singleRuns,
  type SingleRuns,
  type Catalogue,
  type Exceptions,
} from '@dewpoint/core/diagnosis'
import { stockCatalogues, wiredCatalogues } from '@dewpoint/trade'
import { readShipped, writeShipped } from '@dewpoint/trade/shipped'

/**
 * Simulates what every check reads under every hypothesis of the stock systems and writes trade/signatures/SYSTEM.bin.gz.
 *
 *   signatures [--force | --stale] [SYSTEM…]
 *
 * Of a stock system with its wiring known the single faults alone are simulated; its pairs are put together from them.
 * A file that belongs to its catalogue already is left alone unless forced; --stale only names those that do not. The work is shared out over one process a core.
 */
const known: Record<string, Catalogue> = { ...stockCatalogues, ...Object.fromEntries(wiredCatalogues().map((one) => [one.system.id, one])) }
/** The single faults of a system; their runs only where its pairs are simulated too. */
type Singles = { values: Float32Array; runs?: SingleRuns }
type Job = { system: string; singles?: Singles; from?: number; to?: number }
type Answer = Singles | Exceptions

if (process.send) process.on('message', (job) => process.send!(work(job as Job)))
else await buildAll()

async function buildAll(): Promise<void> {
  const wanted = process.argv.slice(2)
  const named = wanted.filter((one) => !one.startsWith('--'))
  const unknown = named.filter((one) => !known[one])
  if (unknown.length > 0) throw new Error(`unknown system "${unknown.join(', ')}"; known: ${Object.keys(known).join(', ')}`)
  const stale = Object.values(known).filter((one) => (named.length === 0 || named.includes(one.system.id)) && (wanted.includes('--force') || !fresh(one)))
  if (wanted.includes('--stale')) return console.log(stale.map((one) => one.system.id).join(', '))
  if (stale.length === 0) return
  mkdirSync(`${import.meta.dirname}/../trade/signatures`, { recursive: true })
  const helpers = Array.from({ length: availableParallelism() }, () =>
    fork(import.meta.filename, [], { execArgv: ['--import', 'tsx'], serialization: 'advanced' }),
  )

  // the longest first, so that no core waits for another at the end
  const longest = stale.toSorted((one, other) => workOf(other) - workOf(one))
  const built = await shareOut(
    helpers,
    longest.map(({ system }) => ({ system: system.id })),
  )
  const pieces = helpers.length * 8
  for (const catalogue of stale) {
    const own = built[longest.indexOf(catalogue)] as Singles
    if (!own.runs) {
      writeShipped(catalogue.system.id, signatureFileBytes(catalogue, own.values, noExceptions))
      console.log(`${catalogue.system.id}: ${catalogue.faults.length} faults`)
      continue
    }
    const edge = (piece: number) => Math.floor((pairsOf(catalogue).length * piece) / pieces)
    const parts = (await shareOut(
      helpers,
      Array.from({ length: pieces }, (_unused, piece) => ({ system: catalogue.system.id, singles: own, from: edge(piece), to: edge(piece + 1) })),
    )) as Exceptions[]
    const exceptions = {
      at: Uint32Array.from(parts.flatMap((part) => [...part.at])),
      values: Float32Array.from(parts.flatMap((part) => [...part.values])),
    }
    writeShipped(catalogue.system.id, signatureFileBytes(catalogue, own.values, exceptions))
    console.log(`${catalogue.system.id}: ${catalogue.faults.length} faults, ${pairsOf(catalogue).length} pairs`)
  }
  for (const helper of helpers) helper.disconnect()
}

/** Steps of the plant that the single faults of a system take. */
function workOf({ faults, runs }: Catalogue): number {
  return faults.length * runs.reduce((sum, { seconds, step = 0.5 }) => sum + seconds / step, 0)
}

function fresh(catalogue: Catalogue): boolean {
  const bytes = readShipped(catalogue.system.id)
  return bytes !== null && isFreshSignatureFile(catalogue, bytes)
}

function work({ system, singles, from = 0, to = 0 }: Job): Answer {
  const catalogue = known[system]!
  if (singles) return simulatePairs(catalogue, singles.values, pairsOf(catalogue).slice(from, to), singles.runs)
  if (catalogue.system.controls) return { values: buildSingles(catalogue) }
  const { runs, keep } = singleRuns(catalogue)
  return { values: buildSingles(catalogue, drawCount, keep), runs }
}

/** Hands jobs to whichever helper is free; answers in the order of the jobs. */
async function shareOut(helpers: ChildProcess[], jobs: Job[]): Promise<Answer[]> {
  const answers: Answer[] = []
  let next = 0
  await Promise.all(
    helpers.map(async (helper) => {
      for (let index = next++; index < jobs.length; index = next++) answers[index] = await ask(helper, jobs[index]!)
    }),
  )
  return answers
}

function ask(helper: ChildProcess, job: Job): Promise<Answer> {
  return new Promise((done, fail) => {
    const ended = (code: number | null) => fail(new Error(`a share of the simulation of ${job.system} ended with ${code}`))
    helper.once('exit', ended)
    helper.once('message', (answer) => {
      helper.off('exit', ended)
      done(answer as Answer)
    })
    helper.send(job)
  })
}
