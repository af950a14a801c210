import type { Element } from '../circuit/index.ts'
import type { DeviceKind } from '../system/index.ts'

/** What a device hears when it decides how its contacts stand. */
export interface Hearing {
  /** a parameter of the device's own component, or what stands in for it */
  own(name: string, otherwise?: number): number
  /** the programmer is switched on for this device's circuit */
  programmed(circuit: 'heating' | 'hotWater'): boolean
  /** the thermostat feels its place colder than it is set */
  calling: boolean
  /** where the valve's motor stands, 0 rest to 1 end of travel */
  position: number
  /** the board runs its pump */
  pumping: boolean
}

/** An element inside a device, between its own terminals (or nodes of its own beginning with `_`), and when it conducts. */
export type Inside = Element & { when?: (hearing: Hearing) => boolean }

/** How a kind of device is made, and how its motor moves. */
interface Kind {
  says: string
  inside: Inside[]
  /** value of an inside element where a parameter gives it */
  sized?: Record<string, (own: Hearing['own']) => number>
  /** a motor: turns while this many volts stand across its element; `hold` keeps it at the middle while those ends carry as much */
  motor?: { element: string; enough: number; hold?: { over: string; under: string } }
}

const contact = (id: string, a: string, b: string, when?: Inside['when']): Inside => ({ id, kind: 'contact', a, b, ...(when && { when }) })
const resistance = (id: string, a: string, b: string, ohms: number, when?: Inside['when']): Inside => ({
  id,
  kind: 'resistance',
  a,
  b,
  ohms,
  ...(when && { when }),
})

/** the end switch makes near the end of the travel, or stays made for good */
const endMade = ({ own, position }: Hearing) => own('endSwitchStuck', 0) > 0.5 || (position > 0.8 && own('endSwitch') > 0.5)
const turns = ({ own }: Hearing) => own('motor') > 0.5
const clicks = ({ own, calling }: Hearing) => own('stuckClosed', 0) > 0.5 || (calling && own('closes') > 0.5)
/** call and satisfied landed on each other’s terminal */
const crossed = ({ own }: Hearing) => own('crossed', 0) > 0.5
const motorOhms = (own: Hearing['own']) => own('motorResistance') * 1000
const alive = ({ own }: Hearing) => own('alive', 1) > 0.5
const heatingOutput = (h: Hearing) => h.own('heatingStuck', 0) > 0.5 || (alive(h) && h.programmed('heating') && h.own('heatingOutput') > 0.5)
const hotWaterOutput = (h: Hearing) => h.own('hotWaterStuck', 0) > 0.5 || (alive(h) && h.programmed('hotWater') && h.own('hotWaterOutput') > 0.5)

/**
 * The devices a scheme is put together from. Resistances are of their class, from memory: a synchronous valve motor about 2.4 kΩ at
 * mains, 75 Ω at 24 V; a pump 500 Ω; an idle transformer 8 kΩ; a board’s input 47 kΩ; a fuse some hundredths of an ohm.
 */
