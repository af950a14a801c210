import type { Entry } from '@dewpoint/core/casebook'
import type { Circuit } from '@dewpoint/core/system'
import type { Asked } from '@dewpoint/core/wiring'
import {
  assembleSignatures,
  diagnose,
  noExceptions,
  nextProbes,
  nominalSignatures,
  probing,
  readSignatureFile,
  singlesByRow,
  type Catalogue,
  type DiagnoseOptions,
  type Diagnosis,
  type NextProbe,
  type Order,
  type Probing,
  type ProbeSpec,
  type Signatures,
} from '@dewpoint/core/diagnosis'
import { catalogueFor } from '@dewpoint/trade'
import { expose } from 'comlink'
import { pairKeeper } from './pairKeeper.ts'

/** addresses of the shipped signatures, by system */
const files = Object.fromEntries(
  Object.entries(import.meta.glob<string>('../../../trade/signatures/*.bin.gz', { query: '?url', import: 'default', eager: true })).map(([path, url]) => [
    path.slice(path.lastIndexOf('/') + 1, -'.bin.gz'.length),
    url,
  ]),
)
const loaded = new Map<string, Promise<Signatures>>()

/** The reasoning, off the screen's thread. */
const reasoning = {
  async diagnose(system: string, controls: string, entries: Entry[], options: DiagnoseOptions): Promise<Diagnosis> {
    const catalogue = catalogueOf(system, controls)
    const signatures = await signaturesOf(catalogue)
    const answer = diagnose(catalogue, signatures, entries, options)
    if (putTogether(catalogue)) void pairWork.improve(catalogue, signatures, entries, (better) => loaded.set(catalogue.system.id, Promise.resolve(better)))
    return answer
  },
  /** what a meter between two terminals should read */
  async probing(system: string, controls: string, entries: Entry[], spec: ProbeSpec): Promise<Probing> {
    const catalogue = catalogueOf(system, controls)
    return probing(catalogue, await signaturesOf(catalogue), entries, spec)
  },
  /** terminals worth probing next */
  async nextProbes(system: string, controls: string, entries: Entry[], circuit: Circuit, order: Order, asked: Asked): Promise<NextProbe[]> {
    const catalogue = catalogueOf(system, controls)
    return nextProbes(catalogue, await signaturesOf(catalogue), entries, circuit, order, asked)
  },
}

function catalogueOf(system: string, controls: string): Catalogue {
  const catalogue = catalogueFor(system, controls)
  if (!catalogue) throw new Error(`This Dewpoint does not know the system “${system}” wired as “${controls}”.`)
  return catalogue
}

function signaturesOf(catalogue: Catalogue): Promise<Signatures> {
  const { id } = catalogue.system
  let signatures = loaded.get(id)
  if (!signatures) {
    signatures = files[id] ? fetchSignatures(catalogue) : simulated(catalogue)
    loaded.set(id, signatures)
    signatures.catch(() => loaded.delete(id))
  }
  return signatures
}

async function fetchSignatures(catalogue: Catalogue): Promise<Signatures> {
  const response = await fetch(files[catalogue.system.id]!)
  if (!response.ok || !response.body) throw new Error('The simulated readings could not be fetched.')
  const bytes = await new Response(response.body.pipeThrough(new DecompressionStream('gzip'))).arrayBuffer()
  const signatures = readSignatureFile(catalogue, bytes)
  return putTogether(catalogue) ? pairWork.withKept(catalogue, signatures) : signatures
}

/** Pairs of the stock systems are shipped; those of a wired one, or of a model, are put together until they have been simulated. */
const putTogether = ({ system }: Catalogue) => !files[system.id] || system.controls !== undefined
// the page that starts the worker gives it the device’s id as its name: a worker has no store of its own to know it from
const pairWork = pairKeeper(self.name)

/** A model has no shipped signatures: a first answer comes from its nominal plant, the spread of healthy ones follows in the background. */
async function simulated(catalogue: Catalogue): Promise<Signatures> {
  void inTheBackground(catalogue).then((full) => loaded.set(catalogue.system.id, Promise.resolve(full)))
  return nominalSignatures(catalogue)
}

async function inTheBackground(catalogue: Catalogue): Promise<Signatures> {
  const building = singlesByRow(catalogue)
  for (;;) {
    await new Promise((rest) => setTimeout(rest))
    const { done, value } = building.next()
    if (done) return assembleSignatures(catalogue, value, noExceptions)
  }
}

/** What the worker offers. */
export type Reasoning = typeof reasoning
expose(reasoning)
