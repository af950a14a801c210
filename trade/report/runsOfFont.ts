/** A stretch of text with the face that has its signs. */
export interface Run {
  text: string
  font?: 'BarlowExt' | 'Greek'
  bold?: boolean
}

/** what the first face has: the ranges its files are cut to */
const latin =
  /[\t\n -\u007e\u00a0-\u00ff\u0131\u0152\u0153\u02c6\u02da\u02dc\u2002-\u200a\u2013\u2014\u2018-\u201a\u201c-\u201e\u2020-\u2022\u2026\u2039\u203a\u20ac\u2122\u2212]/
const extended = /[\u0100-\u024f\u1e00-\u1e9f\u1ef2-\u1eff]/
const greek = /[\u0370-\u03ff]/

/** signs none of them has, by what says the same */
const instead: Record<string, string> = { '₂': '2', '≤': 'at most ', '≥': 'at least ', '→': '->', '✓': '' }

/**
 * A text in stretches of one face each. What no face has stands as a question mark: a report with a sign too few is still a report.
 */
export function runsOfFont(text: string, style: { bold?: boolean } = {}): Run[] {
  const runs: Run[] = []
  for (const sign of text) {
    const known = instead[sign] ?? sign
    for (const one of known === '' ? [] : known) {
      const font = latin.test(one) ? undefined : extended.test(one) ? ('BarlowExt' as const) : greek.test(one) ? ('Greek' as const) : undefined
      const shown = font === undefined && !latin.test(one) ? '?' : one
      const last = runs.at(-1)
      if (last && last.font === font) last.text += shown
      else runs.push({ text: shown, ...(font && { font }), ...style })
    }
  }
  return runs.length > 0 ? runs : [{ text: '', ...style }]
}
