import type { SimulatedPair } from '@dewpoint/core/diagnosis'
import { eq } from 'drizzle-orm'
import { tables, type Database } from '../database/index.ts'

/** Every pair simulated for a catalogue so far. */
export async function pairsOf(database: Database, catalogue: string): Promise<SimulatedPair[]> {
  const rows = await database.select().from(tables.pairs).where(eq(tables.pairs.catalogue, catalogue)).orderBy(tables.pairs.pair)
  return rows.map(({ pair, exceptions }) => ({ pair, exceptions }))
}

/** Keeps simulated pairs; the first to send one has it, since all simulate alike. */
export async function keepPairs(database: Database, catalogue: string, pairs: readonly SimulatedPair[]): Promise<void> {
  if (pairs.length === 0) return
  await database
    .insert(tables.pairs)
    .ignore()
    .values(pairs.map((one) => ({ catalogue, ...one })))
}
