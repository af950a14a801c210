import { describe, expect, it } from 'vitest'
import type { BoilerSystem, Stage } from './index.ts'
import { systemProblems } from './index.ts'

const stage = (id: string, more: Partial<Stage> = {}): Stage => ({
  id,
  label: id,
  sign: '',
  action: {},
  proof: [],
  onFail: { then: 'stay' },
  shows: 'rest',
  ...more,
})
/** A small boiler that is sound. */
const sound = (): BoilerSystem => ({
  id: 'small',
  label: 'Small',
  layout: { burner: 'premix', air: 'tacho', hotWater: 'none', ways: 'direct', waterProof: 'none' },
  gas: 'naturalGas',
  components: [
    { id: 'pump', label: 'Pump', parameters: { head: { value: 5, unit: 'm', is: 'head', min: 0, max: 8 } } },
  ] as unknown as BoilerSystem['components'],
  sequence: {
    heating: [
      stage('called', { external: true, proof: [{ signal: 'heatCallVolts', above: 100 }] }),
      stage('pumps', { proof: [{ signal: 'pressure', above: 'pump.head' }], hold: 2, limit: 20, onFail: { then: 'lockout', code: 'e1' } }),
      stage('lights', {
        onFail: { then: 'retry', from: 'pumps', times: 3, code: 'e1' },
        keeps: [{ condition: { signal: 'flame', above: 0.5 }, onFail: { then: 'lockout', code: 'e1' } }],
      }),
    ],
  },
  autonomous: [],
  powerUp: null,
  overrun: {},
  statuses: [{ id: 'rest', display: 'rest', label: 'at rest' }],
  codes: [{ id: 'e1', display: 'E 1', label: 'no flame' }],
  dripPositions: [],
  thermistor: { r0: 10_000, t0: 25, beta: 3977 },
})
const problems = (change: (system: BoilerSystem) => void) => {
  const system = sound()
  change(system)
  return systemProblems(system)
}
const stageOf = (system: BoilerSystem, at: number) => system.sequence.heating![at]!

describe('a system’s data', () => {
  it('that is sound has nothing wrong', () => expect(systemProblems(sound())).toEqual([]))

  it.each<[string, (system: BoilerSystem) => void, string, string]>([
    ['a value outside its own range', (one) => (one.components[0]!.parameters.head!.value = 9), 'components[0].parameters.head.value', '9 lies outside 0 to 8'],
    ['a value that is no number', (one) => (one.components[0]!.parameters.head!.value = NaN), 'components[0].parameters.head.value', 'must be a finite number'],
    ['two components of one name', (one) => one.components.push(one.components[0]!), 'components', 'two have the same id'],
    ['two stages of one name', (one) => one.sequence.heating!.push(stage('pumps')), 'sequence.heating', 'two stages have the same id'],
    ['a status that is none', (one) => (stageOf(one, 1).shows = 'tea'), 'sequence.heating[1].shows', '"tea" is not a status'],
    ['a code that is none', (one) => (stageOf(one, 1).onFail = { then: 'lockout', code: 'e9' }), 'sequence.heating[1].onFail.code', '"e9" is not a fault code'],
    [
      'a stage to go back to that is not there',
      (one) => (stageOf(one, 2).onFail = { then: 'retry', from: 'tea', times: 3, code: 'e1' }),
      'sequence.heating[2].onFail.from',
      'there is no stage "tea" to go back to',
    ],
    ['a threshold that is no parameter', (one) => (stageOf(one, 1).limit = 'pump.tea'), 'sequence.heating[1].limit', '"pump.tea" is not a parameter of small'],
    [
      'a parameter with something added that is none',
      (one) => (stageOf(one, 1).hold = { of: 'tea.hot', plus: 3 }),
      'sequence.heating[1].hold',
      'is not a parameter',
    ],
    ['a limit that cannot be met', (one) => (stageOf(one, 1).limit = 1), 'sequence.heating[1].limit', 'must be longer than the hold'],
    ['a signal that is none', (one) => (stageOf(one, 0).proof[0]!.signal = 'tea' as never), 'sequence.heating[0].proof[0].signal', '"tea" is not a signal'],
    ['a limit without end', (one) => (stageOf(one, 0).proof[0]!.above = Infinity), 'sequence.heating[0].proof[0].above', 'must be a finite number'],
    [
      'a stage outside behind one of the board',
      (one) => (stageOf(one, 2).external = true),
      'sequence.heating[2].external',
      'stands behind a stage of the board',
    ],
    [
      'what must go on holding and cannot be looked at',
      (one) => (stageOf(one, 2).keeps![0]!.condition.signal = 'tea' as never),
      'sequence.heating[2].keeps[0].condition.signal',
      'is not a signal',
    ],
    [
      'what it does by itself for a demand it has not',
      (one) => one.autonomous.push({ demand: 'frost', starts: [], ends: [], burns: 1, rest: 1 } as unknown as BoilerSystem['autonomous'][number]),
      'autonomous[0].demand',
      'there is no sequence for frost',
    ],
  ])('%s is told with its place', (_what, change, field, words) => {
    const [first, ...more] = problems(change)
    expect([first?.field, more]).toEqual([field, []])
    expect(first!.message).toContain(words)
  })

  it('tells everything that is wrong at once', () => {
    expect(
      problems((one) => {
        stageOf(one, 1).shows = 'tea'
        stageOf(one, 2).shows = 'tea'
        one.components[0]!.parameters.head!.value = -1
      }).map((problem) => problem.field),
    ).toEqual(['components[0].parameters.head.value', 'sequence.heating[1].shows', 'sequence.heating[2].shows'])
  })
})
