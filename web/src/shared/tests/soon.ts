import { vi } from 'vitest'

/** Waits until something holds, as long as a busy machine may take for what a quiet one does at once; shorter than what the application waits before it tries again. */
export const soon = (holds: () => unknown): Promise<unknown> => vi.waitFor(holds, 10_000)
