import { assembleSignatures, buildSingles, noExceptions, readSignatureFile, type Catalogue, type Signatures } from '@dewpoint/core/diagnosis'
import { readShipped } from './signatureFile.ts'

/**
 * The signatures of a system: those shipped for a stock one, refused when they belong to another state of the catalogue; for a model
 * its single faults are simulated now and pairs put together from them.
 */
export function loadSignatures(catalogue: Catalogue): Signatures {
  const bytes = readShipped(catalogue.system.id)
  return bytes ? readSignatureFile(catalogue, bytes) : assembleSignatures(catalogue, buildSingles(catalogue), noExceptions)
}
