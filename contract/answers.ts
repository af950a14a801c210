import type { Case } from './cases/case.ts'
import type { AppendResult, News } from './cases/entries.ts'
import { problemTypes, type Problem, type ProblemName } from './problem.ts'

// Between a phone and its server stand captive portals, proxies and servers of another version: what does not look exactly like one of these is
// no answer, and nothing may be forgotten on its word.

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value)
const isIds = (value: unknown): value is string[] => Array.isArray(value) && value.every((one) => typeof one === 'string')

/** Whether this is what a journal has beyond a position. */
export function isNews(value: unknown): value is News {
  return (
    isRecord(value) &&
    Array.isArray(value.entries) &&
    value.entries.every((one) => isRecord(one) && typeof one.id === 'string' && typeof one.type === 'string' && isRecord(one.payload)) &&
    isRecord(value.received) &&
    typeof value.position === 'number'
  )
}

/** Whether this says which entries of an append the server keeps. */
export function isAppendResult(value: unknown): value is AppendResult {
  return isNews(value) && isIds((value as unknown as Record<string, unknown>).kept) && Array.isArray((value as unknown as Record<string, unknown>).conflicts)
}

/** Whether this is the case asked for. */
export function isCase(value: unknown, id: string): value is Case {
  const one = value as unknown as Record<string, unknown>
  return isNews(value) && one.id === id && typeof one.openedAt === 'string' && isRecord(one.site) && isRecord(one.appliance)
}

/** The problem an answer states, by its name; undefined where it is none of ours. */
export function problemIn(value: unknown): { name: ProblemName; problem: Problem } | undefined {
  if (!isRecord(value) || typeof value.type !== 'string' || typeof value.title !== 'string' || typeof value.detail !== 'string') return undefined
  const name = value.type.replace('/problems/', '') as ProblemName
  return Object.hasOwn(problemTypes, name) && value.status === problemTypes[name].status ? { name, problem: value as unknown as Problem } : undefined
}
