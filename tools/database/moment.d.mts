export function momentOf(text: string | undefined, now: Date): Date
