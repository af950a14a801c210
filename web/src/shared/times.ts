import { format, formatDistanceToNowStrict } from 'date-fns'

/** "12 minutes ago". */
export const ago = (iso: string) => formatDistanceToNowStrict(new Date(iso), { addSuffix: true })

/** The exact time, for hovering. */
export const exactly = (iso: string) => format(new Date(iso), 'EEEE d MMMM yyyy, HH:mm:ss')

/** "3 March 2026". */
export const day = (iso: string) => format(new Date(iso), 'd MMMM yyyy')

/** "14:05". */
export const clock = (iso: string) => format(new Date(iso), 'HH:mm')
