import { v7 } from 'uuid'
import { recall, remember } from './storage.ts'

const key = 'dewpoint.device'

/** This device, for as long as its browser keeps anything: entries say on which device they were written. */
export const deviceId: string = known() ?? made()

function known(): string | null {
  const id = recall(key)
  return id !== null && /^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/.test(id) ? id : null
}

function made(): string {
  const id = v7()
  remember(key, id)
  return id
}
