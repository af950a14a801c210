import { parseArgs } from 'node:util'
import { probed, probeProblem, wiredWith, type ProbeSpec } from '@dewpoint/core/diagnosis'
import { spiceNetlist } from '@dewpoint/core/formats'
import type { Circuit } from '@dewpoint/core/system'
import { catalogueFor, schemesOf, wiredCatalogues } from '@dewpoint/trade'
import { refuse } from './refuse.ts'

/** Solves a control scheme in one state: every terminal against neutral, a reading between two, or a SPICE netlist. */
const usage = `usage: npm run -s wiring -- [--system ID] --controls ID [--call heating,hotWater,zone2…] [--off heating,hotWater] [--isolated]
         [--fault ID]... [--meter multimeter|tester] (--between OVER,UNDER | --spice | nothing for every terminal)`
const { values } = (() => {
  try {
    return parseArgs({
      options: {
        system: { type: 'string' },
        controls: { type: 'string', default: '' },
        call: { type: 'string', default: '' },
        off: { type: 'string', default: '' },
        isolated: { type: 'boolean', default: false },
        fault: { type: 'string', multiple: true, default: [] },
        meter: { type: 'string', default: 'tester' },
        between: { type: 'string' },
        spice: { type: 'boolean', default: false },
      },
    })
  } catch (error) {
    return refuse(`${(error as Error).message}\n${usage}`)
  }
})()

const known = [...new Set(wiredCatalogues().map((one) => one.system.controls!.id))]
const catalogue =
  (values.system === undefined
    ? wiredCatalogues().find((one) => one.system.controls!.id === values.controls)
    : schemesOf(values.system).length > 0
      ? catalogueFor(values.system, values.controls)
      : undefined) ?? refuse(`--controls "${values.controls}" is unknown${values.system ? ` for ${values.system}` : ''}; known: ${known.join(', ')}\n${usage}`)
const scheme = catalogue.system.controls ?? refuse(`--controls "${values.controls}" says nothing of the wiring; known: ${known.join(', ')}`)
const faults = values.fault.map((id) => {
  const index = catalogue.faults.findIndex((one) => one.id === id)
  return index >= 0 ? index : refuse(`--fault "${id}" is unknown; known: ${catalogue.faults.map((one) => one.id).join(', ')}`)
})
const circuits = new Set(scheme.devices.flatMap((one) => one.circuit ?? []))
const called = values.call.split(',').filter(Boolean) as Circuit[]
for (const one of called) if (!circuits.has(one)) refuse(`--call "${one}" is not a circuit of ${scheme.id}; known: ${[...circuits].join(', ')}`)
const off = values.off.split(',')
const asked: ProbeSpec['asked'] = {
  programmed: { heating: !off.includes('heating'), hotWater: !off.includes('hotWater') },
  cold: Object.fromEntries(called.map((one) => [one, true])),
  ...(values.isolated && { isolated: true }),
}
if (values.meter !== 'multimeter' && values.meter !== 'tester') refuse(`--meter "${values.meter}" is unknown: multimeter or tester`)
const wiring = wiredWith(catalogue, faults, asked)

if (values.spice) {
  const elements = wiring.net.present().filter((one) => one.kind !== 'capacitance')
  process.stdout.write(`${spiceNetlist(`${scheme.id} ${values.call || 'nothing called'}`, elements, 'supply._earth').text}\n.ac lin 1 50 50\n.end\n`)
} else if (values.between !== undefined) {
  const [over = '', under = ''] = values.between.split(',')
  const spec: ProbeSpec = { kind: asked.isolated ? 'continuity' : 'volts', over, under, meter: values.meter, asked }
  const why = probeProblem(scheme, spec)
  if (why) refuse(`--between: ${why}`)
  const value = probed(wiring, spec)
  const floating = wiring.net.island[wiring.net.node(over)] !== wiring.net.island[wiring.net.node(under)]
  process.stdout.write(`${JSON.stringify(spec.kind === 'volts' ? { volts: value, floating } : { outcome: ['open', 'beeps', 'ohms'][value] }, null, 2)}\n`)
} else {
  for (const { id, terminals } of scheme.devices) {
    for (const name of Object.keys(terminals)) {
      const { volts, floating } = wiring.read(`${id}.${name}`, 'supply.N', values.meter)
      process.stdout.write(
        `${String(terminals[name]).padStart(3)}  ${`${id}.${name}`.padEnd(28)} ${volts.toFixed(1).padStart(7)} V${floating ? '  floating' : ''}\n`,
      )
    }
  }
}
