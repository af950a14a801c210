import type { AnyObject, ObjectSchema, Schema } from 'yup'

/** shapes remembered of one schema: what people send has a few dozen */
const mostShapes = 200
const narrowed = new WeakMap<object, Map<string, ObjectSchema<AnyObject>>>()

/**
 * The schema without the optional fields a value does not have: what it says of the value is the same, in half the time, as most of what an entry
 * could carry is not there. For schemas that are strict, where a field that is missing stays so.
 */
export function asPresent<T extends AnyObject>(schema: ObjectSchema<T>, value: unknown): ObjectSchema<T> {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return schema
  const names = Object.keys(schema.fields) as (keyof T & string)[]
  const looked = names.filter((name) => name in value || !(schema.fields[name] as Schema).spec.optional)
  if (looked.length === names.length) return schema
  const shapes = narrowed.get(schema) ?? new Map<string, ObjectSchema<AnyObject>>()
  narrowed.set(schema, shapes)
  const shape = looked.join(' ')
  const present = shapes.get(shape) ?? (schema.pick(looked) as unknown as ObjectSchema<AnyObject>)
  if (shapes.size >= mostShapes) shapes.clear()
  shapes.set(shape, present)
  return present as unknown as ObjectSchema<T>
}
