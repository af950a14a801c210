import { programmerFaults } from './controls/programmer.ts'
import { thermostatsFaults } from './controls/thermostats.ts'
import { valveFaultRows } from './controls/valves.ts'
import { wiresFaults } from './controls/wires.ts'
import { zonesFaults } from './controls/zones.ts'
import { boardFaults } from './electrical/board.ts'
import { elementsFaults } from './electrical/elements.ts'
import { sensorsFaults } from './electrical/sensors.ts'
import { supplyFaults } from './electrical/supply.ts'
import { airFaults } from './fire/air.ts'
import { exchangerFaults } from './fire/exchanger.ts'
import { flameFaults } from './fire/flame.ts'
import { gasFaults } from './fire/gas.ts'
import { cylinderFaults } from './hotWater/cylinder.ts'
import { diverterFaults } from './hotWater/diverter.ts'
import { plateFaults } from './hotWater/plate.ts'
import { storedFaults } from './hotWater/stored.ts'
import { tapFaults } from './hotWater/tap.ts'
import { leaksFaults } from './water/leaks.ts'
import { pressureFaults } from './water/pressure.ts'
import { pumpFaults } from './water/pump.ts'
import { radiatorsFaults } from './water/radiators.ts'
import type { FaultRow } from '../rows/row.ts'

/** Every fault but those of conductors. */
export const faultRows: FaultRow[] = [
  ...airFaults,
  ...gasFaults,
  ...flameFaults,
  ...exchangerFaults,
  ...pumpFaults,
  ...radiatorsFaults,
  ...leaksFaults,
  ...pressureFaults,
  ...tapFaults,
  ...plateFaults,
  ...diverterFaults,
  ...storedFaults,
  ...cylinderFaults,
  ...sensorsFaults,
  ...boardFaults,
  ...supplyFaults,
  ...elementsFaults,
  ...programmerFaults,
  ...thermostatsFaults,
  ...wiresFaults,
  ...zonesFaults,
  ...valveFaultRows,
]
