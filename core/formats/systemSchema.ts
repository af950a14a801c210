import { array, boolean, mixed, number, object, string, ValidationError, type AnyObject, type ObjectSchema } from 'yup'
import { isUnit } from '../quantity/index.ts'
import { compoundUnits, demands } from '../system/index.ts'

/** Yup definitions of a boiler system as a file. The published JSON Schema is made from them. */

const id = () => string().min(1).max(80).required()
const text = () => string().min(1).max(300).required()
const shape = <T extends AnyObject>(schema: ObjectSchema<T>) => schema.noUnknown().strict()

const isThreshold = (value: unknown): boolean =>
  typeof value === 'string' ||
  (typeof value === 'number' && Number.isFinite(value)) ||
  (typeof value === 'object' &&
    value !== null &&
    typeof (value as { of?: unknown }).of === 'string' &&
    typeof (value as { plus?: unknown }).plus === 'number' &&
    Object.keys(value).length === 2)
const threshold = () =>
  mixed()
    .test(
      'threshold',
      '${path} must be a number, the key of a parameter, or { "of": key, "plus": number }',
      (value) => value === undefined || isThreshold(value),
    )
    .meta({
      jsonSchema: {
        oneOf: [
          { type: 'number' },
          { type: 'string' },
          { type: 'object', required: ['of', 'plus'], additionalProperties: false, properties: { of: { type: 'string' }, plus: { type: 'number' } } },
        ],
      },
    })

const condition = () => shape(object({ signal: id(), above: threshold(), below: threshold() }))
const onFail = () =>
  shape(
    object({
      then: string()
        .oneOf(['retry', 'lockout', 'wait', 'stay'] as const)
        .required(),
      from: string(),
      times: threshold(),
      code: string(),
      named: array(shape(object({ signal: id(), code: id() })).required()),
      until: array(condition()),
      atLeast: threshold(),
      shows: string(),
    }),
  ).test('complete', '${path} lacks what its "then" needs: retry from, times, code; lockout code; wait until, from, atLeast, shows', (fail) => {
    const needs = { retry: ['from', 'times', 'code'], lockout: ['code'], wait: ['until', 'from', 'atLeast', 'shows'], stay: [] }[fail.then] ?? []
    return needs.every((key) => (fail as Record<string, unknown>)[key] !== undefined)
  })
const action = () =>
  shape(
    object({
      pump: boolean(),
      diverter: string().oneOf(['heating', 'hotWater'] as const),
      fan: string().oneOf(['off', 'purge', 'run'] as const),
      rate: string().oneOf(['ignition', 'lowest', 'modulate', 'full'] as const),
      pilot: boolean(),
      gas: boolean(),
      spark: boolean(),
      elements: boolean(),
    }),
  )
const stage = () =>
  shape(
    object({
      id: id(),
      label: text(),
      sign: text(),
      external: boolean(),
      action: action().required(),
      proof: array(condition().required()).required(),
      hold: threshold(),
      limit: threshold(),
      onFail: onFail().required(),
      keeps: array(shape(object({ condition: condition().required(), onFail: onFail().required(), demandOnly: boolean() })).required()),
      shows: id(),
    }),
  )

const parameter = shape(
  object({
    value: number().required(),
    spread: number().min(0),
    elsewhere: number(),
    min: number(),
    max: number(),
    unit: string()
      .test(
        'unit',
        '${path}: "${value}" is not a unit known here',
        (unit) => unit !== undefined && (isUnit(unit) || (compoundUnits as readonly string[]).includes(unit)),
      )
      .required(),
    says: text(),
    source: text(),
  }),
)
/** Parameters by name: every value is checked as a parameter, under its own path. */
const parameters = () =>
  mixed<Record<string, unknown>>()
    .required()
    .test('parameters', '${path} must be parameters by name', (value, context) => {
      if (typeof value !== 'object' || value === null || Array.isArray(value)) return context.createError({ message: '${path} must be parameters by name' })
      const wrong = Object.entries(value).flatMap(([name, one]) => {
        try {
          parameter.validateSync(one, { abortEarly: false })
          return []
        } catch (error) {
          if (!(error instanceof ValidationError)) throw error
          const inner = error.inner.length > 0 ? error.inner : [error]
          return inner.map((each) => {
            const path = [context.path, name, each.path].filter(Boolean).join('.')
            return new ValidationError(each.message.replace(each.path ?? 'this', path), one, path)
          })
        }
      })
      return wrong.length === 0 ? true : new ValidationError(wrong, value, context.path)
    })
    .meta({ jsonSchema: { type: 'object', parametersByName: true } })

