import type { Catalogue } from '../catalogue/index.ts'
import { assembleSignatures } from './assembleSignatures.ts'
import { catalogueHash } from './fingerprint.ts'
import type { Signatures } from './hypotheses.ts'
import type { Exceptions } from './simulateRows.ts'

/** Bytes of the fingerprint of the catalogue, in ASCII, then the two counts. */
const fingerprintBytes = 16
const headerBytes = fingerprintBytes + 8

/**
 * Signatures as a file: the fingerprint of the catalogue, how many single values and how many exceptions follow (unsigned 32-bit),
 * the single values (32-bit floats), the exceptions' places (unsigned 32-bit) and their values (32-bit floats), little-endian.
 */
export function signatureFileBytes(catalogue: Catalogue, singles: Float32Array, { at, values }: Exceptions): Uint8Array {
  const bytes = new Uint8Array(headerBytes + 4 * (singles.length + at.length + values.length))
  bytes.set(new TextEncoder().encode(catalogueHash(catalogue)))
  new Uint32Array(bytes.buffer, fingerprintBytes, 2).set([singles.length, at.length])
  new Float32Array(bytes.buffer, headerBytes, singles.length).set(singles)
  new Uint32Array(bytes.buffer, headerBytes + 4 * singles.length, at.length).set(at)
  new Float32Array(bytes.buffer, headerBytes + 4 * (singles.length + at.length), values.length).set(values)
  return bytes
}

/** Whether a file was built from the catalogue as it is now. */
export function isFreshSignatureFile(catalogue: Catalogue, bytes: ArrayBuffer): boolean {
  return bytes.byteLength > headerBytes && new TextDecoder().decode(new Uint8Array(bytes, 0, fingerprintBytes)) === catalogueHash(catalogue)
}

/**
 * The signatures in a file.
 *
 * @throws Error when the file was built from another state of the catalogue
 */
export function readSignatureFile(catalogue: Catalogue, bytes: ArrayBuffer): Signatures {
  if (!isFreshSignatureFile(catalogue, bytes)) {
    throw new Error(`the signatures of ${catalogue.system.id} belong to another state of its catalogue: run "npm run signatures"`)
  }
  const [single, exceptional] = new Uint32Array(bytes, fingerprintBytes, 2) as unknown as [number, number]
  return assembleSignatures(catalogue, new Float32Array(bytes, headerBytes, single), {
    at: new Uint32Array(bytes, headerBytes + 4 * single, exceptional),
    values: new Float32Array(bytes, headerBytes + 4 * (single + exceptional), exceptional),
  })
}
