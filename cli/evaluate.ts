import { byName, newEntry } from '@dewpoint/core/casebook'
import { fork, type ChildProcess } from 'node:child_process'
import { appendFileSync, existsSync, mkdirSync, readFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { dirname } from 'node:path'
import { parseArgs } from 'node:util'
import {
  byEngine,
  chanceFrom,
  drawTruth,
  harder,
  matched,
  mismatched,
  optimum,
  ratioOf,
  reportOf,
  smallProblem,
  walk,
  ways,
  type Played,
  type Report,
  type Way,
} from '@dewpoint/core/evaluation'
import { allRules, hear, type Catalogue, type Rules } from '@dewpoint/core/diagnosis'
import { stockCatalogues, wiredCatalogues } from '@dewpoint/trade'
import { heardOf } from '@dewpoint/trade/heard'
import { loadSignatures } from '@dewpoint/trade/shipped'
import { spoken } from '@dewpoint/trade/spoken'
import { refuse } from './refuse.ts'

/**
 * Plays drawn cases to their end, by the engine and by other ways of working, and tells how they went.
 *
 *   evaluate --cases N --seed S [--system ID|all] [--pairs 0.3] [--ways engine,forward,…] [--matched|--hard] [--without RULE,…|all] [--keep FILE] [--optimum N] [--json]
 *
 * The truth differs from the model that judges it unless --matched; with --hard it has besides what real
 * cases have: faults worse than listed, words for figures, three faults and more, wiring never finished, something seen by the way, versions, the
 * customer's own words. With --keep, each case is written to a file of lines as it ends, and
 * cases found there already are not played again: a long run may be stopped and taken up. With --optimum, as many small problems a system
 * are solved exactly, and the engine's own choice is followed through all that may be found.
 */
const usage =
  'usage: npm run -s evaluate -- --cases N --seed S [--system ID|all] [--pairs 0.3] [--ways engine,forward,…] [--matched|--hard] [--without RULE,…|all] [--keep FILE] [--optimum N] [--json]'
type Job = { system: string; way: Way; seed: number; pairs: number; truth: keyof typeof truths; without: (keyof Rules)[] }

const truths = { matched, mismatched, harder }
/** every stock system, and each way of wiring by the first system that may be wired so */
const known = { ...stockCatalogues, ...Object.fromEntries(wiredCatalogues().map((one) => [one.system.id, one])) }

if (process.send) process.on('message', (job) => process.send!(play(job as Job)))
else await main()

function play({ system, way, seed, pairs, truth: like, without }: Job): Played {
  const catalogue = known[system]!
  const truth = drawTruth(catalogue, seed, pairs, truths[like], (complaint, pick) => heardFor(catalogue, complaint, pick))
  const rules = { ...allRules, ...Object.fromEntries(without.map((one) => [one, false])) }
  return { system, way, seed, without, ...walk(catalogue, loadSignatures(catalogue), truth, way, chanceFrom(seed + 1_000_003), undefined, undefined, rules) }
}

/** The complaints heard in one of the sentences a complaint is told in; none where it is told in no words. */
function heardFor({ complaints }: Catalogue, complaint: string, pick: number): string[] {
  const sentences = spoken.filter(([, about]) => about === complaint)
  const [words] = sentences[Math.floor(pick * sentences.length)] ?? []
  if (words === undefined) return []
  return hear(heardOf, words).flatMap(({ danger }) => (complaints.some((one) => one.id === danger && !one.danger) ? [danger] : []))
}

async function main(): Promise<void> {
  const { values } = (() => {
    try {
      return parseArgs({
        options: {
          cases: { type: 'string' },
          seed: { type: 'string' },
          system: { type: 'string', default: 'all' },
          pairs: { type: 'string', default: '0.3' },
          ways: { type: 'string', default: ways.join(',') },
          matched: { type: 'boolean', default: false },
          hard: { type: 'boolean', default: false },
          without: { type: 'string', default: '' },
          keep: { type: 'string' },
          optimum: { type: 'string', default: '0' },
          json: { type: 'boolean', default: false },
        },
      })
    } catch (error) {
      return refuse(`${(error as Error).message}\n${usage}`)
    }
  })()
  const whole = (name: 'cases' | 'seed' | 'optimum') => {
    const value = Number(values[name])
    return Number.isInteger(value) && value >= 0 ? value : refuse(`--${name} takes a whole number\n${usage}`)
  }
  const cases = whole('cases')
  const seed = whole('seed')
  const pairs = Number(values.pairs)
  if (!(pairs >= 0 && pairs <= 1)) refuse(`--pairs takes a share from 0 to 1\n${usage}`)
  if (values.matched && values.hard) refuse(`--matched and --hard are two truths: choose one\n${usage}`)
  const truth = values.matched ? 'matched' : values.hard ? 'harder' : 'mismatched'
  const systems =
    values.system === 'all'
      ? Object.keys(stockCatalogues)
      : values.system === 'wired'
        ? Object.keys(known).filter((one) => !stockCatalogues[one])
        : [values.system]
  for (const one of systems) if (!known[one]) refuse(`--system "${one}" is unknown: ${Object.keys(known).join(', ')}, all or wired`)
  const chosen = values.ways.split(',').map((one) => ways.find((way) => way === one) ?? refuse(`--ways "${one}" is unknown: ${ways.join(', ')}`))

  const rules = Object.keys(allRules) as (keyof Rules)[]
  const without =
    values.without === ''
      ? []
      : values.without === 'all'
        ? rules
        : values.without.split(',').map((one) => rules.find((rule) => rule === one) ?? refuse(`--without "${one}" is unknown: ${rules.join(', ')}, or all`))

  const kept =
    values.keep && existsSync(values.keep)
      ? readFileSync(values.keep, 'utf8')
          .trim()
          .split('\n')
          .filter(Boolean)
          .map((line) => JSON.parse(line) as Played)
      : []
  const keyOf = ({ system, way, seed: own, without: left = [] }: Pick<Played, 'system' | 'way' | 'seed' | 'without'>) =>
    `${system} ${way} ${own} ${[...left].sort().join()}`
  const played = new Map(kept.map((one) => [keyOf(one), one]))
  if (values.keep) mkdirSync(dirname(values.keep), { recursive: true })
  const wanted = systems.flatMap((system) =>
    chosen.flatMap((way) => Array.from({ length: cases }, (_unused, index): Job => ({ system, way, seed: seed * 100_000 + index, pairs, truth, without }))),
  )
  await shareOut(
    wanted.filter((job) => !played.has(keyOf(job))),
    (one) => {
      played.set(keyOf(one), one)
      if (values.keep) appendFileSync(values.keep, `${JSON.stringify(one)}\n`)
    },
  )
  const all = wanted.map((job) => played.get(keyOf(job))!)
  const reports = [...(systems.length > 1 ? ['all'] : []), ...systems].flatMap((system) => reportOf(all, system))
  const small = whole('optimum') > 0 ? systems.flatMap((system) => againstOptimum(system, seed, whole('optimum'))) : []
  const ratio =
    small.length > 1
      ? ratioOf(
          small.map((one) => one.engine),
          small.map((one) => one.least),
        )
      : null
  if (values.json) process.stdout.write(`${JSON.stringify({ reports, optimum: ratio && { problems: small.length, ...ratio } }, null, 2)}\n`)
  else {
    console.table(reports.map(row))
    if (ratio)
      console.log(
        `${small.length} small problems: the engine’s way costs ${ratio.ratio.toFixed(3)} (${ratio.low.toFixed(3)}–${ratio.high.toFixed(3)}) of the exact optimum`,
      )
  }
}

/** Six groups of faults and seven checks, drawn from real complaints: the least expected cost, and the engine's. */
function againstOptimum(system: string, seed: number, many: number): { least: number; engine: number }[] {
  const catalogue = stockCatalogues[system]!
  const signatures = loadSignatures(catalogue)
  return Array.from({ length: many }, (_unused, index) => {
    const own = seed * 1000 + index
    const { complaints } = drawTruth(catalogue, own, 0, matched)
    const writing = { id: '01934a00-0000-7000-8000-000000000001', now: Date.UTC(2026, 2, 1, 9), author: byName('evaluation'), seen: [] }
    const entry = newEntry('complaint', { what: complaints[0]!, pattern: 'always' }, writing)
    const problem = smallProblem(catalogue, signatures, [entry], chanceFrom(own), {
      groups: 6,
      checks: 7,
    })
    return { least: optimum(problem).cost, engine: byEngine(problem).cost }
  })
}

function row(one: Report): Record<string, string | number> {
  const percent = ({ share, low, high, of }: Report['wrong']) =>
    of === 0 ? '–' : `${(100 * share).toFixed(1)} % (${(100 * low).toFixed(0)}–${(100 * high).toFixed(0)})`
  const number = ({ value, low, high }: Report['minutes'], digits = 0) => `${value.toFixed(digits)} (${low.toFixed(digits)}–${high.toFixed(digits)})`
  return {
    system: one.system,
    way: one.way,
    cases: one.cases,
    minutes: number(one.minutes),
    'to forward': one.minutesToForward ? number(one.minutesToForward, 2) : '–',
    checks: number(one.checks, 1),
    'found, single': percent(one.foundSingles),
    'found, pairs': percent(one.foundPairs),
    'found, more': percent(one.foundMore),
    'condemned wrongly': percent(one.wrong),
    'needless parts': number(one.needless, 2),
    'called 85 % and more, so': percent(one.calledNinety),
  }
}

/** Hands cases to one process a core. */
async function shareOut(jobs: Job[], done: (one: Played) => void): Promise<void> {
  const helpers = Array.from({ length: Math.min(availableParallelism(), jobs.length) }, () =>
    fork(import.meta.filename, [], { execArgv: ['--import', 'tsx', '--conditions', 'source'] }),
  )
  let next = 0
  await Promise.all(
    helpers.map(async (helper) => {
      for (let index = next++; index < jobs.length; index = next++) done(await ask(helper, jobs[index]!))
      helper.disconnect()
    }),
  )
}

function ask(helper: ChildProcess, job: Job): Promise<Played> {
  return new Promise((answer, fail) => {
    const ended = (code: number | null) => fail(new Error(`the case ${job.system} ${job.seed} ended with ${code}`))
    helper.once('exit', ended)
    helper.once('message', (one) => {
      helper.off('exit', ended)
      answer(one as Played)
    })
    helper.send(job)
  })
}
