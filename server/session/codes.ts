import { randomBytes, randomInt } from 'node:crypto'

/** letters and figures nobody takes for each other */
const letters = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789'
const groups = 4
const inGroup = 4

/** A code to be typed once: 16 of 31 signs, some 79 bits. */
export const newCode = (): string =>
  Array.from({ length: groups }, () => Array.from({ length: inGroup }, () => letters[randomInt(letters.length)]).join('')).join('-')

/** A code as it was given, however it is typed. */
export const typedCode = (text: string): string =>
  (
    text
      .toUpperCase()
      .replace(/[^A-Z0-9]/g, '')
      .match(/.{1,4}/g) ?? []
  ).join('-')

/** A token for a device: 256 bits. */
export const newToken = (): string => randomBytes(32).toString('base64url')
