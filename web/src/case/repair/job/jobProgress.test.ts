import { scriptedJournal } from '@dewpoint/core/casebook'
import type { JobLine } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { progressOf } from './jobProgress.ts'

const line = (id: string, kind: JobLine['kind'], faults: string[] = []): JobLine => ({
  ...{ id, remedy: kind === 'work' ? id : null, kind, label: id, minutes: 5, faults, role: null, because: null, skill: 'anyone' as const },
  ...{ steps: [], seals: [], parts: [], torque: null, cautions: [], notes: [] },
})
const lines = [line('open.case', 'open'), line('fan.replace', 'work', ['fan.seized']), line('close.case', 'close')]
const { entry } = scriptedJournal()
const choose = () => entry('decision', { kind: 'planChosen', reason: 'usual', plan: 'usual', remedies: [{ remedy: 'fan.replace', faults: ['fan.seized'] }] })
const tick = (id: string, state: 'done' | 'open' = 'done') => entry('step', { remedy: id, step: 0, state })
const done = (live: Parameters<typeof progressOf>[0], chosen: string | null) =>
  [...progressOf(live, lines, chosen)].flatMap(([id, one]) => (one.done ? [id] : []))

describe('how far a job is', () => {
  it('is nowhere before it was chosen', () => {
    expect(done([tick('open.case')], null)).toEqual([])
  })

  it('is what was ticked since, unless it was opened again', () => {
    const chosen = choose()
    const live = [chosen, tick('open.case')]
    expect(done(live, chosen.id)).toEqual(['open.case'])
    expect(done([...live, tick('open.case', 'open')], chosen.id)).toEqual([])
  })

  it('a repair is done by its own entry, of the fault it is for', () => {
    const chosen = choose()
    const repair = (faults: string[]) => entry('repair', { remedy: 'fan.replace', faults, parts: [] })
    expect(done([chosen, repair(['fan.worn'])], chosen.id)).toEqual([])
    expect(done([chosen, repair(['fan.seized'])], chosen.id)).toEqual(['fan.replace'])
    // one of before the choice was another time
    const again = choose()
    expect(done([repair(['fan.seized']), again], again.id)).toEqual([])
  })

  it('another choice half way keeps what is open; once it was closed up, it begins anew', () => {
    const [first, second] = [choose(), choose()]
    expect(done([first, tick('open.case'), second], second.id)).toEqual(['open.case'])
    const third = choose()
    expect(done([first, tick('open.case'), tick('close.case'), third], third.id)).toEqual([])
  })

  it('knows the figures noted, the last of each', () => {
    const chosen = choose()
    const note = (value: number) => entry('step', { remedy: 'open.case', step: 2, state: 'done', value, unit: 'bar' })
    expect(progressOf([chosen, note(0.6), note(1)], lines, chosen.id).get('open.case')!.noted).toEqual(new Map([[2, { value: 1, unit: 'bar' }]]))
  })
})
