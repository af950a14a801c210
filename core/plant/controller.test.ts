import { describe, expect, it } from 'vitest'
import { signalIndex as S, signalNames, type BoilerSystem, type Stage } from '../system/index.ts'
import { compile } from './compile.ts'
import { Controller } from './controller.ts'

/** A board small enough to see through: a call, a fan that must be proved, a flame that must stay. */
const stage = (id: string, rest: Partial<Stage>): Stage => ({
  id,
  label: id,
  sign: id,
  action: {},
  proof: [],
  onFail: { then: 'stay' },
  shows: 'starting',
  ...rest,
})
const system: BoilerSystem = {
  id: 'small',
  label: 'small',
  layout: { burner: 'premix', air: 'tacho', hotWater: 'none', ways: 'direct', waterProof: 'none' },
  gas: 'naturalGas',
  components: [],
  sequence: {
    heating: [
      stage('called', { external: true, proof: [{ signal: 'heatCallVolts', above: 100 }] }),
      stage('air', {
        action: { fan: 'purge' },
        proof: [{ signal: 'tacho', above: 3000 }],
        hold: 2,
        limit: 6,
        onFail: { then: 'retry', from: 'air', times: 'board.tries', code: 'air' },
      }),
      stage('lit', {
        action: { fan: 'run', gas: true, spark: true },
        proof: [{ signal: 'flame', above: 0.5 }],
        limit: 5,
        onFail: { then: 'lockout', code: 'flame' },
        keeps: [
          {
            condition: { signal: 'flowSensor', below: { of: 'board.limit', plus: 4 } },
            onFail: { then: 'wait', until: [{ signal: 'flowSensor', below: 60 }], atLeast: 10, from: 'air', shows: 'waiting' },
          },
        ],
      }),
      stage('burns', { action: { spark: false, rate: 'modulate' }, shows: 'heating' }),
    ],
    frost: [stage('frostPump', { action: { pump: true }, shows: 'frost' })],
  },
  autonomous: [{ demand: 'frost', starts: [{ signal: 'flowSensor', below: 10 }], rest: 5, ends: [{ signal: 'flowSensor', above: 12 }], burns: 100 }],
  powerUp: { seconds: 4, action: { fan: 'purge' }, shows: 'selfCheck' },
  overrun: { heating: { pump: 0, fan: 3 } },
  statuses: ['rest', 'starting', 'heating', 'waiting', 'overrun', 'frost', 'selfCheck', 'lockout'].map((id) => ({ id, display: id, label: id })),
  codes: ['air', 'flame'].map((id) => ({ id, display: id, label: id })),
  dripPositions: [],
  thermistor: { r0: 10_000, t0: 25, beta: 3977 },
}
const parameters: Record<string, number> = { 'board.tries': 1, 'board.limit': 80 }
function board(startsDead = false) {
  const controller = new Controller(
    compile(system, (key) => parameters[key]!),
    startsDead,
  )
  const s = new Float64Array(signalNames.length)
  s[S.flowSensor] = 20
  const status = () => system.statuses[controller.status]!.id
  const run = (seconds: number, signals: Partial<Record<keyof typeof S, number>> = {}, powered = true) => {
    for (const [name, value] of Object.entries(signals)) s[S[name as keyof typeof S]] = value
    for (let time = 0; time < seconds; time++) controller.step(1, s, powered)
    return controller
  }
  return { controller, run, status, s }
}

describe('the board', () => {
  it('rests while nothing calls, and does nothing without power', () => {
    const { run, status, controller } = board()
    run(5)
    expect(status()).toBe('rest')
    run(5, { heatCallVolts: 230 }, false)
    expect(controller.outputs.fan).toBe('off')
  })

  it('holds a proof for its time before it goes on, spark and gas together', () => {
    const { run, controller } = board()
    run(1, { heatCallVolts: 230 })
    expect(controller.outputs).toMatchObject({ fan: 'purge', gas: false })
    run(1, { tacho: 4000 })
    expect(controller.outputs.gas).toBe(false)
    run(2)
    expect(controller.outputs).toMatchObject({ gas: true, spark: true })
    run(2, { flame: 1 })
    expect(controller.outputs).toMatchObject({ gas: true, spark: false, rate: 'modulate' })
  })

  it('tries as often as the parameter says, then locks out with the code, and stays locked', () => {
    const { run, controller, status } = board()
    run(8, { heatCallVolts: 230 })
    expect(controller.code).toBe(0)
    run(8)
    expect(system.codes[controller.code - 1]!.id).toBe('air')
    run(30, { tacho: 4000 })
    expect([status(), controller.outputs.fan]).toEqual(['lockout', 'off'])
  })

  it('waits at a limit that is a parameter with something added, for at least its time and until it has cooled, then starts again', () => {
    const { run, controller, status } = board()
    run(6, { heatCallVolts: 230, tacho: 4000, flame: 1 })
    run(2, { flowSensor: 83 })
    expect(status()).toBe('heating')
    run(1, { flowSensor: 85 })
    expect([status(), controller.outputs.gas]).toEqual(['waiting', false])
    run(20, { flame: 0 })
    expect(status()).toBe('waiting')
    run(2, { flowSensor: 55 })
    expect(status()).toBe('starting')
  })

  it('runs its fan on when the call ends', () => {
    const { run, controller, status } = board()
    run(6, { heatCallVolts: 230, tacho: 4000, flame: 1 })
    run(2, { heatCallVolts: 0 })
    expect([status(), controller.outputs.fan, controller.outputs.gas]).toEqual(['overrun', 'purge', false])
    run(4)
    expect([status(), controller.outputs.fan]).toEqual(['rest', 'off'])
  })

  it('calls by itself against frost, rests between, and yields to a call from outside', () => {
    const { run, controller } = board()
    run(4, { flowSensor: 8 })
    expect([controller.demand, controller.outputs.pump]).toEqual(['frost', true])
    run(1, { flowSensor: 13 })
    expect(controller.demand).toBe('none')
    run(3, { flowSensor: 8 })
    expect(controller.demand).toBe('none')
    run(4)
    expect(controller.demand).toBe('frost')
    run(1, { heatCallVolts: 230 })
    expect(controller.demand).toBe('heating')
  })

  it('checks itself at power-on before it hears a call', () => {
    const { run, controller, status } = board(true)
    run(3, { heatCallVolts: 230 })
    expect([status(), controller.demand, controller.outputs.fan]).toEqual(['selfCheck', 'none', 'purge'])
    run(3)
    expect(controller.demand).toBe('heating')
  })

  it('tells how far a call came that never reached it', () => {
    const { run, controller, s } = board()
    run(3)
    expect(controller.progress('heating', s)).toBe(0)
    run(2, { heatCallVolts: 230 })
    expect(controller.progress('heating', s)).toBe(1)
    expect(controller.progress('hotWater', s)).toBe(0)
  })
})
