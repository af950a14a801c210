import { existsSync, readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { combined, patched, type Catalogue } from '@dewpoint/core/diagnosis'
import { readSystemFile, timelineCsv } from '@dewpoint/core/formats'
import { simulate } from '@dewpoint/core/plant'
import { withValues, type Parameters } from '@dewpoint/core/system'
import { catalogueFor, catalogueOf, catalogues, schemesOf, unknownWiring } from '@dewpoint/trade'
import { refuse } from './refuse.ts'

const usage = `usage: npm run -s simulate -- --system ${Object.keys(catalogues).join('|')}|FILE.json [--controls ID] --demand dhw|heating|none
         --minutes 10 [--tap LITRES_A_MINUTE] [--fault ID[=severity 0..1]]... [--set component.parameter=value]...`

const options = (() => {
  try {
    return parseArgs({
      options: {
        system: { type: 'string', default: 'premix-combi' },
        controls: { type: 'string', default: unknownWiring },
        demand: { type: 'string', default: 'dhw' },
        minutes: { type: 'string', default: '10' },
        tap: { type: 'string' },
        fault: { type: 'string', multiple: true, default: [] },
        set: { type: 'string', multiple: true, default: [] },
      },
    }).values
  } catch (error) {
    return refuse(`${(error as Error).message}\n${usage}`)
  }
})()

const catalogue = catalogues[options.system] ? wired(options.system) : fromFile(options.system)
const minutes = numberOf('--minutes', options.minutes, 0.1, 24 * 60)
if (!['dhw', 'heating', 'none'].includes(options.demand)) refuse(`--demand "${options.demand}" is unknown\n${usage}`)
const tap = options.tap === undefined ? Infinity : numberOf('--tap', options.tap, 0, 60)

const stored = ['cylinder', 'store'].includes(catalogue.system.layout.hotWater)
const timeline = simulate(catalogue.system, plant(catalogue), {
  heating: options.demand === 'heating',
  // hot water that is kept is called for by its store; a tap may be opened besides
  stored: stored && options.demand === 'dhw',
  tap: options.demand === 'dhw' && (!stored || options.tap !== undefined) ? tap : 0,
  seconds: minutes * 60,
})
process.stdout.write(timelineCsv(catalogue.system, timeline))

/** A known system, wired as asked. */
function wired(system: string): Catalogue {
  const ids = [unknownWiring, ...schemesOf(system).map((one) => one.id)]
  return catalogueFor(system, options.controls) ?? refuse(`--controls "${options.controls}" is not a way ${system} is wired; known: ${ids.join(', ')}`)
}

/** A system or a model from a file of the published format. */
function fromFile(path: string): Catalogue {
  if (!path.endsWith('.json')) refuse(`--system "${path}" is unknown\n${usage}`)
  if (!existsSync(path)) refuse(`--system ${path}: there is no such file`)
  const read = readSystemFile(readFileSync(path, 'utf8'), Object.fromEntries(Object.values(catalogues).map(({ system }) => [system.id, system])))
  if (!read.ok) refuse(read.problems.map(({ line, message }) => `${path}, line ${line}: ${message}`).join('\n'))
  return catalogueOf(read.system)
}

function plant({ system, faults }: Catalogue): Parameters {
  const set: Parameters = {}
  for (const one of options.set) {
    const [name = '', value = ''] = one.split('=')
    set[name] = numberOf(`--set ${name}`, value, -Infinity, Infinity)
  }
  let healthy: Parameters
  try {
    healthy = withValues(system, set)
  } catch (error) {
    refuse(`--set: ${(error as Error).message}`)
  }
  const changes = options.fault.map((one) => {
    const [id = '', severity = '0.5'] = one.split('=')
    const fault = faults.find((known) => known.id === id) ?? refuse(`--fault "${id}" is unknown; known: ${faults.map((known) => known.id).join(', ')}`)
    return patched(fault, numberOf(`--fault ${id}`, severity, 0, 1))
  })
  return combined(healthy, changes)
}

function numberOf(name: string, text: string, least: number, most: number): number {
  const value = Number(text)
  if (text.trim() === '' || !Number.isFinite(value) || value < least || value > most)
    refuse(`${name} "${text}" must be a number${least > -Infinity ? ` from ${least} to ${most}` : ''}`)
  return value
}
