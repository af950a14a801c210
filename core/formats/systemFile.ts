import { findNodeAtLocation, parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser'
import { check, type FieldProblem } from '../casebook/index.ts'
import { simulate } from '../plant/index.ts'
import { nominal, parametersOf, systemProblems, type BoilerSystem } from '../system/index.ts'
import { modelFileSchema, systemFileSchema } from './systemSchema.ts'

/** What is wrong in a file, with the line it stands in. */
export interface LineProblem extends FieldProblem {
  line: number
}

/** A system read from a file, or every reason why it could not be. */
export type ReadSystem = { ok: true; system: BoilerSystem } | { ok: false; problems: LineProblem[] }

/** A system as a file of the published format. */
export function writeSystemFile(system: BoilerSystem): string {
  return `${JSON.stringify({ format: 'dewpoint-system', version: 1, system }, null, 2)}\n`
}

/**
 * Reads a system, or a model of a stock system, from the text of a JSON file.
 *
 * @param stock systems a model may be based on, by id
 * @returns problems name line and field, all that were found
 */
export function readSystemFile(text: string, stock: Readonly<Record<string, BoilerSystem>>): ReadSystem {
  const errors: ParseError[] = []
  const tree = parseTree(text, errors, { disallowComments: true })
  if (!tree || errors.length > 0) {
    const { error, offset } = errors[0] ?? { error: 4, offset: 0 }
    return refuse([{ line: lineOf(text, offset), field: 'the file', message: `is not JSON: ${words(printParseErrorCode(error))}` }])
  }
  const twice = repeatedKey(tree)
  if (twice) return refuse([{ line: lineOf(text, twice.offset), field: String(twice.value), message: `${String(twice.value)} is given twice in one object` }])
  const value = JSON.parse(text) as unknown
  const withLines = (problems: FieldProblem[]) => refuse(problems.map((one) => ({ ...one, line: lineOf(text, offsetOf(tree, one.field)) })))

  const format = typeof value === 'object' && value !== null ? (value as { format?: unknown }).format : undefined
  if (format === 'dewpoint-model') {
    const model = check(() => modelFileSchema.validateSync(value, { abortEarly: false }), '')
    if (!model.ok) return withLines(model.problems)
    const base = stock[model.value.system]
    if (!base) return withLines([{ field: 'system', message: `system: "${model.value.system}" is unknown; known: ${Object.keys(stock).join(', ')}` }])
    return modelOf(base, model.value, withLines)
  }
  const parsed = check(() => systemFileSchema.validateSync(value, { abortEarly: false }), '')
  if (!parsed.ok) return withLines(parsed.problems)
  const system = parsed.value.system as unknown as BoilerSystem
  const problems = systemProblems(system).map(({ field, message }) => ({ field: `system.${field}`, message: `system.${field} ${message}` }))
  if (problems.length > 0) return withLines(problems)
  const missing = unbuildable(system)
  return missing ? withLines([{ field: 'system.components', message: missing }]) : { ok: true, system }
}

function modelOf(
  base: BoilerSystem,
  {
    id,
    label,
    changes,
    thermistor,
    statuses,
    codes,
  }: { id: string; label: string; changes: Record<string, number> } & Partial<Pick<BoilerSystem, 'thermistor' | 'statuses' | 'codes'>>,
  withLines: (problems: FieldProblem[]) => ReadSystem,
): ReadSystem {
  const known = new Map(parametersOf(base))
  const problems = Object.entries(changes).flatMap(([key, value]) => {
    const one = known.get(key)
    const field = `changes.${key}`
    if (!one) return [{ field, message: `${field}: ${base.id} has no such parameter` }]
    const { min = -Infinity, max = Infinity } = one
    return value < min || value > max ? [{ field, message: `${field}: ${value} lies outside ${min} to ${max} ${one.unit}` }] : []
  })
  if (problems.length > 0) return withLines(problems)
  const system: BoilerSystem = {
    ...base,
    id,
    label,
    ...(thermistor && { thermistor }),
    ...(statuses && { statuses }),
    ...(codes && { codes }),
    components: base.components.map((component) => ({
      ...component,
      parameters: Object.fromEntries(
        Object.entries(component.parameters).map(([name, one]) => {
          const value = changes[`${component.id}.${name}`]
          return [name, value === undefined ? one : { ...one, value }]
        }),
      ),
    })),
  }
  const wrong = systemProblems(system)
  return wrong.length > 0 ? withLines(wrong.map(({ field, message }) => ({ field, message: `${field} ${message}` }))) : { ok: true, system }
}

/** What the plant misses to put the system together; null when it runs. */
function unbuildable(system: BoilerSystem): string | null {
  try {
    simulate(system, nominal(system), { heating: true, stored: true, tap: 5, seconds: 5 })
    return null
  } catch (error) {
    return (error as Error).message
  }
}

const refuse = (problems: LineProblem[]): ReadSystem => ({ ok: false, problems })

const lineOf = (text: string, offset: number) => text.slice(0, offset).split('\n').length

/** Where a field stands; the nearest thing around it when it is missing. */
function offsetOf(tree: Node, field: string): number {
  const path: (string | number)[] = []
  let node = tree
  let rest = field
  while (rest.length > 0) {
    // a key may itself hold dots: the longest that is there wins
    const [part, after] = nextPart(node, rest)
    const inner = findNodeAtLocation(tree, [...path, part])
    if (!inner) break
    path.push(part)
    node = inner
    rest = after
  }
  return node.offset
}

function nextPart(node: Node, rest: string): [string | number, string] {
  const index = /^\[(\d+)\]\.?/.exec(rest)
  if (index) return [Number(index[1]), rest.slice(index[0].length)]
  const keys = (node.children ?? []).map((child) => String(child.children?.[0]?.value ?? ''))
  const found = keys.filter((key) => key && (rest === key || rest.startsWith(`${key}.`) || rest.startsWith(`${key}[`))).sort((a, b) => b.length - a.length)[0]
  const key = found ?? /^[^.[]+/.exec(rest)?.[0] ?? rest
  return [key, rest.slice(key.length).replace(/^\./, '')]
}

/** The second of two equal keys in one object. */
function repeatedKey(node: Node): Node | null {
  if (node.type === 'object') {
    const seen = new Set<unknown>()
    for (const property of node.children ?? []) {
      const key = property.children![0]!
      if (seen.has(key.value)) return key
      seen.add(key.value)
    }
  }
  for (const child of node.children ?? []) {
    const found = repeatedKey(child)
    if (found) return found
  }
  return null
}

const words = (code: string) => code.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()
