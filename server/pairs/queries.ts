import { createHash } from 'node:crypto'
import type { SimulatedPair } from '@dewpoint/core/diagnosis'
import { and, eq, inArray } from 'drizzle-orm'
import { inTransaction, retried, tables, type Database } from '../database/index.ts'

const { pairReports } = tables

/** two devices must agree before a pair counts; more reports than these of one pair are not kept */
const needed = 2
const mostReports = 6

/** Every pair of a catalogue that two devices found alike. */
export async function confirmedPairs(database: Database, catalogue: string): Promise<SimulatedPair[]> {
  const digests = await retried(() =>
    database
      .select({ pair: pairReports.pair, digest: pairReports.digest, device: pairReports.device })
      .from(pairReports)
      .where(eq(pairReports.catalogue, catalogue))
      .orderBy(pairReports.pair),
  )
  const votes = new Map<string, { pair: number; devices: string[] }>()
  for (const { pair, digest, device } of digests) {
    const key = `${pair} ${digest}`
    votes.set(key, { pair, devices: [...(votes.get(key)?.devices ?? []), device] })
  }
  const chosen = [...votes.values()].filter((one) => one.devices.length >= needed)
  if (chosen.length === 0) return []
  const rows = await retried(() =>
    database
      .select()
      .from(pairReports)
      .where(and(eq(pairReports.catalogue, catalogue), inArray(pairReports.pair, [...new Set(chosen.map((one) => one.pair))]))),
  )
  const found = new Map(rows.map((row) => [`${row.pair} ${row.device}`, row.exceptions]))
  // of two camps that each agree nobody can say which is right: neither counts
  const camps = new Map<number, number>()
  for (const { pair } of chosen) camps.set(pair, (camps.get(pair) ?? 0) + 1)
  return chosen
    .filter(({ pair }) => camps.get(pair) === 1)
    .flatMap(({ pair, devices }) => {
      const exceptions = found.get(`${pair} ${devices[0]}`)
      return exceptions ? [{ pair, exceptions }] : []
    })
}

/** Keeps what a device found; what it says later of the same pair takes the place of what it said. */
export async function keepReport(database: Database, catalogue: string, device: string, pairs: readonly SimulatedPair[]): Promise<number> {
  return inTransaction(database, async (tx) => {
    const present = await tx
      .select({ pair: pairReports.pair, device: pairReports.device })
      .from(pairReports)
      .where(
        and(
          eq(pairReports.catalogue, catalogue),
          inArray(
            pairReports.pair,
            pairs.map((one) => one.pair),
          ),
        ),
      )
    let kept = 0
    for (const { pair, exceptions } of pairs) {
      const reports = present.filter((one) => one.pair === pair)
      if (reports.length >= mostReports && !reports.some((one) => one.device === device)) continue
      const found = { digest: digestOf(exceptions), exceptions }
      await tx
        .insert(pairReports)
        .values({ catalogue, pair, device, ...found })
        .onDuplicateKeyUpdate({ set: found })
      kept++
    }
    return kept
  })
}

/** Two devices may differ in the last digits of a sum; five figures are more than any reading has. */
function digestOf(exceptions: SimulatedPair['exceptions']): string {
  const rounded = exceptions.map(([at, value]) => [at, value === null ? null : Number(value.toPrecision(5))])
  return createHash('sha256').update(JSON.stringify(rounded)).digest('hex').slice(0, 16)
}
