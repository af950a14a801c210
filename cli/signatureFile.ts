import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { gunzipSync, gzipSync } from 'node:zlib'

/** Where the shipped signatures of a stock system lie, gzipped. */
const pathOf = (system: string) => `${import.meta.dirname}/../trade/signatures/${system}.bin.gz`

/** The bytes of a shipped file, or null where there is none. */
export function readShipped(system: string): ArrayBuffer | null {
  if (!existsSync(pathOf(system))) return null
  const bytes = gunzipSync(readFileSync(pathOf(system)))
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer
}

export function writeShipped(system: string, bytes: Uint8Array): void {
  writeFileSync(pathOf(system), gzipSync(bytes, { level: 9 }))
}
