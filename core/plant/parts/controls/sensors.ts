import { signalIndex as S } from '../../../system/index.ts'
import { lag, type Part } from '../../plant.ts'

const kelvin = 273.15
/** seconds a clip-on or pocket thermistor lags behind the water; one that hardly touches its pipe many times as long. Chosen for this model */
const sensorSeconds = 1.2

/** Thermistors: a lag, then the curve; a drifted one is a factor on its resistance. */
export const sensors: Part = ({ s, dt, system, optional }) => {
  const sensor = (part: string, reads: number, shows: number, errs?: number) => {
    // a broken lead reads as an open sensor does
    const factor = optional(`${part}.factor`, NaN) * (optional(`${part}Lead.continuity`, 1) > 0.5 ? 1 : 1e6)
    const contact = optional(`${part}.contact`, 1)
    return Number.isNaN(factor)
      ? null
      : { reads, shows, errs, shift: Math.log(factor) / system.thermistor.beta, contact, share: lag(dt, sensorSeconds / contact ** 2) }
  }
  const all = [
    sensor('flowThermistor', S.flowTemperature, S.flowSensor, S.flowSensorError),
    sensor('returnThermistor', S.returnTemperature, S.returnSensor, S.returnSensorError),
    sensor('hotWaterThermistor', S.hotWaterTemperature, S.hotWaterSensor, S.hotWaterSensorError),
  ].filter((one) => one !== null)
  const room = optional('radiators.roomTemperature', 17)
  const felt = new Float64Array(all.length).fill(NaN)
  return () => {
    for (let index = 0; index < all.length; index++) {
      const { reads, shows, errs, shift, contact, share } = all[index]!
      // off its pipe it feels the air around it as well, and late
      const now = room + (s[reads]! - room) * contact
      const before = felt[index]!
      felt[index] = Number.isNaN(before) ? now : before + (now - before) * share
      s[shows] = sensed(felt[index]!, shift)
      if (errs !== undefined) s[errs] = s[shows]! - s[reads]!
    }
  }
}

/** what a board shows at the ends of its range, °C: a sensor open or short. Common practice */
const lowest = -40
const highest = 150

/** What the board takes a temperature to be, °C, when the logarithm of the resistance is off by `shift` times B. */
function sensed(celsius: number, shift: number): number {
  const inverse = 1 / (celsius + kelvin) + shift
  return inverse > 1 / 1000 ? Math.max(lowest, Math.min(1 / inverse - kelvin, highest)) : highest
}
