import type { UnitSymbol } from '../quantity/index.ts'

/**
 * Every quantity a plant can report over time, with the unit it is reported in. A system has those of the parts it is
 * assembled from; the rest stay 0. Sensed values (`flowSensor`) are what the board believes; the others are what is really there.
 */
export const signals = {
  // the board
  stage: ['1', 'how many stages of the sequence for the present demand have been proved'],
  hotWaterStage: ['1', 'the same for hot water'],
  heatingStage: ['1', 'the same for heating'],
  demand: ['1', '0 none, 1 keep-warm, 2 heating, 3 hot water, 4 frost'],
  status: ['1', 'index of the status shown'],
  code: ['1', 'index of the fault code shown, 0 for none'],
  displayOn: ['1', 'the board has power and its display is lit'],
  supplyVolts: ['V', 'at the supply terminals of the boiler'],
  // what asks the boiler to run
  heatingTimerVolts: ['V', 'heating output of the programmer'],
  heatingMotorVolts: ['V', 'behind the room thermostat: at the valve motor, or at the boiler'],
  heatingValve: ['1', 'heating valve, 0 shut to 1 open'],
  heatCallVolts: ['V', 'between the heating demand terminal and neutral'],
  hotWaterTimerVolts: ['V', 'hot-water output of the programmer'],
  hotWaterMotorVolts: ['V', 'behind the cylinder thermostat: at the valve motor'],
  hotWaterValve: ['1', 'hot-water valve, 0 shut to 1 open'],
  hotWaterCallVolts: ['V', 'the call for stored hot water, at the demand terminal'],
  zone2MotorVolts: ['V', 'at the motor of the second zone valve'],
  zone2Valve: ['1', 'second zone valve, 0 shut to 1 open'],
  zone2CallVolts: ['V', 'the second zone’s end switch passes'],
  permanentLiveVolts: ['V', 'at the end switch of the valve, always live'],
  heatingLiveVolts: ['V', 'the same at the heating valve, where each has its own'],
  satisfiedVolts: ['V', 'at the “hot water satisfied” terminal of a mid-position valve'],
  transformerVolts: ['V', 'secondary of the control transformer'],
  hotWaterSelected: ['1', 'hot water is selected at the panel'],
  // the tap
  tapFlow: ['l/min', 'at the tap'],
  tapTemperature: ['°C', 'at the tap'],
  hotWaterTemperature: ['°C', 'leaving the plate or coil, before any mixer'],
  turbineFlow: ['l/min', 'flow the turbine turns with'],
  hallFrequency: ['Hz', 'pulses on the turbine signal wire'],
  tapSignal: ['Hz', 'pulses the board sees'],
  // what the board energises
  pumpVolts: ['V', 'at the pump plug'],
  fanVolts: ['V', 'supply at the fan plug'],
  diverterVolts: ['V', 'at the diverter motor plug'],
  sparkOn: ['1', 'sparks at the electrode'],
  pilotValveVolts: ['V', 'at the pilot solenoid'],
  gasValveVolts: ['V', 'at the gas valve plug'],
  elementVolts: ['V', 'at the elements'],
  elementCurrent: ['A', 'drawn by the elements'],
  // air
  fanCommand: ['rev/min', 'speed the board asks for'],
  fanSpeed: ['rev/min', 'speed the fan turns at'],
  tacho: ['rev/min', 'speed the board sees'],
  airPressure: ['mbar', 'difference the air pressure switch feels'],
  airSwitch: ['1', 'air pressure switch, common to normally-open, made'],
  airSwitchRest: ['1', 'air pressure switch, common to normally-closed, made'],
  // burner
  gasInlet: ['mbar', 'pressure at the gas valve inlet'],
  burnerPressure: ['mbar', 'pressure at the burner'],
  gasFlowing: ['1', 'gas passes the valve'],
  pilotFlame: ['1', 'the pilot burns'],
  flame: ['1', 'the burner burns, or the elements heat'],
  flameCurrent: ['µA', 'rectification current the board sees'],
  gasInput: ['kW', 'heat in the gas burnt, net'],
  gasRate: ['m³/h', 'gas through the meter'],
  burnerPower: ['kW', 'heat given to the water'],
  carbonDioxide: ['%', 'CO2 in the dry products'],
  oxygen: ['%', 'O2 in the dry products'],
  carbonMonoxide: ['ppm', 'CO in the dry products'],
  airCarbonDioxide: ['%', 'CO2 in the air inlet: products leaking back'],
  airOxygen: ['%', 'O2 in the air inlet'],
  combustionRatio: ['1', 'CO over CO2 in the dry products'],
  flueTemperature: ['°C', 'products where they leave the exchanger'],
  overheatOpen: ['1', 'the overheat device interrupts the circuit'],
  controlStatOpen: ['1', 'the control thermostat is satisfied'],
  // heating water
  waterFlow: ['l/min', 'through the main exchanger'],
  plateFlow: ['l/min', 'through the plate or the cylinder coil'],
  diverterPosition: ['1', '0 heating, 1 hot water'],
  flowTemperature: ['°C', 'water leaving the main exchanger'],
  returnTemperature: ['°C', 'water entering the main exchanger'],
  boilerRise: ['K', 'flow less return at the boiler'],
  flowSensor: ['°C', 'what the board takes the flow temperature to be'],
  returnSensor: ['°C', 'what the board takes the return temperature to be'],
  hotWaterSensor: ['°C', 'what the board takes the hot water temperature to be'],
  flowSensorError: ['K', 'displayed flow temperature less that of the pipe'],
  returnSensorError: ['K', 'displayed return temperature less that of the pipe'],
  hotWaterSensorError: ['K', 'displayed hot-water temperature less that of the pipe'],
  plateIn: ['°C', 'heating water entering the plate'],
  plateOut: ['°C', 'heating water leaving the plate'],
  plateHeat: ['kW', 'heat passed to tap or stored water'],
  cylinderTemperature: ['°C', 'stored water'],
  radiatorFlow: ['°C', 'heating flow pipe under the boiler'],
  radiatorTemperature: ['°C', 'radiators, mean'],
  radiatorHeat: ['kW', 'heat given to the rooms'],
  zone2Temperature: ['°C', 'radiators of the second zone, mean'],
  // pressure
  pressure: ['bar', 'heating water, boiler return'],
  gauge: ['bar', 'what the appliance gauge shows'],
  sensedPressure: ['bar', 'what the board takes the pressure to be'],
  pressureRise: ['bar', 'sensed change since the pump was started'],
  waterSwitch: ['1', 'low-water, pump-proving or flow switch made'],
  reliefFlow: ['l/min', 'water leaving by the relief valve'],
  cylinderPressure: ['bar', 'stored water behind its reducing valve'],
  tundishFlow: ['l/min', 'water running into the tundish'],
} as const satisfies Record<string, readonly [UnitSymbol, string]>

/** The name of a signal. */
export type SignalName = keyof typeof signals

/** Every signal, in the order of a timeline's columns. */
export const signalNames = Object.keys(signals) as SignalName[]

/** Column of each signal in a timeline. */
export const signalIndex = Object.fromEntries(signalNames.map((name, index) => [name, index])) as Record<SignalName, number>
