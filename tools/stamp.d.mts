export const root: string
export function hashOf(paths: string[]): string
export function unlessFresh(name: string, inputs: string[], product: string, work: () => Promise<void>): Promise<boolean>
