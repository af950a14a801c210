import type { Role } from '@dewpoint/contract'

/** What somebody is in the firm, in words. */
export const roleWords: Record<Role, string> = { owner: 'owner', office: 'office', engineer: 'engineer', learner: 'learner' }

/** What each may, for whoever chooses. */
export const roleSays: Record<Role, string> = {
  owner: 'Everything, people and devices too.',
  office: 'Calls, bookings, reports, prices and what the firm has set.',
  engineer: 'Calls and everything in them, stock on the van.',
  learner: 'Library, stories and Bench. No customers.',
}

/** Two letters stand for somebody. */
export const initialsOf = (name: string): string =>
  name
    .split(/\s+/)
    .map((one) => one.charAt(0).toUpperCase())
    .join('')
    .slice(0, 2)
