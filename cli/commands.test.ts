import { spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import type { Diagnosis } from '@dewpoint/core/diagnosis'
import { build } from 'esbuild'
import { stockCatalogues } from '@dewpoint/trade'
import { beforeAll, describe, expect, it } from 'vitest'
import { diagnoseCase } from './diagnoseCase.ts'
import { lists } from './lists.ts'

/** The programs as one file each: they are started dozens of times, and read two hundred sources otherwise. */
const built = '.cache/commands'
beforeAll(async () => {
  await build({
    entryPoints: ['cli/diagnose.ts', 'cli/simulate.ts'],
    bundle: true,
    platform: 'node',
    format: 'esm',
    conditions: ['source'],
    mainFields: ['module', 'main'],
    outdir: built,
    outExtension: { '.js': '.mjs' },
    // the shipped signatures lie beside the file that reads them
    define: { 'import.meta.dirname': JSON.stringify(resolve('trade')) },
    banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url)" },
    logLevel: 'error',
  })
})
const runWith = (input: string, program: string, ...args: string[]) =>
  spawnSync(process.execPath, [`${built}/${program}.mjs`, ...args], { input, encoding: 'utf8', maxBuffer: 64e6 })
const run = (program: string, ...args: string[]) => runWith('', program, ...args)
/** what the program prints of a case file; that it does print this is tried by itself */
function diagnosed(name: string, order?: string): Diagnosis {
  const result = diagnoseCase(JSON.parse(readFileSync(`demo/caseFiles/${name}.json`, 'utf8')), order)
  if (!result.ok) throw new Error(result.error)
  return result.diagnosis
}

