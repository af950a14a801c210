import type { ThermistorAnswer } from '@dewpoint/core/bench'
import { formatQuantity } from '@dewpoint/core/quantity'

/** A temperature to a tenth, as an engineer says it. */
export const degrees = (celsius: number, tenths = true): string => `${tenths ? celsius.toFixed(1) : Math.round(celsius)} °C`

/** A resistance in the unit it is spoken of. */
export const resistance = (ohms: number): string => (ohms >= 1000 ? formatQuantity(ohms / 1000, 'kΩ') : formatQuantity(ohms, 'Ω'))

/** What the resistance says, as one sentence. */
export function headlineOf(answer: ThermistorAnswer, ohms: number | null, celsius: number | null): string {
  const { verdict, told, should, error, limitActsAt } = answer
  if (verdict === 'nothing') return 'Type a resistance, a temperature, or both.'
  if (verdict === 'open') return `${resistance(ohms!)}: an open circuit, no temperature.`
  if (verdict === 'short') return `${resistance(ohms!)}: a short circuit, no temperature.`
  if (verdict === 'read') return told !== null ? `${resistance(ohms!)} is ${degrees(told)}.` : `At ${degrees(celsius!)} it should read ${resistance(should!)}.`
  if (verdict === 'right') return `Right: it reads ${degrees(told!)} at a true ${degrees(celsius!)}.`
  const off = `${Math.abs(error!).toFixed(1)} K ${verdict === 'high' ? 'too hot' : 'too cold'}`
  return `It reads ${off}: the high limit will act at a true ${degrees(limitActsAt!, false)}.`
}

/** What it means for the boiler. */
export function meansOf({ verdict, limitActsAt }: ThermistorAnswer, highLimit: number): string {
  switch (verdict) {
    case 'nothing':
      return 'With a resistance alone it says the temperature the board believes; with a temperature alone, what to expect on the meter. With both, whether the sensor is right.'
    case 'read':
      return 'Only with both figures, taken at the same moment and the same place, is the sensor judged.'
    case 'right':
      return 'The sensor is good. If the display shows something else, look at its plug, its lead and the board.'
    case 'high':
      return `The board takes the water for hotter than it is. The burner turns down early and stops at a true ${degrees(limitActsAt!, false)} instead of ${degrees(highLimit, false)}: lukewarm radiators, or hot, cold, hot at the tap, just like a blocked plate.`
    case 'low':
      return `The board takes the water for colder than it is: it runs on to a true ${degrees(limitActsAt!, false)} before its limit of ${degrees(highLimit, false)} acts. The overheat device may trip first.`
    case 'open':
      return 'Most boards lock out with a sensor code. A plug off, a broken lead and a failed sensor read the same at the board.'
    case 'short':
      return 'Most boards lock out with a sensor code. Water on the plug, pinched cores and a failed sensor read the same at the board.'
  }
}

/** What to check next. */
export function nextOf({ verdict }: ThermistorAnswer): string {
  switch (verdict) {
    case 'high':
    case 'low':
      return 'Repeat it at a second temperature before you condemn it: a cold pipe and a hot one. Plug clean and dry? Sensor tight in its pocket or flat on the pipe? Measured with the plug off, or with the board in parallel?'
    case 'open':
      return 'Measure at the sensor’s own pins, then at the far end of the lead: what is between them shows where it is open.'
    case 'short':
      return 'Plug off at both ends: a lead that still shows it is the fault, else the sensor. Dry the plug and look above it for where the water came from.'
    case 'right':
      return 'Display against a clamp on the same pipe while it runs: that holds lead and board against the truth too.'
    default:
      return 'Clamp thermometer on bare metal beside the sensor, wait until both stand still, then read the meter.'
  }
}
