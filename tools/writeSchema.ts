import { writeFileSync } from 'node:fs'
import { caseFileJsonSchema, modelFileJsonSchema, systemFileJsonSchema } from '@dewpoint/core/formats'

/** Publishes the JSON Schemas of the formats. */
const schemas = { 'dewpoint-case': caseFileJsonSchema, 'dewpoint-system': systemFileJsonSchema, 'dewpoint-model': modelFileJsonSchema }
for (const [name, schema] of Object.entries(schemas)) writeFileSync(`docs/formats/${name}.schema.json`, `${JSON.stringify(schema(), null, 2)}\n`)
