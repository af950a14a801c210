/** One line of a thermistor's chart. */
export interface ChartPoint {
  /** °C */
  celsius: number
  /** Ω */
  ohms: number
}

/** A curve that can be read both ways. */
export interface ReadableCurve {
  /** resistance at a temperature, Ω */
  ohms(celsius: number): number
  /** temperature at a resistance, °C */
  celsius(ohms: number): number
  /** the temperatures it was made from, °C; beyond them it is carried on */
  from: number
  to: number
}

const kelvin = 273.15
/** temperatures a heating system's sensor can be asked about, °C */
const coldest = -60
const hottest = 250

/** What is wrong with the points of a chart, in the order of their temperatures; null where they fall all the way. */
export function chartTrouble(points: readonly ChartPoint[]): string | null {
  for (const { celsius, ohms } of points) if (!(ohms > 0) || !(celsius > -kelvin)) return `${celsius} °C and ${ohms} Ω is no point of a thermistor’s chart.`
  const wrong = points.findIndex((one, index) => index > 0 && (one.celsius - points[index - 1]!.celsius < 0.01 || one.ohms >= points[index - 1]!.ohms))
  if (wrong < 1) return null
  const [before, one] = [points[wrong - 1]!, points[wrong]!]
  if (one.celsius < before.celsius) return `${one.celsius} °C stands after ${before.celsius} °C: the points go from cold to hot.`
  return one.celsius - before.celsius < 0.01
    ? `${one.celsius} °C is given twice.`
    : `From ${before.celsius} to ${one.celsius} °C the resistance does not fall: an NTC’s always does. Check these two.`
}

/**
 * A chart read both ways: between two lines of it one B-value of their own, which is straight in ln R over 1/T; carried on beyond its ends.
 *
 * @param points at least two, in the order of their temperatures, resistances falling
 */
export function alongChart(points: readonly ChartPoint[]): ReadableCurve {
  const place = points.map(({ celsius, ohms }) => ({ inverse: 1 / (celsius + kelvin), log: Math.log(ohms) }))
  const stretch = (index: number) => {
    const [one, next] = [place[index]!, place[index + 1]!]
    return { one, beta: (next.log - one.log) / (next.inverse - one.inverse) }
  }
  const last = points.length - 2
  return {
    ohms(celsius) {
      const held = Math.min(Math.max(celsius, coldest), hottest)
      const index = points.findIndex((_one, at) => at === last || held <= points[at + 1]!.celsius)
      const { one, beta } = stretch(index)
      return Math.exp(one.log + beta * (1 / (held + kelvin) - one.inverse))
    },
    celsius(ohms) {
      const index = points.findIndex((_one, at) => at === last || ohms >= points[at + 1]!.ohms)
      const { one, beta } = stretch(index)
      return 1 / (one.inverse + (Math.log(ohms) - one.log) / beta) - kelvin
    },
    from: points[0]!.celsius,
    to: points.at(-1)!.celsius,
  }
}
