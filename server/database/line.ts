import { readFileSync } from 'node:fs'
import { isIP } from 'node:net'
import type { PoolOptions } from 'mysql2/promise'
import { isLoopback } from '../hosts/loopback.ts'
import { addressesOf } from './hosts.ts'

/** What of the environment says how the database is spoken with. */
export interface LineSettings {
  /** file with the certificate of whoever vouches for the database’s */
  DATABASE_CA?: string
  /** private: the line itself is nobody else’s, or is encrypted below us */
  DATABASE_LINE?: string
  [other: string]: string | undefined
}

/** Why the database at an address must not be spoken with so, in words; null where it may. */
export function whyNot(url: string, { DATABASE_CA: ca, DATABASE_LINE: line }: LineSettings): string | null {
  const hosts = addressesOf(url).flatMap((one) => (URL.canParse(one) ? [new URL(one).hostname.replace(/^\[|\]$/g, '')] : []))
  const elsewhere = hosts.find((one) => !isLoopback(one))
  if (ca) {
    const number = hosts.find((one) => isIP(one) > 0)
    if (number !== undefined)
      return `DATABASE_URL names the database by a number, ${number}, and with DATABASE_CA a certificate is asked for: name it as its certificate does.`
    try {
      if (!readFileSync(ca, 'utf8').includes('BEGIN CERTIFICATE')) return `DATABASE_CA is ${ca}, and there is no certificate in it: give a file in PEM form.`
    } catch (error) {
      return `DATABASE_CA is ${ca}, which cannot be read: ${(error as Error).message}`
    }
    return null
  }
  if (elsewhere === undefined || line === 'private') return null
  return (
    `The database is on another machine, ${elsewhere}: what goes there could be read on the way. Give the file with the certificate of whoever vouches for it ` +
    'in DATABASE_CA; or say DATABASE_LINE=private where nobody else is on that line, or it is encrypted by itself.'
  )
}

/**
 * How every connection to a database is made: encrypted where DATABASE_CA is set, and then only with whom that vouches for under the name it is called by.
 *
 * @throws why it must not be made so, in words
 */
export function lineTo(uri: string, settings: LineSettings = process.env): PoolOptions {
  const refused = whyNot(uri, settings)
  if (refused !== null) throw new Error(refused)
  return {
    uri,
    timezone: 'Z',
    charset: 'utf8mb4_unicode_ci',
    supportBigNumbers: true,
    ...(settings.DATABASE_CA && { ssl: { ca: readFileSync(settings.DATABASE_CA, 'utf8'), minVersion: 'TLSv1.2', verifyIdentity: true } }),
  }
}
