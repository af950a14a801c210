import type { Entry, Payload } from '@dewpoint/core/casebook'
import type { Circuit } from '@dewpoint/core/system'
import type { Asked } from '@dewpoint/core/wiring'
import {
  assembleSignatures,
  diagnose,
  figuresAt,
  noExceptions,
  nextProbes,
  nominalSignatures,
  outcomesAhead,
  probing,
  readSignatureFile,
  singlesByRow,
  suspectsNow,
  type Catalogue,
  type DiagnoseOptions,
  type Diagnosis,
  type Experience,
  type FigureAt,
  type NextProbe,
  type OutcomeAhead,
  type CheckOrder,
  type Probing,
  type ProbeSpec,
  type Signatures,
} from '@dewpoint/core/diagnosis'
import { catalogueFor } from '@dewpoint/trade'
import { expose } from 'comlink'
import { pairKeeper } from './pairKeeper.ts'
import { signatureShelf } from './signatureShelf.ts'

/** where and in which state an answer would be read */
type SupposedReading = Omit<Payload<'reading'>, 'check' | 'outcome'>

/** addresses of the shipped signatures, by system */
const files = Object.fromEntries(
  Object.entries(import.meta.glob<string>('../../../trade/signatures/*.bin.gz', { query: '?url', import: 'default', eager: true })).map(([path, url]) => [
    path.slice(path.lastIndexOf('/') + 1, -'.bin.gz'.length),
    url,
  ]),
)
/** The reasoning, off the screen's thread. */
const reasoning = {
  /** gets in place what a first answer about such a boiler needs: what it reads, and `whole` the sums about it as well, which stop anything else meanwhile */
  async ready(system: string, controls: string, whole: boolean): Promise<void> {
    const catalogue = catalogueOf(system, controls)
    // a model’s readings are simulated, which takes a while: for whoever opens its case alone
    if (!files[catalogue.system.id]) return
    const signatures = await timed('signatures', () => shelf.of(catalogue))
    if (!whole || readied.has(signatures)) return
    readied.add(signatures)
    timed('ready', () => diagnose(catalogue, signatures, []))
  },
  async diagnose(system: string, controls: string, entries: Entry[], options: DiagnoseOptions): Promise<Diagnosis> {
    const catalogue = catalogueOf(system, controls)
    const signatures = await timed('signatures', () => shelf.of(catalogue))
    readied.add(signatures)
    const answer = timed('diagnosis', () => diagnose(catalogue, signatures, entries, options))
    if (putTogether(catalogue))
      pairs
        .work({ catalogue, entries, experience: options.experience })
        .catch((error: unknown) => console.error('pairs of faults could not be simulated', error))
    return answer
  },
  /** the suspects before everything else: null while something dangerous stands */
  async suspects(system: string, controls: string, entries: Entry[], options: DiagnoseOptions): Promise<Pick<Diagnosis, 'suspects' | 'several'> | null> {
    const catalogue = catalogueOf(system, controls)
    const signatures = await timed('signatures', () => shelf.of(catalogue))
    return timed('suspects', () => suspectsNow(catalogue, signatures, entries, options))
  },
  /** what each answer to a check would make of the suspects */
  async ahead(
    system: string,
    controls: string,
    entries: Entry[],
    id: string,
    now: number,
    as: SupposedReading,
    experience?: Experience,
  ): Promise<OutcomeAhead[]> {
    const catalogue = catalogueOf(system, controls)
    const check = catalogue.checks.find((one) => one.id === id)
    return check ? outcomesAhead(catalogue, await shelf.of(catalogue), entries, check, now, as, { experience }) : []
  },
  /** what should be read at points of the boiler */
  async figuresAt(system: string, controls: string, entries: Entry[], checks: string[], experience?: Experience): Promise<FigureAt[]> {
    const catalogue = catalogueOf(system, controls)
    return figuresAt(catalogue, await shelf.of(catalogue), entries, checks, { experience })
  },
  /** what a meter between two terminals should read */
  async probing(system: string, controls: string, entries: Entry[], spec: ProbeSpec, experience?: Experience): Promise<Probing> {
    const catalogue = catalogueOf(system, controls)
    return probing(catalogue, await shelf.of(catalogue), entries, spec, experience)
  },
  /** terminals worth probing next */
  async nextProbes(
    system: string,
    controls: string,
    entries: Entry[],
    circuit: Circuit,
    order: CheckOrder,
    asked: Asked,
    experience?: Experience,
  ): Promise<NextProbe[]> {
    const catalogue = catalogueOf(system, controls)
    return nextProbes(catalogue, await shelf.of(catalogue), entries, circuit, order, asked, experience)
  },
}

/** signatures something was asked of already */
const readied = new WeakSet<Signatures>()

/** Does it, and leaves how long it took last for whoever measures. */
function timed<T>(name: string, work: () => T): T {
  const start = performance.now()
  const told = <R>(result: R): R => {
    performance.clearMeasures(name)
    performance.measure(name, { start })
    return result
  }
  const result = work()
  return result instanceof Promise ? (result.then(told) as T) : told(result)
}

function catalogueOf(system: string, controls: string): Catalogue {
  const catalogue = catalogueFor(system, controls)
  if (!catalogue) throw new Error(`This version of Dewpoint does not know the system “${system}” wired as “${controls}”.`)
  return catalogue
}

async function fetchSignatures(catalogue: Catalogue, file: string): Promise<Signatures> {
  const response = await fetch(file)
  if (!response.ok || !response.body) throw new Error('The simulated readings could not be fetched.')
  const bytes = await new Response(response.body.pipeThrough(new DecompressionStream('gzip'))).arrayBuffer()
  const signatures = readSignatureFile(catalogue, bytes)
  return putTogether(catalogue) ? pairs.withKept(catalogue, signatures) : signatures
}

/** Pairs of the stock systems are shipped; those of a wired one, or of a model, are put together until they have been simulated. */
const putTogether = ({ system }: Catalogue) => !files[system.id] || system.controls !== undefined
const rest = (milliseconds = 0) => new Promise<void>((go) => setTimeout(go, milliseconds))

const shelf = signatureShelf({
  shipped: (catalogue) => {
    const file = files[catalogue.system.id]
    return file ? fetchSignatures(catalogue, file) : null
  },
  nominal: nominalSignatures,
  full: fullSpread,
  withKept: (catalogue, signatures) => pairs.withKept(catalogue, signatures),
  rest,
})

/** A model has no shipped signatures: the spread of healthy plants is simulated a row at a time. */
function* fullSpread(catalogue: Catalogue): Generator<number, Signatures> {
  return assembleSignatures(catalogue, yield* singlesByRow(catalogue), noExceptions)
}

const pairs = pairKeeper({
  // the page that starts the worker gives it the device’s id as its name: a worker has no store of its own to know it from
  deviceId: self.name,
  now: (catalogue) => (shelf.isFull(catalogue) ? shelf.of(catalogue) : null),
  improve: shelf.improve,
  rest,
})

/** What the worker offers. */
export type Reasoning = typeof reasoning
expose(reasoning)
