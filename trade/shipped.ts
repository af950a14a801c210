import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { gunzipSync, gzipSync } from 'node:zlib'
import { assembleSignatures, buildSingles, noExceptions, readSignatureFile, type Catalogue, type Signatures } from '@dewpoint/core/diagnosis'

// the one place of the knowledge that knows a disk: for the command line and for trials, behind no front door

/** Where the shipped signatures of a stock system lie, gzipped. */
const pathOf = (system: string) => `${import.meta.dirname}/signatures/${system}.bin.gz`

/** The bytes of a shipped file, or null where there is none. */
export function readShipped(system: string): ArrayBuffer | null {
  if (!existsSync(pathOf(system))) return null
  const bytes = gunzipSync(readFileSync(pathOf(system)))
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer
}

export function writeShipped(system: string, bytes: Uint8Array): void {
  writeFileSync(pathOf(system), gzipSync(bytes, { level: 9 }))
}

const loaded = new WeakMap<Catalogue, Signatures>()

/**
 * The signatures of a system, read once as long as somebody holds its catalogue: those shipped for a stock one, refused when they belong to another state of the catalogue; for a model
 * its single faults are simulated now and pairs put together from them.
 */
export function loadSignatures(catalogue: Catalogue): Signatures {
  let signatures = loaded.get(catalogue)
  if (!signatures) {
    const bytes = readShipped(catalogue.system.id)
    signatures = bytes ? readSignatureFile(catalogue, bytes) : assembleSignatures(catalogue, buildSingles(catalogue), noExceptions)
    loaded.set(catalogue, signatures)
  }
  return signatures
}
