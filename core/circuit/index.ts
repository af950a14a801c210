export { network, type Network } from './network.ts'
export type { Element, Netlist } from './netlist.ts'
