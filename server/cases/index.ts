import { longestJournal, readAppend, readCase, readCaseCursor, readListQuery, staff } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import { byName, type Entry } from '@dewpoint/core/casebook'
import { noteHourly } from '../audit/index.ts'
import type { Database } from '../database/index.ts'
import { actingOf, type OnDevice } from '../gate/index.ts'
import { isMember } from '../people/queries.ts'
import { ProblemError } from '../problems/index.ts'
import { appender } from './append/index.ts'
import { openCase } from './open/queries.ts'
import { findCase, findNews, listCases } from './queries.ts'

/** an append carries up to a hundred entries; a case alone is small */
const appendLimit = 512 * 1024
const caseLimit = 16 * 1024

/** Cases and their journals. */
export const casesFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  const append = appender(database)
  app.get('/api/cases', { config: { who: staff } }, async (request) => {
    const query = readListQuery(request.query, readCaseCursor)
    if (!query.ok) throw new ProblemError('invalid', 'Correct what is named and ask for the list again.', query.problems)
    const [list] = await Promise.all([
      listCases(database, query.value),
      noteHourly(database, request, { kind: 'read', of: 'cases', about: query.value.search }),
    ])
    return list
  })

  app.post('/api/cases', { bodyLimit: caseLimit, config: { who: staff } }, async (request, reply) => {
    const parsed = readCase(request.body)
    if (!parsed.ok) throw new ProblemError('invalid', 'Correct the fields named and send the case again.', parsed.problems)
    const came = await openCase(database, parsed.value)
    if (came.state === 'conflict')
      throw new ProblemError('conflict', 'Compare the two, then use what is there or record yours as another.', undefined, came.present)
    await noteHourly(database, request, { kind: 'changed', of: 'case', subject: parsed.value.id })
    if (came.state === 'opened') return reply.code(201).send(came.content)
    return (await findCase(database, parsed.value.id)) ?? missing(parsed.value.id)
  })

  app.get<{ Params: { id: string } }>('/api/cases/:id', { config: { who: staff } }, async (request) => {
    const found = (await findCase(database, named(request.params.id))) ?? missing(request.params.id)
    await noteHourly(database, request, { kind: 'read', of: 'case', subject: found.id })
    return found
  })

  app.get<{ Params: { id: string }; Querystring: { since?: unknown } }>('/api/cases/:id/entries', { config: { who: staff } }, async (request) => {
    const { since = '0' } = request.query
    if (typeof since !== 'string' || !/^\d{1,9}$/.test(since))
      throw new ProblemError('invalid', 'Ask again with since as a whole number, 0 or more.', [
        { field: 'since', message: 'since must be a whole number, 0 or more' },
      ])
    const news = (await findNews(database, named(request.params.id), Number(since))) ?? missing(request.params.id)
    if (news.entries.length > 0) await noteHourly(database, request, { kind: 'read', of: 'case', subject: request.params.id })
    return news
  })

  app.post<{ Params: { id: string } }>('/api/cases/:id/entries', { bodyLimit: appendLimit, config: { who: staff } }, async (request) => {
    const parsed = readAppend(request.body)
    if (!parsed.ok) throw new ProblemError('invalid', 'Correct the fields named and send the entries again.', parsed.problems)
    const { entries, since } = parsed.value
    const { person, onDevice } = actingOf(request)
    await refuseOthers(database, entries, onDevice)
    const result = await append(
      { caseId: named(request.params.id), incoming: entries, since, now: new Date(), sentBy: person.id },
      Number(request.headers['content-length'] ?? 0) || 4096,
    )
    if (result === 'full')
      throw new ProblemError('journalFull', `A case holds at most ${longestJournal} entries. Open another case for this place and go on there.`)
    if (!result) return missing(request.params.id)
    await noteHourly(database, request, { kind: 'changed', of: 'case', subject: request.params.id })
    return result
  })
}

/**
 * Whoever wrote an entry is signed in on the device it comes from. What somebody wrote whom nobody signs in as, before people signed in, is taken;
 * by whom it was sent is kept beside it.
 */
async function refuseOthers(database: Database, entries: readonly Entry[], onDevice: readonly OnDevice[]): Promise<void> {
  const own = ({ author, authorName }: Entry) => onDevice.some((one) => one.id === author && [one.name, ...one.formerNames].includes(authorName))
  const others = entries.filter((one) => !own(one))
  if (others.length === 0) return
  const members = await isMember(database, [...new Set(others.map((one) => one.author))])
  const wrong = others.findIndex(({ author, authorName }) => members.has(author) || byName(authorName).id !== author)
  if (wrong < 0) return
  const { authorName } = others[wrong]!
  throw new ProblemError('notYours', `${authorName.slice(0, 60)} signs in on this device, then it is sent. It stays here until then.`, [
    { field: `entries[${entries.indexOf(others[wrong]!)}].author`, message: 'author must be somebody signed in on this device' },
  ])
}

/** What cannot be the id of a case is none. */
function named(id: string): string {
  return /^[0-9a-f-]{36}$/.test(id) ? id : missing(id)
}

function missing(id: string): never {
  throw new ProblemError('noCase', `There is no case ${id.slice(0, 40)}. Go back to the list of cases and open it from there.`)
}
