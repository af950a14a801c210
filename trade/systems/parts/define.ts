import type { Component, Parameter } from '@dewpoint/core/system'

export const cp = 'common practice'
export const mem = 'from memory'
export const own = 'chosen for this model'

/** One parameter as a row: value, unit, what it says, where the figure is from, and what else is known of it. */
export function number(
  value: number,
  unit: Parameter['unit'],
  says: string,
  source: string,
  rest: Partial<Pick<Parameter, 'spread' | 'elsewhere' | 'min' | 'max'>> = {},
): Parameter {
  return { value, unit, says, source, ...rest }
}

/** A share of what is healthy, 1 when whole. */
export function share(says: string, value = 1, rest: Partial<Pick<Parameter, 'spread' | 'min' | 'max'>> = {}): Parameter {
  return { value, unit: '1', says, source: own, min: 0, max: 1, ...rest }
}

/** A state that is 0 when healthy and up to 1 when not. */
export function flag(says: string): Parameter {
  return { value: 0, unit: '1', says, source: own, min: 0, max: 1 }
}

/** A part as this system has it: other values, another name, parameters left out or added. */
export function use(
  part: Component,
  values: Record<string, number> = {},
  rest: { label?: string; without?: string[]; also?: Record<string, Parameter>; spread?: Record<string, number> } = {},
): Component {
  const parameters = Object.fromEntries(
    Object.entries({ ...part.parameters, ...rest.also })
      .filter(([name]) => !rest.without?.includes(name))
      .map(([name, one]) => [
        name,
        { ...one, ...(values[name] !== undefined && { value: values[name] }), ...(rest.spread?.[name] !== undefined && { spread: rest.spread[name] }) },
      ]),
  )
  const unknown = Object.keys(values).filter((name) => !(name in parameters))
  if (unknown.length > 0) throw new RangeError(`${part.id} has no parameter ${unknown.join(', ')}`)
  return { id: part.id, label: rest.label ?? part.label, parameters }
}
