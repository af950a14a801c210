import { controlsOf } from '@dewpoint/core/casebook'
import { diagnose, type CheckOrder, type Diagnosis } from '@dewpoint/core/diagnosis'
import { readCaseFile } from '@dewpoint/core/formats'
import { catalogueFor, known } from '@dewpoint/trade'
import { loadSignatures } from '@dewpoint/trade/shipped'

/** Orders checks can be asked for in. */
export const orders = ['forward', 'backward', 'telling'] as const

/** What became of one case: its diagnosis, or what is wrong with it in words. */
export type Diagnosed = { ok: true; diagnosis: Diagnosis } | { ok: false; error: string }

/** Diagnoses a case given as parsed JSON of the published format. */
export function diagnoseCase(input: unknown, order: string = 'telling'): Diagnosed {
  if (!isOrder(order)) return { ok: false, error: `order "${String(order).slice(0, 40)}" is unknown: ${orders.join(', ')}` }
  const parsed = readCaseFile(input, known)
  if (!parsed.ok)
    return { ok: false, error: parsed.problems.map(({ field, message }) => (message.startsWith(field) ? message : `${field}: ${message}`)).join('\n') }
  const { system, controls, settings, entries } = parsed.value
  // what the journal says of the wiring comes after what the file says
  const catalogue = catalogueFor(system, controlsOf(entries, controls))
  if (!catalogue) return { ok: false, error: `entries: the wiring written down is none of ${system}’s: ${known.controlsOf(system).join(', ')}` }
  return { ok: true, diagnosis: diagnose(catalogue, loadSignatures(catalogue), entries, { order, costs: settings }) }
}

const isOrder = (order: unknown): order is CheckOrder => (orders as readonly unknown[]).includes(order)

/** Diagnoses a case given as one line of JSON, which may carry an `order` of its own; gives one line of JSON. */
export function diagnoseLine(line: string): string {
  let input: unknown
  try {
    input = JSON.parse(line)
  } catch (error) {
    return JSON.stringify({ error: `not JSON: ${(error as Error).message}` })
  }
  const isObject = typeof input === 'object' && input !== null && !Array.isArray(input)
  const { order, ...file } = isObject ? (input as { order?: string }) : {}
  const result = diagnoseCase(isObject ? file : input, order)
  return JSON.stringify(result.ok ? result.diagnosis : { error: result.error })
}