const asPrinted = (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown

/** A case file with one reading on two 2-port valves. */
function caseWith(payload: object, controls = 'two-valves'): object {
  const entry = { id: '01934a00-0000-7000-8000-000000020001', at: '2026-11-24T11:00:00Z', author: 'Engineer', schema: 1, type: 'reading', payload }
  return { format: 'dewpoint-case', version: 1, system: 'system-boiler', controls, settings: {}, entries: [entry] }
}

describe('diagnose', () => {
  it('prints a case as it is worked out, in the order asked for', () => {
    const { status, stdout, stderr } = run('diagnose', 'demo/caseFiles/hotColdHot.json', '--order', 'backward')
    expect([status, stderr]).toEqual([0, ''])
    expect(JSON.parse(stdout)).toEqual(asPrinted(diagnosed('hotColdHot', 'backward')))
  })

  it.each([
    ['tapNotSeen', 'turbine'],
    ['hotColdHotThermistor', 'flowThermistor'],
    ['fanStandsStill', 'fan'],
    ['airSwitchStandsMade', 'airSwitch'],
    ['allZonesCold', 'transformerFuse'],
  ])('%s: the %s', (name, part) => {
    expect(diagnosed(name).verdict?.part).toBe(part)
  })

  it('cylinderValve: live on motor and permanent live, nothing switched: the valve, head or body, and nothing else', () => {
    const { parts } = diagnosed('cylinderValve')
    const of = (id: string) => parts.find((one) => one.id === id)!.probability
    expect(of('hotWaterValveHead') + of('hotWaterValveBody')).toBeGreaterThan(0.9)
  })

  it.each([
    ['studiosAllCold', 'transformerFuse'],
    ['pumpRunsUnasked', 'whiteCore'],
    ['midValveGreyLost', 'greyCore'],
    ['valveHeldOpen', 'heatingValveLever'],
    ['valveBodySeized', 'hotWaterValveBody'],
  ])('%s, wiring known, read between terminals: the %s', (name, part) => {
    expect(diagnosed(name).verdict?.part).toBe(part)
  })

  it.each([
    ['valveNoSwitchedLive', ['hotWaterValveHead', 'hotWaterValveBody']],
    ['studioOneCold', ['roomStat', 'roomStatBatteries', 'roomStatReceiver', 'zone1FeedCore', 'zone1MotorCore']],
    ['studioNothingFires', ['heatingValveHead', 'zone1LiveCore', 'zone1SwitchedCore']],
    ['midValveStaysAtHotWater', ['midValveHead', 'midValveBody']],
  ])('%s: what is left together, and nothing else', (name, left) => {
    const { parts, suspects } = diagnosed(name)
    const leading = [...parts].sort((a, b) => b.probability - a.probability).filter((one) => one.probability > 0.1)
    for (const { id } of leading) expect(left).toContain(id)
    expect(suspects[0]!.key.split('.')[0]).toMatch(new RegExp(left.map((one) => one.replace(/Head|Body|Batteries|Receiver/, '')).join('|')))
    if (name === 'valveNoSwitchedLive') expect(leading.reduce((sum, one) => sum + one.probability, 0)).toBeGreaterThan(0.9)
    // a warm neighbour clears what they share
    if (name === 'studioOneCold')
      for (const id of ['transformer', 'transformerFuse', 'fan']) expect(parts.find((one) => one.id === id)!.probability).toBeLessThan(0.02)
  })

  it('pumpRunsUnaskedThenStat: two findings, two repairs, one case, and nothing left open', () => {
    const { parts, findings, open } = diagnosed('pumpRunsUnaskedThenStat')
    for (const id of ['whiteCore', 'roomStat']) expect(parts.find((one) => one.id === id)!.probability).toBeGreaterThan(0.9)
    expect(findings).toHaveLength(1)
    expect(open).toEqual([])
  })

  it('hotColdHot: the plate leads and is not condemned, the two that cost minutes to rule out stand with it, in every order', () => {
    for (const order of ['forward', 'backward', 'telling']) {
      const result = diagnosed('hotColdHot', order)
      expect(result.order).toBe(order)
      expect(result.suspects[0]!.key).toBe('plate.heatingSideBlocked')
      expect(result.verdict).toBeNull()
      for (const key of ['board.minimumSpeedHigh', 'flowThermistor.readsHigh'])
        expect(result.suspects.find((one) => one.key === key)?.probability ?? 0, key).toBeGreaterThan(0.015)
    }
  })

  it('lists every suspect down to a thousandth, and of every fault how likely it is', () => {
    const { suspects, faults } = diagnosed('hotColdHot')
    const shares = suspects.map((one) => one.probability)
    expect(shares).toEqual([...shares].sort((a, b) => b - a))
    expect(shares.at(-1)).toBeGreaterThanOrEqual(0.001)
    expect(shares.reduce((sum, one) => sum + one, 0)).toBeGreaterThan(0.8)
    const known = (lists.faults!() as { id: string; system: string }[]).filter((one) => one.system === 'premix-combi')
    expect(Object.keys(faults).sort()).toEqual(known.map((one) => one.id).sort())
    // a fault stands alone or with others: no less likely than any suspect it is part of
    for (const { faults: set, probability } of suspects) for (const id of set) expect(faults[id]).toBeGreaterThanOrEqual(probability)
  })

  it('smellOfGas: stops', () => {
    expect(diagnosed('smellOfGas')).toMatchObject({ stop: { danger: 'gasSmell' }, suspects: [], next: [] })
  })

  it('--list prints a list', () => {
    expect(JSON.parse(run('diagnose', '--list', 'actions').stdout)).toEqual(asPrinted(lists.actions!()))
  })

  it.each(Object.keys(lists))('%s are listed with ids', (list) => {
    const all = lists[list]!() as { id: string; system?: string }[]
    // each by a name of its own within its system, and of every system there is
    const names = all.map((one) => `${one.system} ${one.id}`)
    expect(new Set(names).size).toBe(names.length)
    for (const one of all) expect(one.id).toMatch(/^[a-zA-Z0-9][\w.-]*$/)
    const systems = [...new Set(all.map((one) => one.system ?? one.id))]
    if (!['actions', 'facts', 'controls'].includes(list)) expect(systems).toEqual(expect.arrayContaining(Object.keys(stockCatalogues)))
  })

  it.each([
    ['a missing file', ['nowhere.json'], 'nowhere.json'],
    ['no file', [], 'usage'],
    ['an unknown order', ['demo/caseFiles/hotColdHot.json', '--order', 'sideways'], 'sideways'],
    ['an unknown list', ['--list', 'songs'], 'songs'],
  ])('%s ends with exit code 2 and says so', (_name, args, words) => {
    const { status, stderr, stdout } = run('diagnose', ...args)
    expect([status, stdout]).toEqual([2, ''])
    expect(stderr).toContain(words)
  })

  it.each([
    [
      'continuity on live wires',
      caseWith({ check: 'probe.continuity', outcome: 'open', place: 'roomStat.call|supply.N' }),
      'entries[0].payload.place: Continuity is tested dead',
    ],
    [
      'an unknown terminal',
      caseWith({ check: 'probe.volts', value: 0, unit: 'V', place: 'roomStat.somewhere|supply.N' }),
      '“roomStat.somewhere” is not a terminal of Two 2-port valves',
    ],
    [
      'volts with the fuse out',
      caseWith({ check: 'probe.volts', value: 0, unit: 'V', place: 'roomStat.call|supply.N', situation: { powerOff: true } }),
      'voltage is measured live',
    ],
    [
      'a wiring the system does not have',
      caseWith({ check: 'ask.heating', outcome: 'fine' }, 'mid-volition'),
      '"mid-volition" is not a way system-boiler is wired; known: direct, two-valves-high-limit, two-valves, mid-position',
    ],
  ])('%s is refused with why', (_name, file, words) => {
    expect(diagnoseCase(file)).toEqual({ ok: false, error: expect.stringContaining(words) as string })
  })

  it('a bad file ends with exit code 2 and names the field', () => {
    const file = join(tmpdir(), 'dewpoint-bad.json')
    writeFileSync(file, JSON.stringify({ format: 'dewpoint-case', version: 1, system: 'premix-combi', entries: [{ type: 'reading' }] }))
    const { status, stderr } = run('diagnose', file)
    expect(status).toBe(2)
    expect(stderr).toContain('entries[0].id')
  })
})

describe('diagnose --lines', () => {
  const caseFile = (name: string) => JSON.parse(readFileSync(`demo/caseFiles/${name}.json`, 'utf8')) as object
  const lines = (...input: string[]) =>
    runWith(input.join('\n'), 'diagnose', '--lines')
      .stdout.trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Diagnosis & { error?: string })

  it('answers every case with one line in its order, each with the order of checks it asks for', () => {
    const [plain, forward, gas] = lines(
      JSON.stringify(caseFile('hotColdHot')),
      JSON.stringify({ ...caseFile('hotColdHot'), order: 'forward' }),
      '',
      JSON.stringify(caseFile('smellOfGas')),
    )
    expect(plain).toEqual(asPrinted(diagnosed('hotColdHot')))
    expect(forward).toEqual(asPrinted(diagnosed('hotColdHot', 'forward')))
    expect(gas!.stop?.danger).toBe('gasSmell')
  })

  it('says of a bad line what is wrong with it, and goes on', () => {
    const good = JSON.stringify(caseFile('smellOfGas'))
    const answers = lines(
      '{',
      '[]',
      '7',
      JSON.stringify({ ...caseFile('hotColdHot'), order: 'sideways' }),
      JSON.stringify({ ...caseFile('hotColdHot'), entries: [7] }),
      good,
    )
    for (const [at, words] of [
      'not JSON: ',
      'the file: must hold one JSON object',
      'the file: must hold',
      'order "sideways" is unknown',
      'entries[0] must be',
    ].entries())
      expect(answers[at]!.error).toContain(words)
    expect(answers.at(-1)).toMatchObject({ stop: { danger: 'gasSmell' } })
    expect(answers).toHaveLength(6)
  })

  it('takes no file and no order beside it', () => {
    for (const more of [['demo/caseFiles/hotColdHot.json'], ['--order', 'forward']]) expect(run('diagnose', '--lines', ...more).status).toBe(2)
  })
})

