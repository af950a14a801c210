import { flowFor, tapTemperature, type CrossoverStep, type CyclingSuspect, type PlateAnswer, type PlateRefusal } from '@dewpoint/core/bench'
import { formatNumber } from '@dewpoint/core/quantity'

/** A power at the precision clamps and a jug deserve. */
export const kilowatts = (value: number): string => `${value.toFixed(1)} kW`
/** A share as per cent. */
export const percent = (value: number): string => `${Math.round(value * 100)} %`

/** Why readings cannot be used, and what to do. */
export const refusals: Record<PlateRefusal, string> = {
  tapHotterThanPrimary: 'The tap cannot be hotter than the water that heats it: a clamp is on the wrong pipe, or sits badly.',
  primaryHeats: 'The heating side cannot come out hotter than it went in: swap the clamps, or bring them together on one pipe and compare.',
  primaryBelowMains: 'The heating side cannot come out colder than the cold main.',
  tapNotHeated: 'The tap is colder than the cold main: the two are the wrong way round.',
  aboveBoiling: 'Above 105 °C there would be steam: check the clamp and its unit.',
  moreThanBurner: 'That is more heat than the burner has: measure the flow again, with a jug and a watch.',
  primaryWithinError:
    'In and out of the heating side are closer than two clamps can tell apart: nothing is worked out of that. Bare metal, far enough apart, or one clamp moved to and fro.',
  tapWithinError: 'Tap and cold main are closer than two thermometers can tell apart: nothing is worked out of that.',
}

/** What the plate does, as one sentence. */
export function plateHeadline({ refused, power, share, verdict, ofClean }: PlateAnswer): string {
  if (refused.length > 0) return refusals[refused[0]!]
  if (power === null) return 'Give the tap’s temperature and its flow: that says what reaches the water.'
  const heat = `${kilowatts(power)} reach the water, ${percent(share ?? 0)} of the burner`
  switch (verdict) {
    case 'good':
      return `The plate exchanges well: ${heat}.`
    case 'furred':
      return `The plate is furred, at ${percent(ofClean!)} of a clean one: ${heat}.`
    case 'blocked':
      return `The plate hardly exchanges, at ${percent(ofClean!)} of a clean one: ${heat}.`
    case 'unsure':
      return `The plate is at ${percent(ofClean!)} of a clean one, as far as clamps can tell: ${heat}.`
    case 'nothing':
      return `${heat}.`
  }
}

/** What it means, and what to expect at this main. */
export function plateMeans(answer: PlateAnswer, output: number, coldIn: number, flow: number | null, tapSet: number): string[] {
  const most = flowFor(output, coldIn, tapSet)
  const said = [
    `With the main at ${Math.round(coldIn)} °C the burner can heat ${most.toFixed(1)} l/min to ${Math.round(tapSet)} °C${flow ? `; at ${formatNumber(flow)} l/min it gets to ${Math.round(tapTemperature(output, flow, coldIn))} °C` : ''}.`,
  ]
  if (flow && flow > most * 1.1) said.push('More runs than it can heat: lukewarm with nothing wrong at the burner. Look at the flow restrictor first.')
  if (answer.verdict === 'blocked')
    said.push('What blocks it came from the system: debris, not a defect of the boiler. Clean the system, or the next plate goes the same way.')
  if (answer.share !== null && answer.share < 0.7 && answer.refused.length === 0 && !(flow && flow > most * 1.1))
    said.push(
      'Much of what the burner has does not arrive: gas rate low, the burner turning down early, heat leaving to the radiators through the diverter, or a plate that does not pass it on.',
    )
  return said
}

/** What to check next. */
export function plateNext({ verdict, refused }: PlateAnswer): string {
  if (refused.length > 0) return 'Measure again before anything is condemned.'
  if (verdict === 'blocked' || verdict === 'furred')
    return 'Before the plate comes out: lowest burner rate and flow thermistor. They look just the same and cost minutes.'
  if (verdict === 'good') return 'Not the plate. Lukewarm all the same: flow at the tap, gas rate, crossover in a mixer.'
  return 'Two clamps on the plate’s heating side, in and out, while the tap runs at a known flow.'
}

/** The look-alikes of hot, cold, hot: what each is, and how it is checked. */
export const cyclingWords: Record<CyclingSuspect, { label: string; check: string }> = {
  draw: { label: 'Tap opened too little', check: 'Open it further: below its lowest output a burner has to cycle.' },
  thermistor: { label: 'Flow thermistor reads high', check: 'Clamp on the flow pipe against the display, at the moment the burner goes out.' },
  lowestRate: { label: 'Lowest rate too high', check: 'Lowest fan speed on the display, or lowest burner pressure by gauge, against the model.' },
  plate: { label: 'Plate blocked on the heating side', check: 'Two clamps on the plate, in and out. Last, because it costs most to be wrong.' },
}

/** What stands beside a look-alike. */
export const saysWords = { for: 'it is this', against: 'cleared', open: 'not checked yet' } as const

/** The steps of the crossover test: what to do or what was found. */
export const crossoverWords: Record<CrossoverStep, { says: string; ask?: string }> = {
  shutFeed: { says: 'Shut the cold feed to the boiler, then open the hot tap and wait a minute.', ask: 'Does water go on running from the hot tap?' },
  isolateMixers: {
    says: 'Cold crosses into hot somewhere in the house, not in the boiler. Isolate the mixers one by one, showers first.',
    ask: 'Does it stop with one of them isolated?',
  },
  tryCartridge: { says: 'It is that mixer. Fit a new cartridge, or borrow its twin’s, and repeat.', ask: 'Does water still run?' },
  notCrossing: { says: 'Nothing crosses: the boiler’s own hot water is what is lukewarm. Go on with flow, gas rate and plate.' },
  cartridge: { says: 'The cartridge passed cold into hot: renew it, then run the hot tap again.' },
  body: { says: 'With a new cartridge it still crosses: its body is cracked. Renew the mixer.' },
  elsewhere: { says: 'No single mixer stops it: two at once, a shower pump, or a cross-connection in the pipework. Isolate by floor.' },
}
