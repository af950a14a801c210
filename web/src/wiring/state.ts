import type { ControlScheme, Device } from '@dewpoint/core/system'
import { kindOf, type Wiring } from '@dewpoint/core/wiring'

/** How a conductor stands: live at mains, live at a low voltage, or not. */
export type Lit = 'mains' | 'low' | 'dead'

/** Which conductors are live, judged at both ends: against neutral, and within an island of low voltage against its return. */
export function litOf(scheme: ControlScheme, wiring: Wiring): Record<string, Lit> {
  const { net } = wiring
  const neutral = net.node('supply.N')
  const low = ['transformer.return', 'boiler.common'].filter((name) => net.nodes.includes(name)).map((name) => net.node(name))
  const at = (node: number): Lit => {
    if (Math.abs(wiring.volts(node, neutral)) > 90) return 'mains'
    return low.some((reference) => Math.abs(wiring.volts(node, reference)) > 10) ? 'low' : 'dead'
  }
  return Object.fromEntries(
    scheme.conductors.map(({ id }) => {
      const element = net.element(id)
      const ends = [at(net.ends[element * 4]!), at(net.ends[element * 4 + 1]!)] as const
      return [id, ends[0] === ends[1] ? ends[0] : 'dead']
    }),
  )
}

/** What a device is doing, in a word or two. */
export function doing(scheme: ControlScheme, wiring: Wiring, { id, kind }: Device): string {
  const { net } = wiring
  const volts = (over: string, under: string) =>
    net.nodes.includes(`${id}.${over}`) && net.nodes.includes(`${id}.${under}`)
      ? Math.abs(wiring.volts(net.node(`${id}.${over}`), net.node(`${id}.${under}`)))
      : 0
  const made = (element: string) => net.elements.includes(`${id}.${element}`) && net.made[net.element(`${id}.${element}`)] === 1
  switch (kind) {
    case 'supply':
      return made('intake') ? 'on' : 'off, locked'
    case 'programmer':
    case 'voltFreeProgrammer': {
      const on = [made('heating') && 'heating', made('hotWater') && 'hot water'].filter(Boolean)
      return on.length > 0 ? `on: ${on.join(', ')}` : 'off'
    }
    case 'thermostat':
    case 'changeoverThermostat':
      return made('call') ? 'calls' : 'does not call'
    case 'highLimit':
      return made('limit') ? 'made' : 'tripped'
    case 'valve':
    case 'changeoverValve':
    case 'lowVoltageValve': {
      const open = wiring.open(id, 'only')
      return `${open > 0.8 ? 'open' : open > 0.1 ? 'part open' : 'shut'}, switch ${made('endSwitch') ? 'made' : 'open'}`
    }
    case 'midPosition': {
      const at = wiring.position(id)
      return at > 0.95 ? 'at heating' : at >= 0.45 ? 'in the middle' : 'at hot water'
    }
    case 'boiler':
    case 'voltFreeBoiler': {
      if (volts('L', 'N') < 180) return 'no supply'
      return volts('demand', kind === 'boiler' ? 'N' : 'common') > scheme.callAbove ? 'called' : 'not called'
    }
    case 'pump':
      return volts('L', 'N') > 180 ? 'runs' : 'stands'
    case 'transformer': {
      const out = volts('out', 'return')
      return out > 1 ? `${Math.round(out)} V` : 'no voltage'
    }
    case 'block':
      return ''
  }
}

/** Switches inside a device between two of its terminals, and whether each is made. */
export function switchesOf(wiring: Wiring, { id, kind, terminals }: Device): { from: string; to: string; made: boolean }[] {
  return kindOf(kind).inside.flatMap((one) => {
    if (one.kind !== 'contact' || !(one.a in terminals) || !(one.b in terminals)) return []
    return [{ from: `${id}.${one.a}`, to: `${id}.${one.b}`, made: wiring.net.made[wiring.net.element(`${id}.${one.id}`)] === 1 }]
  })
}
