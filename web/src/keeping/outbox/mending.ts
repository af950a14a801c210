import { readCase, type NewCase } from '@dewpoint/contract'
import { parseEntry, type Entry, type FieldProblem, type Parsed } from '@dewpoint/core/casebook'
import { v7 } from 'uuid'
import type { Unsent } from '../device/device.ts'

/** One value of something refused that somebody may correct. */
export interface Correctable {
  /** where it stands, like `payload.note` */
  field: string
  /** the last word of that, for a label */
  label: string
  value: string
  number: boolean
  message: string
}

const words = (field: string) => {
  const name = field.slice(field.lastIndexOf('.') + 1).replace(/([A-Z])/g, ' $1')
  return name.charAt(0).toUpperCase() + name.slice(1).toLowerCase()
}

/** What is wrong with a field, under the name it has on the screen instead of its place in what was sent. */
export function inWords({ field, message }: FieldProblem): string {
  return message.startsWith(field) && field !== '' ? `${words(field)}${message.slice(field.length)}` : message
}

/** What can be corrected of something refused: the values the server named, or all texts and numbers where it named none of them. */
export function correctable(one: Unsent): Correctable[] {
  const named = new Map((one.state === 'refused' ? (one.fields ?? []) : []).map((wrong) => [wrong.field, inWords(wrong)]))
  const root = one.kind === 'open' ? { ...one.body, id: undefined, openedAt: undefined } : { payload: one.entry.payload }
  const all: Correctable[] = []
  const visit = (value: unknown, field: string) => {
    if (typeof value === 'string' || typeof value === 'number') {
      if (!/(^|\.)id$/.test(field))
        all.push({ field, label: words(field), value: String(value), number: typeof value === 'number', message: named.get(field) ?? '' })
    } else if (typeof value === 'object' && value !== null)
      for (const [key, inner] of Object.entries(value)) visit(inner, field === '' ? key : `${field}.${key}`)
  }
  visit(root, '')
  const wrong = all.filter((line) => line.message !== '')
  return wrong.length > 0 ? wrong : all
}

/** Something refused with values corrected, or what is still wrong with it. */
export function corrected(one: Unsent, values: Record<string, string>): Parsed<Entry | NewCase> {
  const copy = JSON.parse(JSON.stringify(one.kind === 'open' ? one.body : one.entry)) as Record<string, unknown>
  const problems: FieldProblem[] = []
  for (const [field, text] of Object.entries(values)) {
    const path = field.split('.')
    const last = path.pop()!
    const holder = path.reduce<Record<string, unknown> | undefined>((inner, key) => inner?.[key] as Record<string, unknown> | undefined, copy)
    if (!holder) continue
    const number = Number(text.trim().replace(',', '.'))
    if (typeof holder[last] !== 'number') holder[last] = text.trim()
    else if (text.trim() === '' || !Number.isFinite(number)) problems.push({ field, message: 'Type a number.' })
    else holder[last] = number
  }
  if (problems.length > 0) return { ok: false, problems }
  return one.kind === 'open' ? readCase(copy) : parseEntry(copy)
}

/** A case as it was to be opened, at the place and boiler the server has under the same numbers. */
export function takenOver(one: Extract<Unsent, { kind: 'open' }>): NewCase {
  const present = one.state === 'refused' ? one.present : undefined
  const { siteId: _siteId, ...boiler } = present?.appliance ?? { siteId: '' }
  return { ...one.body, ...(present?.site && { site: present.site }), ...(present?.appliance && { appliance: boiler as NewCase['appliance'] }) }
}

/** A case as it was to be opened, at a place and boiler of its own. */
export function asAnother(one: Extract<Unsent, { kind: 'open' }>): NewCase {
  return { ...one.body, site: { ...one.body.site, id: v7() }, appliance: { ...one.body.appliance, id: v7() } }
}
