import type { Payload } from '@dewpoint/core/casebook'
import { clock, day } from '../../../shared/times.ts'

type Booking = Payload<'booking'>

/** How urgent a call is, in the order it is asked. */
export const urgencies: { id: NonNullable<Booking['urgency']>; label: string }[] = [
  { id: 'now', label: 'Straight away' },
  { id: 'today', label: 'Today' },
  { id: 'soon', label: 'In the next days' },
  { id: 'planned', label: 'When it suits' },
]

/** Who suffers most without heat or hot water, as it is asked once. */
export const vulnerabilities: { id: NonNullable<Booking['vulnerable']>[number]; label: string }[] = [
  { id: 'infant', label: 'Baby or small child' },
  { id: 'elderly', label: 'Elderly' },
  { id: 'ill', label: 'Ill or disabled' },
  { id: 'noOtherHeat', label: 'No other heating' },
  { id: 'noOtherHotWater', label: 'No other hot water' },
  { id: 'trade', label: 'Trade stopped' },
  { id: 'nobody', label: 'Nobody vulnerable' },
]

const labelOf = <T extends string>(list: readonly { id: T; label: string }[], id: T) => list.find((one) => one.id === id)?.label ?? id

/** "9:00 to 10:00", with the day before it. */
export function windowWords({ from, to }: Pick<Booking, 'from' | 'to'>): string {
  if (!from) return ''
  return `${day(from)}, ${clock(from)}${to ? ` to ${day(to) === day(from) ? clock(to) : `${day(to)}, ${clock(to)}`}` : ''}`
}

/** What was agreed or said of a visit, in words. */
export function bookingWords({ urgency, vulnerable, engineer, from, to, contact, phone, note }: Booking): string {
  return [
    urgency && labelOf(urgencies, urgency).toLowerCase(),
    vulnerable?.map((one) => labelOf(vulnerabilities, one).toLowerCase()).join(', '),
    engineer,
    windowWords({ from, to }),
    contact && `ask for ${contact}`,
    phone,
    note,
  ]
    .filter(Boolean)
    .join(' · ')
}
