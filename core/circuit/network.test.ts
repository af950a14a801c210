import { assert, array, constantFrom, double, integer, property, record } from 'fast-check'
import { describe, expect, test } from 'vitest'
import { network, type Element } from './index.ts'

const source = (id: string, a: string, b: string, volts: number, ohms = 0.001): Element => ({ id, kind: 'source', a, b, volts, ohms })
const resistance = (id: string, a: string, b: string, ohms: number): Element => ({ id, kind: 'resistance', a, b, ohms })
const contact = (id: string, a: string, b: string): Element => ({ id, kind: 'contact', a, b })

describe('by hand (Ohm’s and Kirchhoff’s laws)', () => {
  test('two equal resistances halve 230 V', () => {
    const net = network({ ground: 'n', elements: [source('s', 'l', 'n', 230), resistance('a', 'l', 'm', 1000), resistance('b', 'm', 'n', 1000)] })
    net.solve()
    expect(net.re[net.node('m')]).toBeCloseTo(115, 3)
    expect(net.current(net.element('a'))).toBeCloseTo(0.115, 6)
    expect(net.current(net.element('s'))).toBeCloseTo(-0.115, 6)
  })

  test('an open contact leaves what is behind it floating, not at nought', () => {
    const net = network({ ground: 'n', elements: [source('s', 'l', 'n', 230), contact('switch', 'l', 'm'), contact('onward', 'm', 'k')] })
    net.solve()
    expect(net.re[net.node('k')]).toBeCloseTo(230, 9)
    net.made[net.element('switch')] = 0
    net.solve()
    expect(net.island[net.node('k')]).not.toBe(net.island[net.node('n')])
    expect(net.island[net.node('k')]).toBe(net.island[net.node('m')])
  })

  test('a lost neutral lifts the far end of a motor to live', () => {
    const net = network({ ground: 'n', elements: [source('s', 'l', 'n', 230), resistance('motor', 'l', 'blue', 2400), contact('neutral', 'blue', 'n')] })
    net.made[net.element('neutral')] = 0
    net.solve()
    expect(net.re[net.node('blue')]).toBeCloseTo(230, 6)
  })

  test('a transformer of 26 : 230 feeds 75 Ω behind 0.6 Ω with 26·75/75.6 V, and draws its power from the mains', () => {
    const net = network({
      ground: 'n',
      elements: [
        source('s', 'l', 'n', 230, 1e-6),
        { id: 't', kind: 'transformer', a: 'l', b: 'n', c: 'x', d: 'y', ratio: 26 / 230, ohms: 0.6 },
        resistance('motor', 'x', 'y', 75),
      ],
    })
    net.solve()
    const across = net.re[net.node('x')]! - net.re[net.node('y')]!
    expect(across).toBeCloseTo((26 * 75) / 75.6, 4)
    const secondary = net.current(net.element('t'))
    expect(-net.current(net.element('s')) * 230).toBeCloseTo(secondary * 26, 3)
    expect(net.island[net.node('y')]).not.toBe(0)
  })

  test('two equal capacitances to live and neutral put half of 230 V on a floating core, which 5 kΩ pull down', () => {
    const net = network({
      ground: 'n',
      elements: [
        source('s', 'l', 'n', 230),
        { id: 'c1', kind: 'capacitance', a: 'l', b: 'core', farads: 1e-9 },
        { id: 'c2', kind: 'capacitance', a: 'core', b: 'n', farads: 1e-9 },
        resistance('meter', 'core', 'n', 5000),
      ],
    })
    net.made[net.element('meter')] = 0
    net.solve(true)
    expect(Math.hypot(net.re[net.node('core')]!, net.im[net.node('core')]!)).toBeCloseTo(115, 3)
    net.made[net.element('meter')] = 1
    net.solve(true)
    // |jωC R / (1 + 2jωCR)| · 230
    const x = 2 * Math.PI * 50 * 1e-9 * 5000
    expect(Math.hypot(net.re[net.node('core')]!, net.im[net.node('core')]!)).toBeCloseTo((230 * x) / Math.hypot(1, 2 * x), 4)
  })

  test('wrong values and unknown names are told', () => {
    expect(() => network({ ground: 'n', elements: [resistance('r', 'a', 'n', 0)] })).toThrow('r: ohms must be a positive number, not 0')
    expect(() => network({ ground: 'n', elements: [contact('r', 'a', 'n'), contact('r', 'b', 'n')] })).toThrow('two elements are called r')
    expect(() => network({ ground: 'n', elements: [contact('r', 'a', 'n')] }).node('b')).toThrow('no node "b"')
  })
})

describe('laws', () => {
  const nodes = ['n', 'a', 'b', 'c', 'd', 'e', 'f']
  const end = constantFrom(...nodes)
  const circuits = array(record({ a: end, b: end, kind: integer({ min: 0, max: 3 }), amount: double({ min: 1, max: 5000, noNaN: true }) }), {
    minLength: 1,
    maxLength: 18,
  })

  test('Kirchhoff: what flows into every merged node flows out again', () => {
    assert(
      property(circuits, (rows) => {
        const elements = rows
          .filter((one) => one.a !== one.b)
          .map(({ a, b, kind, amount }, index): Element => {
            const id = `${index}`
            if (kind === 0) return contact(id, a, b)
            return kind === 1 ? source(id, a, b, amount / 10, 1) : resistance(id, a, b, amount)
          })
        const net = network({ ground: 'n', elements })
        net.solve()
        // nodes at one voltage through contacts are one
        const group = (node: number) => {
          const seen = new Set([node])
          for (let grown = true; grown;) {
            grown = false
            for (const one of elements) {
              if (one.kind !== 'contact') continue
              const [p, q] = [net.node(one.a), net.node(one.b)]
              if (seen.has(p) === seen.has(q)) continue
              seen.add(p).add(q)
              grown = true
            }
          }
          return seen
        }
        for (let node = 0; node < net.nodes.length; node++) {
          const all = group(node)
          let sum = 0
          let scale = 1
          elements.forEach((one, index) => {
            const current = net.current(index)
            scale = Math.max(scale, Math.abs(current))
            if (all.has(net.node(one.a))) sum += current
            if (all.has(net.node(one.b))) sum -= current
          })
          expect(Math.abs(sum)).toBeLessThan(1e-7 * scale)
        }
      }),
    )
  })

  test('superposition: doubling every source doubles every voltage', () => {
    assert(
      property(circuits, (rows) => {
        const build = (times: number) => {
          const net = network({
            ground: 'n',
            elements: rows
              .filter((one) => one.a !== one.b)
              .map(({ a, b, kind, amount }, index): Element =>
                kind === 1 ? source(`${index}`, a, b, (amount / 10) * times, 1) : kind === 0 ? contact(`${index}`, a, b) : resistance(`${index}`, a, b, amount),
              ),
          })
          net.solve()
          return net
        }
        const [one, two] = [build(1), build(2)]
        one.re.forEach((volts, node) => expect(two.re[node]).toBeCloseTo(2 * volts, 5))
      }),
    )
  })
})
