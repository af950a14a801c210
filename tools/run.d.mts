export function run(command: string, args: readonly string[], options?: { quiet?: boolean; env?: Record<string, string>; input?: string }): Promise<string>
