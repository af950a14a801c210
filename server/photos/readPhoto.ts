import { createHash } from 'node:crypto'
import { largestPhoto, type KeptPhoto, type PhotoType } from '@dewpoint/contract'
import { imageSize } from 'image-size'

const types: Record<string, PhotoType> = { jpg: 'image/jpeg', png: 'image/png', webp: 'image/webp' }

/** what only metadata begins with: where and when a picture was taken, and by what, is nobody's business here */
const metadata = ['Exif\0\0', 'eXIf', 'EXIF', 'http://ns.adobe.com/xap/', 'Photoshop 3.0', 'tEXt', 'iTXt', 'zTXt', 'XMP '].map((one) =>
  Buffer.from(one, 'latin1'),
)

/**
 * What a picture is by its content, whatever it was called.
 *
 * @returns it with its hash, or why it is not kept and what to do
 */
export function readPhoto(bytes: Buffer): { ok: true; photo: KeptPhoto } | { ok: false; why: string } {
  if (bytes.length > largestPhoto.bytes) return refused(`A picture may have ${largestPhoto.bytes / 1024} kB: make it smaller and send it again.`)
  let size: { width: number; height: number; type?: string }
  try {
    size = imageSize(bytes)
  } catch {
    return refused('This is no picture: send a JPEG, a PNG or a WebP.')
  }
  const type = types[size.type ?? '']
  if (!type) return refused('This kind of picture is not kept: send a JPEG, a PNG or a WebP.')
  if (!(size.width >= 1 && size.height >= 1 && Math.max(size.width, size.height) <= largestPhoto.side))
    return refused(`A picture may be ${largestPhoto.side} pixels long: make it smaller and send it again.`)
  if (metadata.some((one) => bytes.subarray(0, headOf(type, bytes)).includes(one)))
    return refused('The picture says where or when it was taken. Take that out and send it again.')
  return { ok: true, photo: { hash: createHash('sha256').update(bytes).digest('hex'), type, width: size.width, height: size.height } }
}

const refused = (why: string) => ({ ok: false, why }) as const

/** How far what may be metadata reaches: of a JPEG to where its picture begins; the others may have it behind. */
function headOf(type: PhotoType, bytes: Buffer): number {
  if (type !== 'image/jpeg') return bytes.length
  let at = 2
  while (at + 4 <= bytes.length && bytes[at] === 0xff && bytes[at + 1] !== 0xda) at += 2 + bytes.readUInt16BE(at + 2)
  return Math.min(at, bytes.length)
}
