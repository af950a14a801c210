import { complaints } from '@dewpoint/trade/complaints'

/** Complaints in words, for a line in a list. */
export const complaintWords = (ids: string[]) =>
  ids.length === 0 ? 'Complaint not noted yet' : ids.map((id) => complaints.find((one) => one.id === id)?.label ?? id).join(' · ')
