import { signalIndex, type Action, type BoilerSystem, type Condition, type Demand, type OnFail, type Threshold } from '../system/index.ts'

/** A condition ready to be asked every step: a signal's column and the open interval it must lie in. */
export interface Test {
  column: number
  above: number
  below: number
}

/** What happens when a proof fails, with its thresholds as numbers. */
export type Failure =
  | { then: 'retry'; from: number; times: number; code: number }
  | { then: 'lockout'; code: number; named: { column: number; code: number }[] }
  | { then: 'wait'; until: Test[]; from: number; atLeast: number; shows: number }
  | { then: 'stay' }

/** A stage with its thresholds as numbers. */
export interface CompiledStage {
  external: boolean
  action: Action
  proof: Test[]
  hold: number
  limit: number
  onFail: Failure
  keeps: { test: Test; onFail: Failure; demandOnly: boolean }[]
  shows: number
}

/** A demand the board makes by itself, ready to be asked every step. */
interface SelfCall {
  demand: Demand
  starts: Test[]
  ends: Test[]
  rest: number
  burns: number
}

/** A system's programme with parameters put in: what the controller interprets. */
export interface Programme {
  sequence: Partial<Record<Demand, CompiledStage[]>>
  /** how many stages of each demand stand before the board's own */
  external: Partial<Record<Demand, number>>
  selfCalls: SelfCall[]
  powerUp: { seconds: number; action: Action; shows: number } | null
  overrun: Partial<Record<Demand, { pump: number; fan: number }>>
  /** index of a status, 0 for one the system does not have */
  statusOf: (id: string) => number
}

/**
 * Puts parameter values into a system's programme.
 *
 * @param value gives a parameter's value and throws for one the system lacks
 */
export function compile(system: BoilerSystem, value: (key: string) => number): Programme {
  const number = (threshold: Threshold): number =>
    typeof threshold === 'number' ? threshold : typeof threshold === 'string' ? value(threshold) : value(threshold.of) + threshold.plus
  const test = ({ signal, above, below }: Condition): Test => ({
    column: signalIndex[signal],
    above: above === undefined ? -Infinity : number(above),
    below: below === undefined ? Infinity : number(below),
  })
  const statusOf = (id: string) =>
    Math.max(
      0,
      system.statuses.findIndex((one) => one.id === id),
    )
  const codeOf = (id: string) => system.codes.findIndex((one) => one.id === id) + 1
  const sequence: Programme['sequence'] = {}
  const external: Programme['external'] = {}
  for (const [demand, stages] of Object.entries(system.sequence) as [Demand, (typeof system.sequence)[Demand]][]) {
    if (!stages) continue
    const place = (id: string) => stages.findIndex((one) => one.id === id)
    const failure = (fail: OnFail): Failure => {
      switch (fail.then) {
        case 'retry':
          return { then: 'retry', from: place(fail.from), times: number(fail.times), code: codeOf(fail.code) }
        case 'lockout':
          return {
            then: 'lockout',
            code: codeOf(fail.code),
            named: (fail.named ?? []).map(({ signal, code }) => ({ column: signalIndex[signal], code: codeOf(code) || codeOf(fail.code) })),
          }
        case 'wait':
          return { then: 'wait', until: fail.until.map(test), from: place(fail.from), atLeast: number(fail.atLeast), shows: statusOf(fail.shows) }
        case 'stay':
          return fail
      }
    }
    sequence[demand] = stages.map((stage) => ({
      external: stage.external === true,
      action: stage.action,
      proof: stage.proof.map(test),
      hold: number(stage.hold ?? 0),
      limit: number(stage.limit ?? Infinity),
      onFail: failure(stage.onFail),
      keeps: (stage.keeps ?? []).map((keep) => ({ test: test(keep.condition), onFail: failure(keep.onFail), demandOnly: keep.demandOnly === true })),
      shows: statusOf(stage.shows),
    }))
    external[demand] = stages.filter((one) => one.external).length
  }
  return {
    sequence,
    external,
    selfCalls: system.autonomous.map((one) => ({
      demand: one.demand,
      starts: one.starts.map(test),
      ends: one.ends.map(test),
      rest: number(one.rest),
      burns: number(one.burns),
    })),
    powerUp: system.powerUp && {
      seconds: number(system.powerUp.seconds),
      action: system.powerUp.action,
      shows: statusOf(system.powerUp.shows),
    },
    overrun: Object.fromEntries(Object.entries(system.overrun).map(([demand, one]) => [demand, { pump: number(one.pump), fan: number(one.fan) }])),
    statusOf,
  }
}

/** Whether a test holds on the present signals. */
export function holds({ column, above, below }: Test, signals: Float64Array): boolean {
  const value = signals[column]!
  return value > above && value < below
}

/** Whether every test holds. */
export function allHold(tests: readonly Test[], signals: Float64Array): boolean {
  for (let index = 0; index < tests.length; index++) if (!holds(tests[index]!, signals)) return false
  return true
}
