import { signalIndex as S, type Action, type Demand } from '../system/index.ts'
import { allHold, holds, type Failure, type Programme, type CompiledStage, type Test } from './compile.ts'
import { leadSeconds } from './script.ts'

const called = ['hotWater', 'heating'] as const

/** Value of the `demand` signal. */
export const demandCode: Record<Demand | 'none', number> = { none: 0, keepWarm: 1, heating: 2, hotWater: 3, frost: 4 }

/**
 * The board: interprets a system's sequence of operation as data. It sees only signals, as a real board does,
 * and decides what to energise. One instance serves one run.
 */
export class Controller {
  demand: Demand | 'none' = 'none'
  /** index of the stage being proved; equals the number of stages when all are proved */
  stage = 0
  code = 0
  status: number
  readonly outputs: Required<Action> = {
    pump: false,
    diverter: 'heating',
    fan: 'off',
    rate: 'ignition',
    pilot: false,
    gas: false,
    spark: false,
    elements: false,
  }
  private inStage = 0
  private held = 0
  private retries = 0
  private waiting: Extract<Failure, { then: 'wait' }> | null = null
  private waited = 0
  private overrunPump = 0
  private overrunFan = 0
  private checking: number
  private tested = false
  private stuck = false
  private readonly rested: Float64Array
  private readonly burnt: Float64Array

  constructor(
    private readonly programme: Programme,
    startsDead = false,
  ) {
    this.status = programme.statusOf('rest')
    this.checking = startsDead && programme.powerUp ? programme.powerUp.seconds : 0
    // what stood long enough to call by itself does so once the run has been seen at rest
    this.rested = Float64Array.from(programme.selfCalls, ({ rest }) => (startsDead ? 0 : rest - leadSeconds))
    this.burnt = new Float64Array(programme.selfCalls.length)
  }

  /** Counts the demands the board makes by itself as just served, so that they rest first. */
  justServed(): void {
    this.rested.fill(0)
  }

  /**
   * One step of `dt` seconds: reads `signals`, sets {@link outputs}.
   *
   * @param tested the board’s test function is on: it fires whatever is asked outside
   * @param stuck its input for the heating call is stuck: it takes it for calling
   */
  step(dt: number, signals: Float64Array, powered: boolean, tested = false, stuck = false): void {
    this.tested = tested
    this.stuck = stuck
    if (!powered) return this.release()
    if (this.checking > 0) return this.selfCheck(dt)
    if (this.code > 0) return this.release(this.programme.statusOf('lockout'))
    const wanted = this.wanted(dt, signals)
    if (wanted !== this.demand) this.take(wanted)
    if (this.demand === 'none') return this.rest(dt)
    if (this.waiting) return this.wait(dt, signals)
    const steps = this.programme.sequence[this.demand]!
    const broken = this.brokenKeep(steps, signals)
    if (broken) return this.fail(broken.onFail, [broken.test], signals)
    const step = steps[this.stage]
    if (!step) return
    this.inStage += dt
    this.held = allHold(step.proof, signals) ? this.held + dt : 0
    if (this.held > 0 && this.held >= step.hold) this.enter(this.stage + 1)
    else if (this.inStage >= step.limit) this.fail(step.onFail, step.proof, signals)
  }

  /** How many stages of a demand are proved. */
  progress(demand: 'heating' | 'hotWater', signals: Float64Array): number {
    return this.demand === demand ? this.stage : this.outside(demand, signals)
  }

  /** How many of the stages before the board's own hold, from the first. */
  private outside(demand: Demand, signals: Float64Array): number {
    const steps = this.programme.sequence[demand]
    if (!steps) return 0
    const count = this.programme.external[demand]!
    let index = 0
    while (index < count && allHold(steps[index]!.proof, signals)) index++
    return index
  }

  private wanted(dt: number, signals: Float64Array): Demand | 'none' {
    if (this.tested) return 'heating'
    let wanted: Demand | 'none' = 'none'
    for (let index = 0; index < called.length && wanted === 'none'; index++) {
      const demand = called[index]!
      // the board knows only the last of what happens outside it
      const count = this.programme.external[demand] ?? 0
      if (count > 0 && allHold(this.programme.sequence[demand]![count - 1]!.proof, signals)) wanted = demand
    }
    if (wanted === 'none' && this.stuck) wanted = 'heating'
    return wanted === 'none' ? this.ownCall(dt, signals) : wanted
  }

