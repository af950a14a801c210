import type { KeptPhoto } from '@dewpoint/contract'
import { eq } from 'drizzle-orm'
import { retried, tables, type Database } from '../database/index.ts'

const { photos } = tables

/** Keeps a picture under its hash; the same again changes nothing. */
export async function keepPhoto(database: Database, { hash, type, width, height }: KeptPhoto, bytes: Buffer, now: Date): Promise<void> {
  await retried(() =>
    database
      .insert(photos)
      .values({ hash, type, width, height, bytes, receivedAt: now })
      // what has the same hash has the same content
      .onDuplicateKeyUpdate({ set: { hash } }),
  )
}

/** A picture by its hash, or undefined. */
export async function findPhoto(database: Database, hash: string): Promise<{ type: string; bytes: Buffer } | undefined> {
  const [row] = await retried(() => database.select({ type: photos.type, bytes: photos.bytes }).from(photos).where(eq(photos.hash, hash)))
  return row
}
