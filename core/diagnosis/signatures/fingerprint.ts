import type { ControlScheme } from '../../system/index.ts'
import type { Catalogue } from '../catalogue/index.ts'

/** A fingerprint of everything in a catalogue that signatures depend on (FNV-1a, 64 bits in two halves). */
export function catalogueHash(catalogue: Catalogue): string {
  const { system, runs, stories, faults, checks, prior } = catalogue
  const text = JSON.stringify(
    [
      system.layout,
      system.gas,
      system.thermistor,
      system.sequence,
      system.autonomous,
      system.powerUp,
      system.overrun,
      system.components.map(({ id, parameters }) => [
        id,
        Object.entries(parameters).map(([name, { value, spread, elsewhere, min, max }]) => [name, value, spread, min, max, elsewhere]),
      ]),
      runs,
      stories,
      faults.map(({ id, patch }) => [id, patch]),
      checks.map(({ id, result }) => [id, result.kind === 'number' ? result.read : result.kind === 'outcome' ? result.decide : result.kind]),
      prior.noDemandPatches,
      ...(system.controls ? [wiringOf(system.controls)] : []),
    ],
    // what something is called changes no reading
    (key, value: unknown) => (key === 'label' || key === 'sign' ? undefined : value),
  )
  let a = 0x811c9dc5
  let b = 0x9dc5811c
  for (let index = 0; index < text.length; index++) {
    a = Math.imul(a ^ text.charCodeAt(index), 16777619)
    b = Math.imul(b ^ text.charCodeAt(index) ^ (a >>> 16), 16777619)
  }
  return [a, b].map((half) => (half >>> 0).toString(16).padStart(8, '0')).join('')
}

/** What of a control scheme signatures depend on. */
function wiringOf({ devices, conductors, volts, positions }: ControlScheme): unknown {
  return [
    devices.map(({ id, kind, terminals, circuit }) => [id, kind, Object.keys(terminals), circuit]),
    conductors.map(({ role: _role, cable: _cable, ...one }) => one),
    volts,
    positions,
  ]
}
