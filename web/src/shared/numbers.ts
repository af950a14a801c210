/** A number as people type it, with a decimal point or comma; NaN where nothing is typed, or no number. */
export const numberTyped = (text: string): number => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')))