const named = () => array(shape(object({ id: id(), display: text(), label: text() })).required()).required()
const seconds = () => threshold().test('given', '${path} must be given', (value) => value !== undefined)

const thermistor = () =>
  shape(
    object({
      r0: number().positive().required(),
      t0: number().required(),
      beta: number().positive().required(),
      // the lines of its chart, which then stands before the B-value
      points: array(shape(object({ celsius: number().min(-60).max(250).required(), ohms: number().positive().max(1e8).required() })).required())
        .min(2)
        .max(500)
        .default(undefined)
        .optional(),
    }),
  )

const systemSchema = shape(
  object({
    id: string()
      .matches(/^[a-z0-9-]{2,60}$/, '${path} must be small letters, figures and hyphens')
      .required(),
    label: text(),
    layout: shape(
      object({
        burner: string()
          .oneOf(['premix', 'atmospheric', 'pilot', 'electric'] as const)
          .required(),
        air: string()
          .oneOf(['tacho', 'pressureSwitch', 'none'] as const)
          .required(),
        hotWater: string()
          .oneOf(['plate', 'coil', 'cylinder', 'store', 'none'] as const)
          .required(),
        ways: string()
          .oneOf(['diverter', 'direct', 'twoPort', 'gravity', 'zones', 'single'] as const)
          .required(),
        waterProof: string()
          .oneOf(['pressureRise', 'lowWaterSwitch', 'pumpProvingSwitch', 'flowSwitch', 'none'] as const)
          .required(),
      }),
    ),
    gas: string()
      .oneOf(['naturalGas', 'propane', 'none'] as const)
      .required(),
    components: array(shape(object({ id: id(), label: text(), parameters: parameters() })).required()).required(),
    sequence: shape(object(Object.fromEntries(demands.map((demand) => [demand, array(stage().required())])))),
    autonomous: array(
      shape(
        object({
          demand: string()
            .oneOf(['frost', 'keepWarm'] as const)
            .required(),
          starts: array(condition().required()).required(),
          rest: seconds(),
          ends: array(condition().required()).required(),
          burns: seconds(),
        }),
      ).required(),
    ).required(),
    powerUp: shape(object({ seconds: seconds(), action: action().required(), shows: id() }))
      .nullable()
      .default(undefined),
    overrun: shape(
      object(
        Object.fromEntries(
          demands.map((demand) => [
            demand,
            shape(object({ pump: seconds(), fan: seconds() }))
              .default(undefined)
              .optional(),
          ]),
        ),
      ),
    ),
    statuses: named(),
    codes: named(),
    dripPositions: array(shape(object({ id: id(), label: text(), part: id() })).required()).required(),
    thermistor: thermistor(),
  }),
)

/** A system as a file. */
export const systemFileSchema = shape(
  object({
    format: string().oneOf(['dewpoint-system'], '${path} must be "dewpoint-system"').required(),
    version: number().oneOf([1], '${path} must be 1').required(),
    system: systemSchema.required(),
  }),
)

/** A model as a file: a stock system with some settings changed. */
export const modelFileSchema = shape(
  object({
    format: string().oneOf(['dewpoint-model'], '${path} must be "dewpoint-model"').required(),
    version: number().oneOf([1], '${path} must be 1').required(),
    id: string()
      .matches(/^[a-z0-9-]{2,60}$/, '${path} must be small letters, figures and hyphens')
      .required(),
    label: text(),
    system: id(),
    changes: mixed<Record<string, number>>()
      .required()
      .test('changes', '${path} must be numbers by "component.parameter"', (value) => {
        return (
          typeof value === 'object' &&
          value !== null &&
          !Array.isArray(value) &&
          Object.values(value).every((one) => typeof one === 'number' && Number.isFinite(one))
        )
      })
      .meta({ jsonSchema: { type: 'object', additionalProperties: { type: 'number' } } }),
    thermistor: thermistor().default(undefined).optional(),
    statuses: array(shape(object({ id: id(), display: text(), label: text() })).required()),
    codes: array(shape(object({ id: id(), display: text(), label: text() })).required()),
  }),
)

/** The schema of one parameter, for the published JSON Schema. */
export const parameterSchema = parameter
