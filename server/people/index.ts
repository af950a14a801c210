import { ownerOnly, readMemberChange, readNewMember, staff, type CodeGiven, type Member, type Members } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import { note } from '../audit/index.ts'
import { ownChangeWords } from '../audit/ownChanges.ts'
import type { Database } from '../database/index.ts'
import { actingOf } from '../gate/index.ts'
import { ProblemError } from '../problems/index.ts'
import { codeFor } from './codeFor.ts'
import { addMember, byNameOnly, changeMember, memberOf, membersHere } from './queries.ts'

const small = { bodyLimit: 2048 }

/** Who is in the firm: its owner says so. */
export const peopleFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get('/api/people', { config: { who: staff } }, async (request): Promise<Members> => {
    const people = await membersHere(database)
    if (actingOf(request).person.role === 'owner') return { people, byNameOnly: await byNameOnly(database) }
    // what is not theirs to run they need not know
    return { people: people.flatMap((one) => (one.left ? [] : [{ ...one, signsIn: false, seenAt: null }])), byNameOnly: [] }
  })

  app.post('/api/people', { ...small, config: { who: ownerOnly, proved: true } }, async (request, reply): Promise<CodeGiven> => {
    const read = readNewMember(request.body)
    if (!read.ok) throw new ProblemError('invalid', 'Correct the fields named and send them again.', read.problems)
    const person = await addMember(database, read.value, new Date())
    if (!person) throw taken()
    await note(database, request, { kind: 'people', of: 'person', subject: person.id, about: `${person.name}: new, ${person.role}` })
    reply.code(201)
    return codeFor(database, person, new Date())
  })

  app.post<{ Params: { id: string } }>(
    '/api/people/:id',
    { ...small, config: { who: ownerOnly, proved: true } },
    async (request): Promise<{ person: Member }> => {
      const read = readMemberChange(request.body)
      if (!read.ok) throw new ProblemError('invalid', 'Correct the fields named and send them again.', read.problems)
      const came = await changeMember(database, named(request.params.id), read.value, new Date())
      if (came === 'nobody') nobody(request.params.id)
      if (came === 'taken') throw taken()
      if (came === 'lastOwner') throw new ProblemError('invalid', 'Somebody has to be the owner. Make somebody else the owner first, and let them sign in.')
      const { member } = came
      const said = [member.role, ...(read.value.left === true ? ['has left'] : read.value.left === false ? ['is back'] : [])].join(', ')
      await note(database, request, { kind: 'people', of: 'person', subject: member.id, about: `${member.name}: ${said}` })
      return { person: member }
    },
  )

  app.post<{ Params: { id: string } }>('/api/people/:id/code', { ...small, config: { who: ownerOnly, proved: true } }, async (request): Promise<CodeGiven> => {
    const person = (await memberOf(database, named(request.params.id))) ?? nobody(request.params.id)
    await note(database, request, { kind: 'people', of: 'person', subject: person.id, about: `${person.name}${ownChangeWords.code}` })
    return codeFor(database, person, new Date())
  })
}

const taken = () => new ProblemError('conflict', 'Somebody is called so already. Give a name that tells the two apart.')
const named = (id: string): string => (/^[0-9a-f-]{36}$/.test(id) ? id : nobody(id))

function nobody(id: string): never {
  throw new ProblemError('notFound', `There is nobody ${id.slice(0, 40)} in the firm. Look at the list of people again.`)
}
