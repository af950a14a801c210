import { readFileSync } from 'node:fs'
import { expect, test } from './app.ts'

test('a boiler is run with a fault beside the healthy one, stepped through, and saved', async ({ app, page }) => {
  await page.goto(app.address('/'))
  await page.getByRole('link', { name: 'Library' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Library' })).toBeVisible()
  await page.getByRole('link', { name: /^Condensing combination 28 kW/ }).click()
  await expect(page.getByRole('heading', { name: 'What happened' })).toBeVisible()
  await expect(page.locator('.events')).toContainText('Holds tap temperature')

  await page.getByRole('combobox', { name: 'With this wrong' }).fill('Fan seized')
  await page.getByRole('option', { name: 'Fan seized', exact: true }).press('Enter')
  await page.getByRole('button', { name: /^Run/ }).click()
  await expect(page.locator('.events')).toContainText('locks out: stop V4')
  await expect(page.locator('.events')).not.toContainText('Spark, gas, flame')
  await page.getByRole('button', { name: 'Fan', exact: true }).click()
  await page
    .locator('.events')
    .getByRole('button', { name: /locks out/ })
    .click()
  const table = page.locator('.tables table')
  await expect(table.getByRole('row', { name: /fan speed/ })).toContainText('0.00 rev/min')
  await expect(table.getByRole('row', { name: /display/ })).toContainText('stop V4')
  const before = await page.getByLabel('Moment of the run').inputValue()
  await page.getByRole('button', { name: /Before/ }).click()
  expect(Number(await page.getByLabel('Moment of the run').inputValue())).toBeLessThan(Number(before))

  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save this run as CSV' }).click()
  const csv = readFileSync((await (await saved).path())!, 'utf8').split('\n')
  expect(csv[0]).toContain('fanSpeed (rev/min)')
  expect(csv.length).toBeGreaterThan(300)
})

test('the sequence tells what each step does, proves and keeps; parts tell how they fail', async ({ app, page }) => {
  await page.goto(app.address('/library/atmos-combi'))
  const sequence = page.getByRole('region', { name: 'Sequence of operation' })
  await sequence.getByRole('button', { name: /Air switch at rest/ }).click()
  await expect(sequence).toContainText('air switch at rest')
  await expect(sequence).toContainText('halt 11')
  await page.getByLabel('Find a part or a fault', { exact: true }).fill('sensing tube')
  const parts = page.getByRole('region', { name: /What it is made of/ })
  await expect(parts.getByRole('heading', { level: 3 })).toHaveText(['Sensing tubes'])
  await expect(parts).toContainText('Sensing tube split or blocked')
})

test('a week of simulation shows its progress and can be stopped', async ({ app, page }) => {
  await page.goto(app.address('/library/system-boiler'))
  await expect(page.getByRole('heading', { name: 'What happened' })).toBeVisible()
  await page.getByLabel('Minutes').fill('10080')
  // pressed the moment it is there: on a quick machine a week is over soon
  const pressed = page.evaluate<string>(`new Promise((done) => {
    const look = new MutationObserver(() => {
      const stop = [...document.querySelectorAll('button')].find((one) => one.textContent.includes('Stop at'))
      if (!stop) return
      look.disconnect()
      stop.click()
      done(stop.textContent)
    })
    look.observe(document.body, { subtree: true, childList: true, characterData: true })
  })`)
  await page.getByRole('button', { name: /^Run/ }).click()
  expect(await pressed).toMatch(/Stop at \d+/)
  await expect(page.getByRole('button', { name: /^Run/ })).toBeVisible()
  await page.getByLabel('Minutes').fill('20000')
  await expect(page.getByText('Give minutes from')).toBeVisible()
})

test('a system goes out as JSON and comes back changed; a broken file is told by line and field', async ({ app, page }) => {
  await page.goto(app.address('/library/premix-combi'))
  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as JSON' }).click()
  const text = readFileSync((await (await saved).path())!, 'utf8')
  const bringIn = (content: string) =>
    page.getByLabel('File with a system or a model').setInputFiles({ name: 'mine.json', mimeType: 'application/json', buffer: Buffer.from(content) })

  await page.goto(app.address('/library'))
  await bringIn(text)
  await expect(page.getByRole('alert')).toContainText('Give this one an id of its own')
  const own = text.replace('"id": "premix-combi"', '"id": "my-combi"').replace('"label": "Condensing combination 28 kW"', '"label": "The one in the sail loft"')
  const broken = own.replace('"signal": "tapSignal"', '"signal": "tapSong"')
  await bringIn(broken)
  const line = broken.slice(0, broken.indexOf('tapSong')).split('\n').length
  await expect(page.getByRole('alert').getByRole('row', { name: /tapSong/ })).toContainText(String(line))
  await bringIn(own)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The one in the sail loft')
  await expect(page.locator('.events')).toContainText('Holds tap temperature')
  await page.reload()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The one in the sail loft')
})

test('a call on a zoned boiler: its own complaints, its own ladder, and a warm neighbour clears what they share', async ({ app, page }) => {
  await page.goto(app.address('/new'))
  await page.getByLabel('Customer or place').fill('Studio 4')
  await app.chooseBoiler('Zoned heating boiler')
  await expect(page.getByRole('checkbox', { name: 'Hot water goes hot, cold, hot' })).toHaveCount(0)
  await page.getByRole('checkbox', { name: 'One zone cold, its neighbour warm' }).check()
  await page.getByRole('button', { name: 'Open the case' }).click()
  await expect(page).toHaveURL(/\/call$/)
  await app.trace()
  await expect(page.getByRole('button', { name: /Zone thermostat calls/ })).toBeVisible()
  await expect(app.suspects).not.toContainText('ransformer')
  await app.measure('Voltage at the zone 1 valve’s motor while it should open', '26')
  await app.answer('Lever of the zone 1 valve while it should be open', 'springs back with tension: not driven')
  await app.answer('Head of the zone 1 valve lifted off: does the spindle turn?', 'turns')
  await app.measure('Motor of the zone 1 valve, resistance', '50000')
  await expect(app.verdict).toContainText('Zone 1 valve')
})