const deviceKinds = {
  supply: {
    says: 'fused isolator; neutral and earth are one at the intake',
    inside: [
      { id: 'intake', kind: 'source', a: '_live', b: '_earth', volts: 230, ohms: 0.4, when: ({ own }) => own('live') > 0.5 },
      resistance('neutralReturn', '_neutral', '_earth', 0.3, ({ own }) => own('neutral', 1) > 0.5),
      contact('poleL', '_live', '_L', ({ own }) => own('reversed', 0) < 0.5),
      contact('poleN', '_neutral', 'N', ({ own }) => own('reversed', 0) < 0.5),
      contact('crossL', '_neutral', '_L', ({ own }) => own('reversed', 0) > 0.5),
      contact('crossN', '_live', 'N', ({ own }) => own('reversed', 0) > 0.5),
      resistance('fuse', '_L', 'L', 0.05, ({ own }) => own('fuse', 1) > 0.5),
      contact('bond', '_earth', 'E'),
    ],
  },
  /** passes what comes in at L on to its outputs */
  programmer: {
    says: 'clock with an output a circuit; the hot-water output has an off terminal too',
    inside: [
      resistance('clock', 'L', 'N', 40_000, alive),
      contact('heating', 'L', 'heatingOn', heatingOutput),
      contact('hotWater', 'L', 'hotWaterOn', hotWaterOutput),
      contact('hotWaterRest', 'L', 'hotWaterOff', (h) => alive(h) && !hotWaterOutput(h) && h.own('offContact', 1) > 0.5),
    ],
  },
  /** a clock's contact with no voltage of its own */
  voltFreeProgrammer: {
    says: 'clock with one volt-free contact',
    inside: [resistance('clock', 'L', 'N', 40_000, alive), contact('heating', 'common', 'heatingOn', heatingOutput)],
  },
  thermostat: {
    says: 'closes when it feels its place too cold',
    inside: [contact('call', 'common', 'call', clicks)],
  },
  /** with a contact for when it is satisfied as well */
  changeoverThermostat: {
    says: 'common to call when cold, common to satisfied when warm',
    inside: [
      contact('call', 'common', 'call', (h) => (crossed(h) ? !clicks(h) : clicks(h))),
      contact('satisfied', 'common', 'satisfied', (h) => (crossed(h) ? clicks(h) : !clicks(h)) && h.own('satisfied', 1) > 0.5),
    ],
  },
  highLimit: {
    says: 'opens when the stored water is dangerously hot; reset by hand',
    inside: [contact('limit', 'in', 'out', ({ own }) => own('tripped', 0) < 0.5)],
  },
  /** motor against a spring, end switch between two free terminals */
  valve: {
    says: 'motor drives it open against a spring; near the end its switch joins grey to orange',
    inside: [resistance('motor', 'motor', 'N', 2400, turns), contact('endSwitch', 'live', 'switched', endMade)],
    sized: { motor: motorOhms },
    motor: { element: 'motor', enough: 170 },
  },
  /** the same with a changeover end switch */
  changeoverValve: {
    says: 'motor drives it open against a spring; its switch joins orange to white while shut, to grey while open',
    inside: [
      resistance('motor', 'motor', 'N', 2400, turns),
      contact('endSwitch', 'live', 'switched', endMade),
      contact('shutSwitch', 'rest', 'switched', (h) => !endMade(h)),
    ],
    sized: { motor: motorOhms },
    motor: { element: 'motor', enough: 170 },
  },
  lowVoltageValve: {
    says: '24 V motor head; its end switch is free of the 24 V',
    inside: [resistance('motor', 'motor', 'return', 75, turns), contact('endSwitch', 'live', 'switched', endMade)],
    sized: { motor: motorOhms },
    motor: { element: 'motor', enough: 18 },
  },
  /**
   * Rests at hot water. White drives it to the middle and holds it there through a resistor; with grey live as well it goes on to
   * heating, where its switch joins white to orange. From memory of how such valves are described.
   */
  midPosition: {
    says: 'rests at hot water; white takes it to the middle, white and grey on to heating, where it makes orange',
    inside: [
      contact('toMiddle', 'heatingOn', '_motor', ({ position }) => position < 0.5),
      contact('fromMiddle', 'satisfied', '_motor', ({ position }) => position >= 0.5),
      resistance('holding', 'heatingOn', '_motor', 150_000, ({ own, position }) => position >= 0.5 && own('holding', 1) > 0.5),
      resistance('motor', '_motor', 'N', 2400, turns),
      contact('endSwitch', 'heatingOn', 'switched', ({ own, position }) => own('endSwitchStuck', 0) > 0.5 || (position > 0.95 && own('endSwitch') > 0.5)),
    ],
    // back through a holding resistor that has broken down, a board’s input sees a call
    sized: { motor: motorOhms, holding: (own) => (own('backFeeds', 0) > 0.5 ? 20_000 : 150_000) },
    motor: { element: 'motor', enough: 170, hold: { over: 'heatingOn', under: 'N' } },
  },
  /** a boiler called by its switched live */
  boiler: {
    says: 'board fed at L and N; a live at the demand terminal calls it',
    inside: [resistance('board', 'L', 'N', 3000), resistance('input', 'demand', 'N', 47_000), resistance('input2', 'demand2', 'N', 47_000)],
  },
  /** a boiler called by joining two terminals of its own low voltage */
  voltFreeBoiler: {
    says: 'board fed at L and N; joining its two room-thermostat terminals calls it, at a low voltage of its own',
    inside: [
      resistance('board', 'L', 'N', 3000),
      { id: 'ownVolts', kind: 'source', a: 'out', b: 'common', volts: 24, ohms: 100 },
      resistance('input', 'demand', 'common', 10_000),
    ],
  },
  pump: {
    says: 'pump fed at L and N',
    inside: [resistance('winding', 'L', 'N', 500)],
  },
  transformer: {
    says: 'mains to 24 V, fused on the 24 V side',
    inside: [
      resistance('magnetising', 'L', 'N', 8000),
      { id: 'windings', kind: 'transformer', a: 'L', b: 'N', c: '_secondary', d: 'return', ratio: 26 / 230, ohms: 0.6, when: ({ own }) => own('output') > 1 },
      resistance('fuse', '_secondary', 'out', 0.05, ({ own }) => own('fuse') > 0.5),
    ],
    sized: { windings: (own) => Math.max(own('output'), 1) / 230 },
  },
  /** numbered terminals side by side, joined to nothing but what lands on them */
  block: { says: 'joins what lands on one terminal', inside: [] },
} satisfies Record<DeviceKind, Kind>

/** How a kind is made. */
export function kindOf(kind: DeviceKind): Kind {
  return deviceKinds[kind]
}
