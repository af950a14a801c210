/** The longest side of a picture that is kept, pixels, and its bytes at most. */
export const largestPhoto = { side: 1600, bytes: 500 * 1024 }

/** The kinds of picture that are kept. */
export const photoTypes = ['image/jpeg', 'image/png', 'image/webp'] as const

export type PhotoType = (typeof photoTypes)[number]

/** A picture the server keeps, by the SHA-256 of its content in hexadecimal. */
export interface KeptPhoto {
  hash: string
  type: PhotoType
  width: number
  height: number
}
