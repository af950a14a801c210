import type { CombustionAnswer } from '@dewpoint/core/bench'

/** A share as per cent, to a tenth. */
export const percent = (share: number, decimals = 1): string => `${(share * 100).toFixed(decimals)} %`
/** A share by volume in parts per million. */
export const ppm = (share: number): string => `${Math.round(share * 1e6)} ppm`

const ratioWords = (ratio: number) => ratio.toFixed(4)

/** What the analyser says, as one sentence. */
export function combustionHeadline(answer: CombustionAnswer, monoxide: number | null): string {
  switch (answer.problem) {
    case 'nothing':
      return 'Type CO2 or O2, and CO, as the analyser shows them.'
    case 'moreThanPossible':
      return 'There cannot be so much CO2: the wrong gas is set, on the analyser or here.'
    case 'noFlame':
      return 'That is nearly fresh air: the probe draws air in, or nothing burns.'
    case null:
  }
  if (answer.fails.length > 0)
    return answer.fails.includes('ratio') && answer.ratio !== null
      ? `It fails: CO to CO2 is ${ratioWords(answer.ratio)}. Do not leave it running.`
      : `It fails: ${ppm(monoxide ?? 0)} of CO. Do not leave it running.`
  const air = `${Math.round((answer.airRatio! - 1) * 100)} % more air than needed`
  const mixture = { right: 'as the model is set', lean: 'too much air for this model', rich: 'too little air for this model', unknown: null }[answer.mixture]
  const ratio = answer.ratio === null ? '' : `, CO to CO2 ${ratioWords(answer.ratio)}`
  return `${mixture ? `${mixture.charAt(0).toUpperCase()}${mixture.slice(1)}` : 'It burns'}: ${air}${ratio}.`
}

/** What it means for the boiler. */
export function combustionMeans(answer: CombustionAnswer): string[] {
  if (answer.problem === 'moreThanPossible') return ['Complete combustion of natural gas leaves 11.7 % CO2 at most, of propane 13.8 %.']
  if (answer.problem) return []
  const said: string[] = []
  if (answer.mixture === 'lean')
    said.push(
      'Too much air: a weak flame that may lift, heat carried up the flue, less condensing. Fan or air side, a leak at the burner door, gas valve set low, or air drawn in at the probe.',
    )
  if (answer.mixture === 'rich')
    said.push('Too little air: CO rises fast from here. Fan or venturi dirty, exchanger or flue blocked, products drawn in again, gas valve set high.')
  if (answer.fails.length > 0) said.push('Make it safe, say so and write it down: the local procedure for unsafe situations.')
  if (answer.condenses === true)
    said.push(`The return is below the dew point of ${Math.round(answer.dewPoint!)} °C: it condenses, and water must run at the trap.`)
  if (answer.condenses === false)
    said.push(`The return is above the dew point of ${Math.round(answer.dewPoint!)} °C: it does not condense. A lower flow temperature would win that heat.`)
  if (answer.offLine !== null && Math.abs(answer.offLine) > 0.007)
    said.push(
      'CO2 and O2 do not belong together: the analyser’s cell, its zero in fresh air, its fuel setting, or air drawn in at the probe. Nothing is set by these.',
    )
  return said
}

/** What to check next. */
export function combustionNext(answer: CombustionAnswer): string {
  if (answer.problem) return 'Zero the analyser in fresh air, fuel set right, probe in the middle of the flue, and read again once it stands still.'
  if (answer.fails.length > 0 || answer.mixture === 'rich')
    return 'Products in the air inlet first, then burner, exchanger, fan and flue. Only then the gas valve, by the maker’s procedure.'
  if (answer.mixture === 'lean') return 'Burner door seal, sampling point tight, fan and venturi clean; then the gas valve, by the maker’s procedure.'
  return 'The other rate as well: a boiler right at full may be wrong at its lowest. Then the air inlet.'
}

/** Where to look when products come back with the air, in the order common practice has it. */
export const flueWhere = [
  'Joint of the flue on the exchanger: the usual place',
  'Seal of the turret or elbow on the case',
  'Each joint along the run, from the boiler outwards',
  'Terminal: too near a wall, a corner or another terminal, so that it draws its own products',
]
