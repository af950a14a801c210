/** A label within a sentence: its first letter small, unless it begins with a name or a formula; so too of labels joined by a plus. */
export function inSentence(label: string): string {
  return label
    .split(' + ')
    .map((one) => (/^(Hall|CO|CO2|LED)\b/.test(one) ? one : one.charAt(0).toLowerCase() + one.slice(1)))
    .join(' + ')
}
