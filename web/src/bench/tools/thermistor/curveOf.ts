import { readChart, chartTextLimit, type ChartProblem } from '@dewpoint/core/bench'
import { readableCurve, type ChartPoint, type NtcCurve, type ReadableCurve } from '@dewpoint/core/physics'
import Papa from 'papaparse'

/** A curve to read, or what is wrong with what was given for one. */
export type CurveFound = { curve: ReadableCurve; own: NtcCurve | null; problems: ChartProblem[] } | { curve: null; problems: ChartProblem[] }

/** the class of most boilers' sensors: 10 kΩ at 25 °C. Common practice */
const usualCurve: NtcCurve = { r0: 10_000, t0: 25, beta: 3977 }

/** Reads a pasted or dropped chart, whatever its lines are parted by. */
export function chartOf(text: string): ReturnType<typeof readChart> {
  if (text.length > chartTextLimit)
    return { points: [], problems: [{ line: 0, column: '', says: 'It is longer than 100 kB: a chart needs a few dozen lines.' }] }
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { delimitersToGuess: [';', '\t', '|', ','] })
  return readChart(data)
}

/** The curve by what was chosen. */
export function curveBy(kind: string, model: NtcCurve | undefined, value: (key: string) => number | null, chart: string): CurveFound {
  const say = (says: string): CurveFound => ({ curve: null, problems: [{ line: 0, column: '', says }] })
  if (kind === 'chart') {
    const { points, problems } = chartOf(chart)
    if (chart.trim() === '') return say('Paste the chart, or choose its file.')
    return points.length < 2 ? { curve: null, problems } : { ...made(points, false), problems: [...made(points, false).problems, ...problems] }
  }
  if (kind === 'three') {
    const points = [1, 2, 3].flatMap((place): ChartPoint[] => {
      const [celsius, kilohms] = [value(`t${place}`), value(`r${place}`)]
      return celsius === null || kilohms === null ? [] : [{ celsius, ohms: kilohms * 1000 }]
    })
    return points.length < 3 ? say('Three points make the curve: give a temperature and a resistance for each.') : made(points, true)
  }
  const own = kind === 'beta' ? { r0: (value('r25') ?? 10) * 1000, t0: 25, beta: value('beta') ?? 3977 } : (model ?? usualCurve)
  const read = readableCurve({ kind: 'beta', curve: own })
  return read.ok ? { curve: read.curve, own, problems: [] } : say(read.problem)
}

function made(points: ChartPoint[], three: boolean): CurveFound {
  const read = readableCurve({ kind: three ? 'threePoints' : 'chart', points })
  return read.ok ? { curve: read.curve, own: null, problems: [] } : { curve: null, problems: [{ line: 0, column: '', says: read.problem }] }
}

/** A curve as a model's file keeps it: by the lines of its chart, or by its three points drawn out every 5 K; beside them the B-value nearest it. */
export function asModelCurve(curve: ReadableCurve, nearest: NtcCurve, points: readonly ChartPoint[] | null): NtcCurve {
  const drawn = points ?? Array.from({ length: 25 }, (_unused, index) => ({ celsius: index * 5, ohms: curve.ohms(index * 5) }))
  return { ...nearest, points: drawn.map(({ celsius, ohms }) => ({ celsius, ohms: Number(ohms.toPrecision(7)) })) }
}
