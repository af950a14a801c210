import { staff } from '@dewpoint/contract'
import { usualCosts } from '@dewpoint/core/diagnosis'
import { catalogueFor, catalogues } from '@dewpoint/trade'
import { reportDocument, reportOf, type ReportInput } from '@dewpoint/trade/report'
import { controlsOf, entriesOf, standing } from '@dewpoint/core/casebook'
import type { FastifyPluginAsync } from 'fastify'
import { noteHourly } from '../audit/index.ts'
import { findCase } from '../cases/queries.ts'
import type { Database } from '../database/index.ts'
import { settingsOf } from '../firm/queries.ts'
import { findPhoto } from '../photos/queries.ts'
import { ProblemError } from '../problems/index.ts'
import { pdfOf } from './pdfOf.ts'

/** photos a report shows: more would make it larger than a mail takes */
const mostPictures = 24

/** The report of a case as a PDF, made anew from its journal whenever it is asked for. */
export const reportFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get<{ Params: { id: string } }>('/api/cases/:id/report.pdf', { config: { who: staff } }, async (request, reply) => {
    const { id } = request.params
    const one = /^[0-9a-f-]{36}$/.test(id) ? await findCase(database, id) : undefined
    if (!one) throw new ProblemError('noCase', `There is no case ${id.slice(0, 40)}. Go back to the list of cases and open it from there.`)
    const catalogue = catalogueFor(one.appliance.system, controlsOf(one.entries, one.controls)) ?? catalogues[one.appliance.system]
    if (!catalogue)
      throw new ProblemError('noCase', 'This version of the server does not know that kind of boiler. Update it, or make the report on the device.')
    await noteHourly(database, request, { kind: 'read', of: 'report', subject: id })
    const settings = await settingsOf(database)
    const firm: ReportInput['firm'] = settings?.profile ?? {}
    const report = reportOf({
      ...{ catalogue, openedAt: one.openedAt, place: one.site, appliance: one.appliance, entries: one.entries, firm },
      timeZone: settings?.timeZone ?? 'UTC',
      hourlyRate: settings?.costs.hourlyRate ?? usualCosts.hourlyRate,
    })
    const pictures: Record<string, string> = {}
    // a JPEG goes into the paper as it is: nothing of it is unpacked here
    const photos = entriesOf(standing(one.entries), 'photo').filter((entry) => entry.payload.type === 'image/jpeg')
    for (const { payload } of photos.slice(0, mostPictures)) {
      const photo = await findPhoto(database, payload.hash)
      if (photo) pictures[payload.hash] = `data:${photo.type};base64,${photo.bytes.toString('base64')}`
    }
    const caseNumber = id.slice(-6).toUpperCase()
    const head = { firm: firm.name ?? '', address: firm.address ?? '', phone: firm.phone ?? '', emergency: firm.emergency ?? '', caseNumber }
    // a picture that cannot be set is left out with its words: the report is made all the same
    const pdf = await pdfOf(reportDocument(report, head, pictures)).catch(() => pdfOf(reportDocument(report, head)))
    return reply
      .type('application/pdf')
      .header('content-disposition', `inline; filename="report-${caseNumber}.pdf"`)
      .header('cache-control', 'no-store')
      .send(pdf)
  })
}
