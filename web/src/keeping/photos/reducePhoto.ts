import { largestPhoto } from '@dewpoint/contract'

/** A picture made ready to be kept: upright, small enough, and nothing in it but the picture. */
export interface Reduced {
  blob: Blob
  width: number
  height: number
}

/** how much of the quality is given up, step by step, until it is small enough */
const qualities = [0.85, 0.75, 0.65, 0.5, 0.35]

/** The size a picture is drawn in: as it is, or reduced so that its longer side fits. */
export function fitted(width: number, height: number, side = largestPhoto.side): { width: number; height: number } {
  const scale = Math.min(1, side / Math.max(width, height))
  return { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) }
}

/**
 * Turns a picture upright and makes it small. It is drawn anew, so that nothing goes with it of where, when and by what it was taken.
 *
 * @throws Error in words where it is no picture this browser can read
 */
export async function reducePhoto(file: Blob): Promise<Reduced> {
  // turned as its camera says
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null)
  if (!picture) throw new Error('That file is no picture this browser can read. Take it as a JPEG, a PNG or a WebP.')
  try {
    for (const side of [largestPhoto.side, 1200, 800]) {
      const { width, height } = fitted(picture.width, picture.height, side)
      const canvas = document.createElement('canvas')
      Object.assign(canvas, { width, height })
      const context = canvas.getContext('2d')
      if (!context) throw new Error('This browser cannot draw the picture now: close other pages and try again.')
      // what is see-through would come out black
      context.fillStyle = '#ffffff'
      context.fillRect(0, 0, width, height)
      context.drawImage(picture, 0, 0, width, height)
      for (const quality of qualities) {
        const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', quality))
        if (blob && blob.size <= largestPhoto.bytes) return { blob, width, height }
      }
    }
  } finally {
    picture.close()
  }
  throw new Error('This picture cannot be made small enough: take another.')
}
