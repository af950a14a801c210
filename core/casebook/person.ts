import { string } from 'yup'
import { v5 } from 'uuid'

/** Somebody who writes: the id is theirs for good, the name is the one they go by. */
export interface Person {
  /** UUID in lower case */
  id: string
  name: string
}

/** the space of names within which ids of people known only by name are made */
const byNameOnly = '3b0d4a52-9c07-4f0e-8a57-6f1f0d2c9e11'
const made = new Map<string, string>()
const mostMade = 2000

/**
 * Somebody known only by a name, as before people signed in. The same name gives the same id everywhere.
 * Source of the id: RFC 9562, UUID version 5 (a hash of the name).
 */
export function byName(name: string): Person {
  let id = made.get(name)
  if (id === undefined) {
    if (made.size >= mostMade) made.clear()
    id = v5(name, byNameOnly)
    made.set(name, id)
  }
  return { id, name }
}

/** What the id of a person looks like. */
export const personIdPattern = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/
/** The id of a person: a UUID in lower case. */
export const personId = () => string().max(36).matches(personIdPattern, { message: '${path} must be the id of a person: a UUID in lower case' })
