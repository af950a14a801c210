/** Colour and letter of the suspects, by rank; the letter says it without the colour. */
const colours = ['primary', 'return', 'violet', 'moss', 'live'] as const

/** CSS colour of the suspect at a rank. */
export const colourOf = (rank: number) => `rgb(var(--v-theme-${colours[rank] ?? 'dim'}))`

/** Its letter. */
export const letterOf = (rank: number) => 'ABCDEFGH'[rank] ?? ''

/** A probability as a whole percentage that never claims certainty. */
export function percent(probability: number): string {
  if (probability > 0.995) return '>99%'
  if (probability < 0.005) return '<1%'
  return `${Math.round(probability * 100)}%`
}