  private ownCall(dt: number, signals: Float64Array): Demand | 'none' {
    const { selfCalls } = this.programme
    for (let index = 0; index < selfCalls.length; index++) {
      const call = selfCalls[index]!
      if (this.demand === call.demand) {
        if (signals[S.flame]! > 0.5) this.burnt[index]! += dt
        let over = this.burnt[index]! >= call.burns
        for (let at = 0; at < call.ends.length; at++) over ||= holds(call.ends[at]!, signals)
        if (!over) return call.demand
        this.rested[index] = 0
      } else {
        this.rested[index]! += dt
        this.burnt[index] = 0
        if (this.rested[index]! > call.rest && allHold(call.starts, signals)) return call.demand
      }
    }
    return 'none'
  }

  private take(wanted: Demand | 'none'): void {
    const { pump, fan } = this.outputs
    const overrun = this.demand === 'none' ? undefined : this.programme.overrun[this.demand]
    this.demand = wanted
    this.waiting = null
    this.retries = 0
    this.burnerOff()
    if (wanted === 'none') {
      this.overrunPump = pump ? (overrun?.pump ?? 0) : 0
      this.overrunFan = fan === 'off' ? 0 : (overrun?.fan ?? 0)
      this.status = this.programme.statusOf('overrun')
      this.stage = 0
    } else this.enter(this.programme.external[wanted] ?? 0)
  }

  private rest(dt: number): void {
    this.overrunPump -= dt
    this.overrunFan -= dt
    this.outputs.pump = this.overrunPump > 0
    this.outputs.fan = this.overrunFan > 0 ? 'purge' : 'off'
    if (this.overrunPump <= 0 && this.overrunFan <= 0) this.status = this.programme.statusOf('rest')
  }

  private selfCheck(dt: number): void {
    const { action, shows } = this.programme.powerUp!
    this.checking -= dt
    this.release(shows)
    if (this.checking > 0) Object.assign(this.outputs, action)
  }

  private wait(dt: number, signals: Float64Array): void {
    const { atLeast, until, from } = this.waiting!
    this.waited += dt
    if (this.waited >= atLeast && allHold(until, signals)) {
      this.waiting = null
      this.enter(from)
    }
  }

  private brokenKeep(steps: CompiledStage[], signals: Float64Array): CompiledStage['keeps'][number] | null {
    for (let index = 0; index < this.stage; index++) {
      const { keeps } = steps[index]!
      for (let at = 0; at < keeps.length; at++) {
        const keep = keeps[at]!
        if (!(this.tested && keep.demandOnly) && !holds(keep.test, signals)) return keep
      }
    }
    return null
  }

  private fail(failure: Failure, proof: readonly Test[] = [], signals?: Float64Array): void {
    if (failure.then === 'stay') return
    this.burnerOff()
    if (failure.then === 'lockout') this.lock(codeFor(failure, proof, signals))
    else if (failure.then === 'wait') {
      this.waiting = failure
      this.waited = 0
      this.status = failure.shows
    } else if (this.retries >= failure.times) this.lock(failure.code)
    else {
      this.retries++
      this.enter(failure.from)
    }
  }

  private enter(index: number): void {
    this.stage = index
    this.inStage = 0
    this.held = 0
    const step = this.programme.sequence[this.demand as Demand]![index]
    if (!step) return
    this.status = step.shows
    Object.assign(this.outputs, step.action)
  }

  private lock(code: number): void {
    this.code = code
    this.release(this.programme.statusOf('lockout'))
  }

  private burnerOff(): void {
    const { outputs } = this
    outputs.gas = false
    outputs.pilot = false
    outputs.spark = false
    outputs.elements = false
    outputs.fan = 'off'
  }

  private release(status?: number): void {
    this.burnerOff()
    this.outputs.pump = false
    if (status !== undefined) this.status = status
  }
}

/** The code of a lockout: that of the first signal which broke the proof, where the board tells them apart. */
function codeFor({ code, named }: Extract<Failure, { then: 'lockout' }>, proof: readonly Test[], signals: Float64Array | undefined): number {
  const broken = signals && proof.find((test) => !holds(test, signals))
  return named.find((one) => one.column === broken?.column)?.code ?? code
}
