export function run(command: string, args: readonly string[], options?: { quiet?: boolean; env?: Record<string, string>; input?: string }): Promise<string>
/** A refusal a person can act on. */
export class Advice extends Error {}
/** Says what is being waited for. */
export function say(text: string): void