describe('simulate', () => {
  it('prints the timeline of a demand with faults and settings', () => {
    const csv = run('simulate', '--demand', 'dhw', '--minutes', '2', '--fault', 'turbine.stuck=1', '--set', 'mains.temperature=8').stdout
    const [header, ...rows] = csv.trim().split('\n')
    expect(rows).toHaveLength(121)
    const tap = header!.split(',').indexOf('hallFrequency (Hz)')
    expect(rows.map((row) => Number(row.split(',')[tap]))).toEqual(rows.map(() => 0))
  })

  it.each(['system-boiler', 'electric-flow', 'quay-24', 'trade/models/quay-24.json'])('knows %s', (system) => {
    const { status, stdout } = run('simulate', '--system', system, '--demand', system === 'electric-flow' ? 'dhw' : 'heating', '--minutes', '8')
    expect(status).toBe(0)
    const [header, ...rows] = stdout.trim().split('\n')
    const flow = header!.split(',').indexOf('flowTemperature (°C)')
    expect(Math.max(...rows.map((row) => Number(row.split(',')[flow])))).toBeGreaterThan(45)
  })

  it.each([
    [['--fault', 'tea.cold'], 'tea.cold'],
    [['--set', 'tea.cold=1'], 'tea.cold'],
    [['--minutes', 'long'], 'long'],
    [['--demand', 'steam'], 'steam'],
    [['--system', 'steam'], 'steam'],
    [['--system', 'trade/models/nowhere.json'], 'nowhere.json'],
  ])('%j is refused with exit code 2', (args, words) => {
    const { status, stderr } = run('simulate', ...args)
    expect(status).toBe(2)
    expect(stderr).toContain(words)
  })
})
