import { chartTrouble } from '../physics/index.ts'
import { signalIndex } from './signals.ts'
import { parametersOf, type BoilerSystem, type Condition, type OnFail, type Stage, type Threshold } from './system.ts'

/** Something wrong with a system's data, and where it stands. */
export interface SystemProblem {
  /** path of the field, like `sequence.heating[2].proof[0].above` */
  field: string
  message: string
}

/**
 * Everything that is wrong with a system's data: names that point at nothing, limits that cannot be met, values outside their own range.
 *
 * @returns empty for a sound system
 */
export function systemProblems(system: BoilerSystem): SystemProblem[] {
  const problems: SystemProblem[] = []
  const say = (field: string, message: string) => problems.push({ field, message })
  const parameters = new Set(parametersOf(system).map(([key]) => key))
  const statuses = idsOf(system.statuses)
  const codes = idsOf(system.codes)

  const threshold = (field: string, value: Threshold | undefined) => {
    const key = typeof value === 'string' ? value : typeof value === 'object' ? value.of : undefined
    if (key !== undefined && !parameters.has(key)) say(field, `"${key}" is not a parameter of ${system.id}`)
    if (typeof value === 'number' && !Number.isFinite(value)) say(field, 'must be a finite number')
  }
  const condition = (field: string, { signal, above, below }: Condition) => {
    if (!(signal in signalIndex)) say(`${field}.signal`, `"${signal}" is not a signal`)
    threshold(`${field}.above`, above)
    threshold(`${field}.below`, below)
  }
  const fails = (field: string, fail: OnFail, stages: Set<string>) => {
    if ('from' in fail && !stages.has(fail.from)) say(`${field}.from`, `there is no stage "${fail.from}" to go back to`)
    const toldApart = fail.then === 'lockout' && fail.named?.some((one) => codes.has(one.code))
    if ('code' in fail && !codes.has(fail.code) && !toldApart) say(`${field}.code`, `"${fail.code}" is not a fault code`)
    if ('shows' in fail && !statuses.has(fail.shows)) say(`${field}.shows`, `"${fail.shows}" is not a status`)
    if ('times' in fail) threshold(`${field}.times`, fail.times)
    if ('until' in fail) fail.until.forEach((one, index) => condition(`${field}.until[${index}]`, one))
  }
  const stage = (field: string, one: Stage, stages: Set<string>) => {
    if (!statuses.has(one.shows)) say(`${field}.shows`, `"${one.shows}" is not a status`)
    one.proof.forEach((each, index) => condition(`${field}.proof[${index}]`, each))
    threshold(`${field}.hold`, one.hold)
    threshold(`${field}.limit`, one.limit)
    fails(`${field}.onFail`, one.onFail, stages)
    one.keeps?.forEach((keep, index) => {
      condition(`${field}.keeps[${index}].condition`, keep.condition)
      fails(`${field}.keeps[${index}].onFail`, keep.onFail, stages)
    })
    if (typeof one.limit === 'number' && typeof one.hold === 'number' && one.limit <= one.hold) say(`${field}.limit`, 'must be longer than the hold')
  }

  system.components.forEach((component, at) => {
    for (const [name, { value, min = -Infinity, max = Infinity }] of Object.entries(component.parameters)) {
      const field = `components[${at}].parameters.${name}.value`
      if (!Number.isFinite(value)) say(field, 'must be a finite number')
      else if (value < min || value > max) say(field, `${value} lies outside ${min} to ${max}`)
    }
  })
  for (const [field, list] of Object.entries({ components: system.components, statuses: system.statuses, codes: system.codes })) {
    if (idsOf(list).size < list.length) say(field, 'two have the same id')
  }
  for (const [demand, stages] of Object.entries(system.sequence)) {
    const ids = idsOf(stages)
    if (ids.size < stages.length) say(`sequence.${demand}`, 'two stages have the same id')
    stages.forEach((one, index) => {
      if (one.external && index > 0 && !stages[index - 1]!.external) say(`sequence.${demand}[${index}].external`, 'stands behind a stage of the board')
      stage(`sequence.${demand}[${index}]`, one, ids)
    })
  }
  system.autonomous.forEach((one, index) => {
    one.starts.forEach((each, place) => condition(`autonomous[${index}].starts[${place}]`, each))
    one.ends.forEach((each, place) => condition(`autonomous[${index}].ends[${place}]`, each))
    threshold(`autonomous[${index}].burns`, one.burns)
    threshold(`autonomous[${index}].rest`, one.rest)
    if (!system.sequence[one.demand]) say(`autonomous[${index}].demand`, `there is no sequence for ${one.demand}`)
  })
  const charted = system.thermistor.points && chartTrouble(system.thermistor.points)
  if (charted) say('thermistor.points', charted)
  return problems
}

const idsOf = (list: readonly { id: string }[]) => new Set(list.map((one) => one.id))
