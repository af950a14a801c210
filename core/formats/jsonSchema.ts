import { convertSchema } from '@sodaru/yup-to-json-schema'
import type { Schema } from 'yup'
import { clockPattern, entrySchemaVersion, entryTypes, payloadSchemas, costKinds } from '../casebook/index.ts'
import { modelFileSchema, parameterSchema, systemFileSchema } from './systemSchema.ts'

type Json = Record<string, unknown>

/** The JSON Schema (draft 2020-12) of the case format, made from the same definitions the parser uses. */
export function caseFileJsonSchema(): Json {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: 'dewpoint-case-1',
    title: 'Dewpoint case, version 1',
    description: 'One call-out as an append-only journal of entries.',
    type: 'object',
    required: ['format', 'version', 'system', 'entries'],
    additionalProperties: false,
    properties: {
      format: { const: 'dewpoint-case' },
      version: { const: 1 },
      system: { type: 'string' },
      controls: { type: 'string', default: 'direct' },
      settings: {
        type: 'object',
        additionalProperties: false,
        properties: Object.fromEntries(
          Object.entries(costKinds).map(([name, { label, min, max }]) => [name, { type: 'number', minimum: min, maximum: max, description: label }]),
        ),
      },
      entries: { type: 'array', items: { oneOf: entryTypes.map(entrySchema) } },
    },
  }
}

/** The JSON Schema of a boiler system as a file. */
export function systemFileJsonSchema(): Json {
  return published('dewpoint-system-1', 'Dewpoint boiler system, version 1', systemFileSchema)
}

/** The JSON Schema of a model: a stock system with some settings changed. */
export function modelFileJsonSchema(): Json {
  return published('dewpoint-model-1', 'Dewpoint boiler model, version 1', modelFileSchema)
}

function published(id: string, title: string, schema: unknown): Json {
  return { $schema: 'https://json-schema.org/draft/2020-12/schema', $id: id, title, ...(closed(convertSchema(schema as Schema)) as Json) }
}

function entrySchema(type: keyof typeof payloadSchemas): Json {
  return {
    type: 'object',
    required: ['id', 'at', 'author', 'type', 'payload'],
    additionalProperties: false,
    properties: {
      id: { type: 'string', pattern: '^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$', description: 'UUID version 7' },
      at: { type: 'string', pattern: '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}(\\.\\d{1,3})?Z$', description: 'UTC' },
      clock: { type: 'string', pattern: clockPattern.source, description: 'where it stands in the order of the journal; required from schema 2' },
      author: { type: 'string', minLength: 1, maxLength: 120, description: 'id of the person, a UUID; up to schema 3 a name' },
      authorName: { type: 'string', minLength: 1, maxLength: 120, description: 'the name they went by; required from schema 4' },
      device: { type: 'string', description: 'the device it was written on, UUID version 7' },
      schema: { type: 'integer', minimum: 1, maximum: entrySchemaVersion, default: 1 },
      type: { const: type },
      payload: { ...(closed(convertSchema(payloadSchemas[type] as unknown as Schema) as Json) as Json), ...(type === 'reading' ? oneResult : {}) },
    },
  }
}

/** A reading has an outcome, or a value with its unit. */
const oneResult = {
  oneOf: [
    { required: ['outcome'], not: { required: ['value'] } },
    { required: ['value', 'unit'], not: { required: ['outcome'] } },
  ],
}

/** Yup's objects here take no unknown keys; plain values stand where the converter knows no type. */
function closed(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(closed)
  if (typeof schema !== 'object' || schema === null) return schema
  const { default: _default, ...rest } = schema as Json
  const mapped = Object.fromEntries(
    Object.entries(rest).map(([key, value]) => [
      key,
      key === 'properties' ? Object.fromEntries(Object.entries(value as Json).map(([name, one]) => [name, closed(one)])) : closed(value),
    ]),
  )
  if (mapped.oneOf) return { oneOf: mapped.oneOf }
  if (mapped.parametersByName === true) return { type: 'object', additionalProperties: closed(convertSchema(parameterSchema as unknown as Schema)) }
  if (mapped.additionalProperties) return { type: 'object', additionalProperties: mapped.additionalProperties }
  if (mapped.scalar === true || (Array.isArray(mapped.type) && !mapped.properties)) return { type: ['string', 'number', 'boolean'] }
  return mapped.type === 'object' ? { ...mapped, additionalProperties: false } : mapped
}
