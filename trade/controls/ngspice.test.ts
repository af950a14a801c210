import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { spiceNetlist } from '@dewpoint/core/formats'
import type { ControlScheme } from '@dewpoint/core/system'
import type { Asked } from '@dewpoint/core/wiring'
import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { beforeAll, describe, expect, test } from 'vitest'
import { conductorFaults } from '../faults/controls/wiring.ts'
import { faultRows } from '../faults/index.ts'
import { schemes, zones } from './index.ts'
import { calling, onBench } from './onBench.ts'

// Source: ngspice, Debian's package, solving the same netlists by its own method.

interface Compared {
  name: string
  nodes: string[]
  ours: number[]
  island: number[]
  /** volts ngspice gives with the leaks led to 0 V and to 50 V */
  theirs: [number[], number[]]
  /** with the leaks at 0 V, by magnitude */
  magnitudes: number[]
}

const all = schemes.map((one) => one.scheme)
const states: [string, Asked][] = [
  ['nothing called', calling()],
  ['heating called', calling('heating')],
  ['hot water called', calling('hotWater')],
  ['both called', calling('heating', 'hotWater')],
  ['all zones called', calling('heating', 'zone2', 'zone3', 'zone4')],
  ['programmer off', { programmed: { heating: false, hotWater: false }, cold: { heating: true, hotWater: true } }],
]

/** Every fault of the controls a scheme can have, as parameters. */
function patchesOf(scheme: ControlScheme): Record<string, number>[] {
  const known = new Set(scheme.components.flatMap(({ id, parameters }) => Object.keys(parameters).map((name) => `${id}.${name}`)))
  return [...faultRows, ...conductorFaults(scheme)]
    .filter(({ patch }) => Object.keys(patch).every((key) => known.has(key)))
    .map(({ patch }) =>
      Object.fromEntries(Object.entries(patch).map(([key, value]) => [key, typeof value === 'number' ? value : 'times' in value ? value.times[1] : value[1]])),
    )
}

const jobs: { name: string; scheme: ControlScheme; changes: Record<string, number>; asked: Asked; pickUp?: boolean }[] = []
for (const scheme of [...all, zones(2)]) for (const [name, asked] of states) jobs.push({ name: `${scheme.id}, ${name}`, scheme, changes: {}, asked })
const healthy = jobs.length
const random = xoroshiro128plus(300)
for (let index = 0; index < 300; index++) {
  const scheme = all[uniformInt(random, 0, all.length - 1)]!
  const patches = patchesOf(scheme)
  const pick = () => patches[uniformInt(random, 0, patches.length - 1)]!
  const changes = { ...pick(), ...(index % 2 ? pick() : {}) }
  jobs.push({ name: `${scheme.id} with ${JSON.stringify(changes)}`, scheme, changes, asked: states[uniformInt(random, 0, states.length - 1)]![1] })
}
for (const scheme of all) {
  const motors = scheme.components.filter(({ parameters }) => 'motor' in parameters)
  const dead = Object.fromEntries(motors.map(({ id }) => [`${id}.motor`, 0]))
  jobs.push({ name: `${scheme.id}, motors dead, picked up`, scheme, changes: dead, asked: calling(), pickUp: true })
}

let compared: Compared[] = []

