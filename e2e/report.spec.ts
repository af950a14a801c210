import { readFileSync } from 'node:fs'
import { barriers, expect, test } from './app.ts'

test('a closed case opens on its report: words edited, PDF made on the device, table out and in, calendar', async ({ app, page, context }) => {
  await app.openCase('locksOut', { phase: 'repair', found: ['fan.seized'] })
  await app.repair(/^Record as done: fit a new fan/)
  await app.to('Prove')
  await page.getByRole('button', { name: 'Hot water runs through' }).click()
  await page.getByLabel('Anything else advised').fill('Have a system filter fitted')
  await page.getByRole('form', { name: 'Advice' }).getByRole('button', { name: 'Advised, declined' }).click()
  await page.getByLabel('Come back to what').fill('Service')
  await page.getByLabel('Day of the follow-up').fill('2027-10-12')
  await page.getByRole('button', { name: 'Set the follow-up' }).click()
  await page.getByRole('button', { name: 'Close without proof…' }).click()
  await page.getByLabel('Why it is left so').fill('no gas in the street')
  await page.getByRole('button', { name: 'Close without proof', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Closed without proof' })).toBeVisible()
  // from the list it opens on its report
  await page.goto(page.url().replace(/\/prove$/, ''))
  await expect(page.getByRole('heading', { level: 1, name: 'Repaired, but not proved.' })).toBeVisible()
  const sheet = page.getByRole('article')
  await expect(sheet).toContainText('Closed without proof: no gas in the street')
  await expect(sheet).toContainText('We found: fan seized. ')
  await expect(sheet).toContainText('Fitted a new fan. Then hot water ran as it should.')
  await expect(sheet).toContainText('Have a system filter fitted: advised, declined')
  expect(await barriers(page)).toEqual([])

  // words half written are there after a reload, and stand on the paper once recorded
  await page.getByRole('button', { name: 'Edit the words' }).click()
  await page.getByLabel('What was wrong').fill('The fan had rusted solid.')
  await page.reload()
  await page.getByRole('button', { name: 'Edit the words' }).click()
  await expect(page.getByLabel('What was wrong')).toHaveValue('The fan had rusted solid.')
  await page.getByRole('button', { name: 'Record these words' }).click()
  await expect(sheet).toContainText('The fan had rusted solid.')
  await page.getByRole('button', { name: 'Back to the record’s own words' }).click()
  await expect(sheet).toContainText('We found: fan seized.')

  const saved = async (name: string) => {
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name }).click()])
    return { name: file.suggestedFilename(), content: readFileSync(await file.path()) }
  }
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  const ours = await page.request.get(app.address(`/api/cases/${/[0-9a-f-]{36}/.exec(page.url())![0]}/report.pdf`))
  expect((await ours.body()).subarray(0, 5).toString()).toBe('%PDF-')
  const table = await saved('Readings (CSV)')
  expect(table.content.toString()).toMatch(/^at,check,what,value,unit,outcome,demand,note\r\n/)
  expect((await saved('Follow-up for the calendar')).content.toString()).toContain('DTSTART;VALUE=DATE:20271012')
  expect(JSON.parse((await saved('Case file (JSON)')).content.toString())).toMatchObject({ format: 'dewpoint-case', system: 'premix-combi' })
  // the letters are there before the signal goes
  const paper = await saved('Download the PDF')
  expect([paper.name, paper.content.subarray(0, 5).toString()]).toEqual([expect.stringMatching(/^report-[0-9A-F]{6}\.pdf$/), '%PDF-'])
  await context.setOffline(true)
  expect((await saved('Download the PDF')).content.includes(Buffer.from('/FontFile'))).toBe(true)
  await context.setOffline(false)

  const csv = 'check,value,unit\nlook.gaugeCold,1.2,bar\nlook.gaugeCold,high,bar\n'
  await page.getByLabel('CSV file').setInputFiles({ name: 'gauge.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  await expect(page.getByRole('alert')).toContainText('Line 3, value: “high” is no number.')
  await page.getByRole('button', { name: 'Record the good ones 1 reading' }).click()
  await expect(page.getByText('1 reading recorded from gauge.csv.')).toBeVisible()
  await expect(sheet).toContainText('1.20 bar')
})
