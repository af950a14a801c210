import type { Plan } from '@dewpoint/core/diagnosis'

/** What the ways to do a job are called. */
export const planNames: Record<Plan['id'], string> = {
  firm: 'As the firm does it',
  usual: 'Least in the end',
  cheapest: 'Least today',
  lasting: 'Most lasting',
}
