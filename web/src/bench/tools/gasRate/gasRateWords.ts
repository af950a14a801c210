import type { GasRateAnswer } from '@dewpoint/core/bench'

/** A heat input at the precision a meter gives. */
export const kilowatts = (value: number): string => `${value.toFixed(1)} kW`

/** What the meter says, as one sentence. */
export function gasHeadline(answer: GasRateAnswer | null, plate: number | null, basis: 'gross' | 'net'): string {
  if (!answer) return 'Start the clock as the meter passes a mark, and stop it at the next.'
  const said = `${answer.rate.toFixed(2)} m³/h: ${kilowatts(answer.gross)} gross, ${kilowatts(answer.net)} net`
  if (plate === null || answer.ofPlate === null) return `${said}.`
  const share = `${Math.round(answer.ofPlate * 100)} % of the plate’s ${kilowatts(plate)} ${basis}`
  return answer.verdict === 'right' ? `Right: ${said}, ${share}.` : `${answer.verdict === 'under' ? 'Too little gas' : 'Too much gas'}: ${said}, ${share}.`
}

/** What it means for the boiler. */
export function gasMeans({ verdict }: Pick<GasRateAnswer, 'verdict'>): string {
  switch (verdict) {
    case 'under':
      return 'It cannot give its rated output: lukewarm water at a healthy flow, long warm-ups. A boiler held at part load reads just the same: make sure it runs at its highest rate.'
    case 'over':
      return 'More heat than it is built for: CO, soot, an exchanger that will not last. Do not leave it running so until it is put right.'
    case 'right':
      return 'The gas side delivers what the plate says. Lukewarm water has another reason.'
    case 'read':
      return 'With the heat input of the plate it is judged. Mind whether the plate says gross or net: the two are a tenth apart.'
  }
}

/** What to check next. */
export function gasNext({ verdict }: Pick<GasRateAnswer, 'verdict'>): string {
  switch (verdict) {
    case 'under':
      return 'Working pressure at the meter and at the boiler while it runs flat out: what is lost on the way is the pipe. Pressure right at the boiler: injector, gas valve, fan speed, exchanger.'
    case 'over':
      return 'CO2, CO and the ratio by analyser at full rate, then burner pressure or the valve’s setting, by the maker’s procedure.'
    default:
      return 'CO2 and CO at full and at lowest rate: the right amount of gas can still burn badly.'
  }
}

/** What is lost between meter and boiler, against the usual limit. Common practice: no more than 1 mbar; from memory */
export function dropWords(lost: number, expected: number | null): { says: string; bad: boolean } {
  const sum = expected === null ? '' : ` By the sum the pipe loses ${expected.toFixed(1)} mbar at this rate.`
  if (lost < -0.3) return { says: 'There cannot be more pressure at the boiler than at the meter: zero both gauges and measure again.', bad: true }
  if (lost <= 1) return { says: `${lost.toFixed(1)} mbar are lost on the way: no more than the usual 1 mbar.${sum}`, bad: false }
  return {
    says: `${lost.toFixed(1)} mbar are lost on the way, where 1 mbar is usual: pipe too small, too long or partly blocked, or a valve not fully open.${sum}`,
    bad: true,
  }
}
