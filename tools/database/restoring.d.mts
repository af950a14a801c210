import type { Access } from './dump.mjs'
export function restoreFrom(
  database: Access,
  file: string,
  options?: { yes?: boolean; until?: Date | null },
): Promise<{ restored: { cases: number; entries: number }; kept: string | null }>
