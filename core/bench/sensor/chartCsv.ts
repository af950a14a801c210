import type { ChartPoint } from '../../physics/index.ts'

/** What is wrong with a pasted or dropped chart, and where. */
export interface ChartProblem {
  /** line of the text, from 1; 0 where the whole is meant */
  line: number
  column: string
  says: string
}

/** lines a chart may have, and the longest text it may be */
const most = 500
const longest = 100_000

/**
 * Reads the lines of a thermistor's chart: a temperature and a resistance each, in the order a heading names them, or temperature first. A
 * resistance may be given in Ω or kΩ and a temperature in °C or °F, as the heading says; without one in °C and Ω.
 *
 * @param rows cells of each line, already parted at the separators
 * @returns every good point, and every line that is none with its column and why
 */
export function readChart(rows: readonly (readonly string[])[]): { points: ChartPoint[]; problems: ChartProblem[] } {
  const problems: ChartProblem[] = []
  const say = (line: number, column: string, says: string) => problems.push({ line, column, says })
  const first = rows.findIndex((row) => row.some((cell) => cell.trim() !== ''))
  if (first < 0)
    return { points: [], problems: [{ line: 0, column: '', says: 'There is nothing in it. Each line is a temperature and a resistance, such as 25; 10000.' }] }
  const heading = rows[first]!.map((cell) => cell.trim())
  const headed = heading.some((cell) => cell !== '' && Number.isNaN(numberIn(cell)))
  const ohmsAt = headed ? heading.findIndex((cell) => /Ω|ohm|resist|^r\b/i.test(cell)) : 1
  const celsiusAt = headed ? heading.findIndex((cell, at) => at !== ohmsAt && /°|temp|celsius|fahrenheit|^t\b|^[cf]$/i.test(cell)) : 0
  if (ohmsAt < 0 || celsiusAt < 0) {
    const missing = ohmsAt < 0 ? 'resistance' : 'temperature'
    return {
      points: [],
      problems: [
        { line: first + 1, column: '', says: `No column is headed ${missing}: head them “temperature °C” and “resistance Ω”, or leave the heading out.` },
      ],
    }
  }
  const kilohms = headed && /kΩ|k\s?ohm|kilo/i.test(heading[ohmsAt]!)
  const fahrenheit = headed && /°\s?F|fahrenheit|\bF\b/.test(heading[celsiusAt]!)
  const names = { temperature: `column ${celsiusAt + 1}, temperature`, resistance: `column ${ohmsAt + 1}, resistance` }
  const points: ChartPoint[] = []
  const seen = new Map<number, number>()
  rows.forEach((row, index) => {
    if (index < first + (headed ? 1 : 0) || row.every((cell) => cell.trim() === '')) return
    const line = index + 1
    if (points.length >= most) return index === rows.length - 1 ? say(0, '', `Only the first ${most} lines are taken.`) : undefined
    const degrees = numberIn(row[celsiusAt] ?? '')
    const given = numberIn(row[ohmsAt] ?? '')
    if (Number.isNaN(degrees)) return say(line, names.temperature, `“${shortened(row[celsiusAt] ?? '')}” is no temperature.`)
    if (Number.isNaN(given)) return say(line, names.resistance, `“${shortened(row[ohmsAt] ?? '')}” is no resistance.`)
    const celsius = fahrenheit ? ((degrees - 32) * 5) / 9 : degrees
    const ohms = given * (kilohms ? 1000 : 1)
    if (celsius < -60 || celsius > 250) return say(line, names.temperature, `${degrees} lies outside −60 to 250 °C.`)
    if (!(ohms > 0) || ohms > 1e8) return say(line, names.resistance, `${given} is no resistance of a thermistor.`)
    const twice = seen.get(celsius)
    if (twice !== undefined) return say(line, names.temperature, `${degrees} stood in line ${twice} already.`)
    seen.set(celsius, line)
    points.push({ celsius, ohms })
  })
  points.sort((one, other) => one.celsius - other.celsius)
  points.forEach((one, at) => {
    const before = points[at - 1]
    if (before && one.ohms >= before.ohms)
      say(
        seen.get(one.celsius)!,
        names.resistance,
        `${one.ohms} Ω at ${one.celsius} °C is not below ${before.ohms} Ω at ${before.celsius} °C: an NTC’s resistance always falls.`,
      )
  })
  if (points.length < 2 && problems.length === 0) say(0, '', 'A chart has at least two lines.')
  return { points, problems: problems.sort((one, other) => one.line - other.line) }
}

/** The longest text that is looked at. */
export const chartTextLimit = longest

/** A number with a decimal point or comma; NaN for anything else. */
function numberIn(cell: string): number {
  const text = cell.trim().replace('−', '-').replace(',', '.')
  return /^[-+]?\d{1,12}(\.\d{0,12})?$/.test(text) ? Number(text) : NaN
}

const shortened = (text: string) => (text.trim().length > 24 ? `${text.trim().slice(0, 24)}…` : text.trim())
