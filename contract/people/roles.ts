/** What somebody is in the firm. */
export const roles = ['owner', 'office', 'engineer', 'learner'] as const

/** One of them. */
export type Role = (typeof roles)[number]

/** Everybody who signs in. */
export const everyone: readonly Role[] = [...roles]
/** Whoever works with customers' data. */
export const staff: readonly Role[] = ['owner', 'office', 'engineer']
/** Whoever runs the office. */
export const officeOnly: readonly Role[] = ['owner', 'office']
/** Whoever answers for the firm. */
export const ownerOnly: readonly Role[] = ['owner']

/** Whether somebody of a role is among those who may. */
export const may = (role: Role | undefined, who: readonly Role[]): boolean => role !== undefined && who.includes(role)