/** All circuits side by side in one file, solved once with the leaks at 0 V and once with them at 50 V. */
beforeAll(() => {
  const folder = mkdtempSync(join(tmpdir(), 'dewpoint-ngspice-'))
  const columns: { job: number; node: string }[] = []
  const circuits = [0, 50].map(() => [] as string[])
  compared = jobs.map(({ name, scheme, changes, asked, pickUp = false }, job) => {
    const wiring = onBench(scheme, changes)
    wiring.settle(asked)
    const { net } = wiring
    net.solve(pickUp)
    const elements = net.present().filter((one) => pickUp || one.kind !== 'capacitance')
    const { text, nodes } = spiceNetlist(name, elements, 'supply._earth', `k${job}_`, `k${job}_leak`)
    circuits.forEach((lines, which) => lines.push(...text.split('\n').slice(1), `Vk${job}_leak k${job}_leak 0 AC ${which * 50}`))
    const names = net.nodes.filter((node) => nodes.has(node) && node !== 'supply._earth')
    for (const node of names) columns.push({ job, node: nodes.get(node)! })
    const at = names.map((node) => net.node(node))
    return {
      name,
      nodes: names,
      ours: at.map((index) => (pickUp ? Math.hypot(net.re[index]!, net.im[index]!) : net.re[index]!)),
      island: at.map((index) => net.island[index]!),
      theirs: [[], []],
      magnitudes: [],
    }
  })
  circuits.forEach((lines, which) => {
    const out = join(folder, `volts${which}`)
    const file = join(folder, `circuits${which}.cir`)
    const control = ['.control', 'set filetype=ascii', 'ac lin 1 50 50', `write ${out}`, 'quit', '.endc', '.end']
    writeFileSync(file, ['every scheme at once', ...lines, ...control].join('\n'))
    execFileSync('ngspice', ['-b', file], { stdio: 'ignore', cwd: folder })
    const volts = readRaw(readFileSync(out, 'utf8'))
    columns.forEach(({ job, node }) => {
      const [re, im] = volts.get(`v(${node.toLowerCase()})`)!
      compared[job]!.theirs[which]!.push(re)
      if (which === 0) compared[job]!.magnitudes.push(Math.hypot(re, im))
    })
  })
  rmSync(folder, { recursive: true })
}, 120_000)

/** Every vector of an ASCII raw file with one point. */
function readRaw(text: string): Map<string, [number, number]> {
  const [head, values] = text.split('Values:\n') as [string, string]
  const names = head
    .slice(head.lastIndexOf('Variables:') + 11)
    .trim()
    .split('\n')
    .map((line) => line.trim().split(/\s+/)[1]!)
  const numbers = values
    .trim()
    .split('\n')
    .map((line) => line.trim().split(/\s+/).at(-1)!.split(',').map(Number) as [number, number])
  return new Map(names.map((name, index) => [name, numbers[index]!]))
}

function differences({ name, nodes, ours, island, theirs: [at0, at50] }: Compared): string[] {
  const found: string[] = []
  const first = new Map<number, number>()
  nodes.forEach((node, index) => {
    const floats = Math.abs(at50[index]! - at0[index]!) > 25
    if (floats !== (island[index] !== 0)) found.push(`${name}: ${node} ${floats ? 'floats' : 'does not float'} in ngspice`)
    // a floating island is compared within itself
    let reference = 0
    if (island[index] !== 0) {
      const known = first.get(island[index]!)
      if (known === undefined) first.set(island[index]!, index)
      const from = known ?? index
      reference = at0[from]! - ours[from]!
    }
    if (Math.abs(ours[index]! - (at0[index]! - reference)) > 0.1) found.push(`${name}: ${node} ${ours[index]} V, ngspice ${at0[index]! - reference} V`)
  })
  return found
}

describe('node voltages against ngspice, within 0.1 V, floating nodes told apart', () => {
  test(`${healthy} healthy states of every scheme`, () => {
    expect(compared.slice(0, healthy).flatMap(differences)).toEqual([])
  })

  test('300 seeded faulty circuits', () => {
    expect(compared.slice(healthy, healthy + 300).flatMap(differences)).toEqual([])
    // the faults do leave circuits floating and change voltages
    expect(compared.slice(healthy, healthy + 300).filter((one) => one.island.some((island) => island !== 0)).length).toBeGreaterThan(75)
  })

  test('what floating cores pick up', () => {
    for (const { name, ours, theirs, magnitudes } of compared.slice(healthy + 300)) {
      // cores that lie beside none of another island float still
      const held = ours.map((_volts, index) => index).filter((index) => Math.abs(theirs[1]![index]! - theirs[0]![index]!) < 25)
      for (const index of held) expect(Math.abs(ours[index]! - magnitudes[index]!), name).toBeLessThan(0.1 + 0.01 * ours[index]!)
    }
    expect(compared.slice(healthy + 300).some((one) => one.ours.some((volts) => volts > 30 && volts < 200))).toBe(true)
  })
})
