import { byName, newEntry, type Entry } from '@dewpoint/core/casebook'
import type { Locator, Page } from '@playwright/test'
import { v7 } from 'uuid'
import { barriers, expect, knownAs, test, type App } from './app.ts'
import { keyboard, mouse, thumb, type Hand } from './hands.ts'

test.describe.configure({ mode: 'parallel' })

const field = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true })
const headline = (page: Page): Locator => page.getByRole('heading', { level: 1 })

async function open(app: App, page: Page, tool: string, link: RegExp): Promise<void> {
  await page.goto(app.address('/bench'))
  await page.getByRole('link', { name: link }).click()
  await expect(page).toHaveURL(new RegExp(`/bench/${tool}`))
  await expect(headline(page)).toBeVisible()
}

async function type(hand: Hand, page: Page, figures: Record<string, string>): Promise<void> {
  for (const [name, text] of Object.entries(figures)) await hand.type(field(page, name), text)
}

// Each answer is from outside: common practice, a standard's figures, or a sum by hand, as the unit tests beside the sums have them.
test('thermistor, by keyboard alone: 2.49 kΩ is 60 °C (common practice, 10 kΩ chart), 1.30 kΩ at 60 °C reads too hot; its address opens the same', async ({
  app,
  page,
}) => {
  await page.goto(app.address('/bench/thermistor'))
  const hand = keyboard(page)
  await type(hand, page, { 'Measured resistance': '2.49' })
  await expect(headline(page)).toHaveText(/2\.49 kΩ is (59|60)\.\d °C/)
  await type(hand, page, { 'True temperature there': '60' })
  await expect(headline(page)).toHaveText(/^Right: it reads/)
  await type(hand, page, { 'Measured resistance': '1.3' })
  await expect(headline(page)).toHaveText(/too hot: the high limit will act at a true 6\d °C/)
  await expect(page.getByText('20 kΩ', { exact: true })).toBeVisible()
  await hand.press(page.getByRole('button', { name: /^How it is worked out/ }))
  await expect(page.getByText('IEC 60539-1')).toBeVisible()
  // the address carries what was typed, to another browser too
  await expect(page).toHaveURL(/ohms=1\.3&celsius=60/)
  const other = await knownAs('Ines Quill', await page.context().browser()!.newContext())
  const elsewhere = await other.newPage()
  await elsewhere.goto(page.url())
  await expect(headline(elsewhere)).toHaveText(/too hot: the high limit will act at a true 6\d °C/)
  await other.close()
})

test('thermistor: a chart names line and column of what is wrong, and becomes the curve of a model', async ({ app, page }) => {
  await open(app, page, 'thermistor', /^Thermistor/)
  await page.getByLabel('Curve', { exact: true }).selectOption('chart')
  const chart = page.getByLabel('Chart: temperature and resistance')
  await chart.fill('temperature;resistance\n22;11420\nwarm;5000\n60;2490\n82;1170')
  await expect(page.getByRole('alert')).toContainText('Line 3, column 1, temperature: “warm” is no temperature.')
  await chart.fill('temperature;resistance\n22;11420\n60;2490\n82;1170')
  await expect(page.getByRole('alert')).toHaveCount(0)
  await field(page, 'Measured resistance').fill('1.17')
  await expect(headline(page)).toHaveText('1.17 kΩ is 82.0 °C.')
  await page.getByText('Save it as the curve of a model').click()
  await page.getByLabel('Name of the model').fill('Harbour sensor')
  const file = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save the model' }).click()
  expect((await file).suggestedFilename()).toBe('curve-harbour-sensor.json')
  await expect(page.getByText('stands in the Library')).toBeVisible()
  await page.getByLabel('Curve', { exact: true }).selectOption('model')
  await page.getByLabel('Boiler', { exact: true }).selectOption('curve-harbour-sensor')
  await expect(headline(page)).toHaveText('1.17 kΩ is 82.0 °C.')
})

test('bad input is told at the field, in words; units are remembered, and the other one is shown', async ({ app, page }) => {
  await open(app, page, 'fill', /^Fill and vessel/)
  await field(page, 'Vessel').fill('eight')
  await expect(page.getByText('Type a number, such as 8.')).toBeVisible()
  await expect(headline(page)).toHaveText(/Mend the figure/)
  await field(page, 'Vessel').fill('99999')
  await expect(page.getByText(/cannot be: .* can\. Check the figure and its unit/)).toBeVisible()
  await field(page, 'Vessel').fill('')
  await field(page, 'Pre-charge, drained').fill('1')
  await expect(page.getByText('14.5 psi').first()).toBeVisible()
  await page.getByLabel('Unit of Pre-charge, drained').selectOption('psi')
  await field(page, 'Pre-charge, drained').fill('14.5')
  await expect(headline(page)).toHaveText(/^Filled to 1\.5 bar it reaches 2\.9 bar hot/)
  await page.reload()
  await expect(field(page, 'Pre-charge, drained')).toHaveValue('14.5')
  await expect(page.getByLabel('Unit of Pre-charge, drained')).toHaveValue('psi')
  await page.getByRole('button', { name: 'Clear' }).click()
  await page.reload()
  await expect(field(page, 'Pre-charge, drained')).toHaveValue('')
  await expect(page.getByLabel('Unit of Pre-charge, drained')).toHaveValue('psi')
})

test('fill and vessel: 100 l on 8 l at 1.0 bar, filled to 1.5, reaches 2.9; 120 l lifts the relief valve (common practice)', async ({ app, page }) => {
  await open(app, page, 'fill', /^Fill and vessel/)
  await type(mouse, page, { 'Water in the system': '100', Vessel: '8', 'Pre-charge, drained': '1' })
  await expect(headline(page)).toHaveText(/it reaches 2\.9 bar hot/)
  await expect(page.getByRole('row', { name: /^Hot, at 70/ })).toContainText('1.8 bar')
  await field(page, 'Water in the system').fill('120')
  await expect(headline(page)).toHaveText(/the relief valve lifts at \d\d °C, before it is hot/)
  // a flat cushion from a pair of readings: 70 l, 1.2 cold, 2.6 hot
  await type(mouse, page, { 'Water in the system': '70', Cold: '1.2', Hot: '2.6' })
  await expect(headline(page)).toHaveText(/^The cushion is flat/)
})

test('pressure watch: ten readings from a table say leak or relief valve; the pipe outside parts them; a broken table names line and column', async ({
  app,
  page,
}) => {
  await open(app, page, 'pressure-watch', /^Pressure watch/)
  await expect(headline(page)).toHaveText(/from two readings on/)
  await page.getByRole('button', { name: /^Readings as a table/ }).click()
  const table = page.getByLabel(/^Paste a table/)
  await table.fill('date;bar;heating\n2026-10-01 07:00;1.5;off\n2026-10-02 07:00;high;off\n')
  await page.getByRole('button', { name: 'Take the table' }).click()
  await expect(page.getByRole('alert')).toContainText('Line 3, column 2, bar: “high” is no pressure.')
  // an eighth of a bar a day, no heating: it falls by itself (common practice: a leak on the system, or the relief valve)
  await table.fill(
    `date;bar;heating\n${Array.from({ length: 10 }, (_unused, day) => `2026-10-${String(day + 1).padStart(2, '0')} 07:00;${(1.5 - day * 0.06).toFixed(2)};off`).join('\n')}\n`,
  )
  await page.getByRole('button', { name: 'Take the table' }).click()
  await expect(page.getByRole('row')).toHaveCount(11)
  await page.getByRole('button', { name: 'The system and its gauge' }).click()
  await page.getByLabel('Heating runs').selectOption('off')
  await page.getByLabel('Pipe outside').selectOption('dry')
  await expect(headline(page)).toHaveText(/(Probably|Almost certainly) a leak, 0\.\d l a day\./)
  await page.getByLabel('Pipe outside').selectOption('wet')
  await expect(headline(page)).toHaveText(/(Probably|Almost certainly) the relief valve passing/)
  await expect(page.getByText(/stopped on low water by .*: read it now/)).toBeVisible()
  await expect(page.getByRole('heading', { name: /radiators cold|radiators hot/ })).toBeVisible()
  // the address carries the readings
  await expect(page).toHaveURL(/readings=202610010700c1\.5/)
  await page.reload()
  await expect(headline(page)).toHaveText(/(Probably|Almost certainly) the relief valve passing/)
})

test('plate and hot water: 81 in and 45 out exchanges well, 80 and 70 does not, 82 and 86 cannot be (common practice)', async ({ app, page }) => {
  await open(app, page, 'hot-water', /^Plate and hot water/)
  await type(mouse, page, { 'Cold main': '10', 'At the tap': '45', 'Flow at the tap': '9.5', 'Plate, heating side in': '81', 'and out': '45' })
  await expect(headline(page)).toHaveText(/^The plate exchanges well: 23\.\d kW reach the water/)
  await type(mouse, page, { 'At the tap': '21', 'Plate, heating side in': '80', 'and out': '70' })
  await expect(headline(page)).toHaveText(/^The plate hardly exchanges/)
  await type(mouse, page, { 'Plate, heating side in': '82', 'and out': '86' })
  await expect(headline(page)).toHaveText(/cannot come out hotter/)
  await type(mouse, page, { 'Plate, heating side in': '70', 'and out': '69' })
  await expect(headline(page)).toHaveText(/closer than two clamps can tell apart/)
  // a jug of 2 l in 12 s is 10 l/min
  await type(mouse, page, { 'Flow at the tap': '', 'full in': '12', 'At the tap': '45', 'Plate, heating side in': '', 'and out': '' })
  await expect(headline(page)).toHaveText(/^24\.\d kW reach the water/)
  const crossing = page.getByRole('region', { name: 'Does cold cross into hot?' })
  await crossing.getByRole('button', { name: 'Yes' }).click()
  await expect(crossing).toContainText('Isolate the mixers one by one')
  await crossing.getByRole('button', { name: 'Yes' }).click()
  await crossing.getByRole('button', { name: 'No', exact: true }).click()
  await expect(crossing).toContainText('The cartridge passed cold into hot')
})

test.describe('by thumb at 390 px', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })
  test('gas rate: started and stopped by thumb; 20 l in 30 s are 25.2 kW gross, 22.7 net (EN 437, by hand)', async ({ app, page }) => {
    await page.goto(app.address('/bench/gas-rate'))
    const clock = page.getByRole('button', { name: /Start/ })
    await clock.tap()
    const stop = page.getByRole('button', { name: /Stop/ })
    await expect(stop).toContainText(/[1-9]\.\d s/)
    // what was started goes on through a reload
    await page.reload()
    await expect(stop).toBeVisible()
    await stop.tap()
    await expect(field(page, 'It took')).not.toHaveValue('')
    await type(thumb, page, { 'It took': '30', 'Heat input on the plate': '25' })
    await expect(headline(page)).toHaveText('Too little gas: 2.40 m³/h: 25.2 kW gross, 22.7 kW net, 91 % of the plate’s 25.0 kW net.')
    await type(thumb, page, { 'Working, at the meter': '20.5', 'and at the boiler': '17.5' })
    await expect(page.getByText('3.0 mbar are lost on the way')).toBeVisible()
  })
})

test('combustion: 9 % CO2 of natural gas leaves 5 % O2 and a dew point near 55 °C; 250 ppm fails, and so does a ratio above 0.004', async ({ app, page }) => {
  await open(app, page, 'combustion', /^Combustion/)
  await type(mouse, page, { CO2: '9', CO: '100', 'Model’s CO2 at this rate': '9', 'Return water': '45' })
  await expect(headline(page)).toHaveText(/^As the model is set: 27 % more air than needed, CO to CO2 0\.0011\.$/)
  const means = page.getByRole('region', { name: 'What it means' })
  await expect(means).toContainText('4.8 %')
  await expect(means).toContainText('54.')
  await expect(means).toContainText('it condenses')
  await field(page, 'CO').fill('250')
  await expect(headline(page)).toHaveText('It fails: 250 ppm of CO. Do not leave it running.')
  await type(mouse, page, { CO2: '4', CO: '192' })
  await expect(headline(page)).toHaveText(/^It fails: CO to CO2 is 0\.0048/)
  await field(page, 'CO2 in the air inlet').fill('0.6')
  await expect(page.getByText('Joint of the flue on the exchanger')).toBeVisible()
  await field(page, 'CO2').fill('13')
  await expect(headline(page)).toHaveText(/cannot be so much CO2/)
})

test('cylinder: a flat vessel lifts the relief at every heat-up; hot water at the tundish is dangerous (common practice)', async ({ app, page }) => {
  await open(app, page, 'cylinder', /^Cylinder/)
  await expect(headline(page)).toHaveText(/^Heated to 60 °C it reaches 4\.\d bar/)
  await page.getByLabel('At the tundish water runs').selectOption('heatUp')
  await field(page, 'Charge, water off, tap open').fill('0.5')
  await expect(headline(page)).toHaveText('Likeliest: vessel without charge.')
  await page.getByLabel('and it is').selectOption('hot')
  await expect(headline(page)).toHaveText('Likeliest: temperature relief: dangerous.')
  await expect(page.getByText('Stop heating now')).toBeVisible()
})

test('from a case to the bench and back: what was read there is filled in, what is measured here is recorded there, also without the server', async ({
  app,
  page,
}) => {
  await app.openCase('hotColdHot')
  await app.measure('Cold water temperature', '8')
  await app.choose('Plate, primary in: as the burner cuts out, or settled')
  await page.getByRole('link', { name: 'Open on the Bench' }).click()
  await expect(page).toHaveURL(/\/bench\/hot-water\?case=/)
  await expect(field(page, 'Cold main')).toHaveValue('8')
  await type(mouse, page, { 'At the tap': '21', 'Flow at the tap': '9.5', 'Plate, heating side in': '80', 'and out': '70' })
  await expect(headline(page)).toHaveText(/^The plate hardly exchanges/)
  await page.route('**/api/**', (route) => route.abort())
  await page.getByRole('button', { name: 'Put this in a case' }).click()
  const sheet = page.getByRole('dialog')
  const list = sheet.getByRole('list', { name: 'Readings to record' })
  await expect(list).toContainText('Plate, primary in: as the burner cuts out, or settled: 80.0 °C')
  // what the case has already is not written twice
  await expect(list).not.toContainText('Cold water temperature')
  await sheet.getByRole('button', { name: 'Record 4 readings' }).click()
  await expect(sheet).toContainText('4 readings recorded in')
  await page.unroute('**/api/**')
  await sheet.getByRole('link', { name: 'Open the case' }).click()
  await expect(app.journal).toContainText('Plate, primary out')
  await expect(app.journal).toContainText('80.0 °C')
  await expect(app.suspects).toContainText('Plate blocked')
})

test('a gauge watched over days is put in a case and weighed there; read on after the case was closed it asks again by itself', async ({ app, page }) => {
  await app.openCase('gaugeLow')
  const id = /case\/([0-9a-f-]+)/.exec(page.url())![1]!
  const watched = (month: string, falls: number) =>
    Array.from({ length: 8 }, (_unused, day) => `2026${month}${String(day + 10).padStart(2, '0')}0700c${(1.5 - day * falls).toFixed(2)}`).join('_')
  const putIn = async (readings: string) => {
    await page.goto(app.address(`/bench/pressure-watch?case=${id}&readings=${readings}`))
    await expect(page.getByRole('button', { name: 'Ask the customer' })).toBeVisible()
    await page.getByRole('button', { name: 'Put this in a case' }).click()
    const sheet = page.getByRole('dialog')
    await sheet.getByRole('button', { name: 'Record 8 readings' }).click()
    await expect(sheet).toContainText('8 readings recorded in')
    await sheet.getByRole('link', { name: 'Open the case' }).click()
  }
  await putIn(watched('08', 0.08))
  await app.atRest()
  await expect(app.suspects).toContainText(/leak/i)
  // what was read stands in the case, and is not put in twice
  await page.goto(app.address(`/bench/pressure-watch?case=${id}`))
  await expect(headline(page)).toHaveText(/leak|relief valve/)
  await expect(page.getByRole('button', { name: 'Put this in a case' })).toBeDisabled()

  const { entries } = (await (await page.request.get(app.address(`/api/cases/${id}`))).json()) as { entries: Entry[] }
  const closed = newEntry(
    'decision',
    { kind: 'closed', ending: 'unproven', reason: 'Topped up; to be watched.' },
    { id: v7(), now: Date.now(), author: byName('Bo Larkspur'), seen: entries },
  )
  const sent = await page.request.post(app.address(`/api/cases/${id}/entries`), { data: { entries: [closed] } })
  expect(sent.ok(), await sent.text()).toBe(true)
  await putIn(watched('09', 0.07))
  const since = page.getByRole('region', { name: 'The gauge was read 8 times since it was closed' })
  await expect(since).toContainText(/leak|relief valve/)
  await expect(since.getByRole('link', { name: 'Reopen the case…' })).toBeVisible()
  await since.getByRole('link', { name: 'Open the watch' }).click()
  await expect(headline(page)).toHaveText(/leak|relief valve/)
})

test('explain it: the boiler alive, in plain words; with a seized fan it stops where the fan is waited for', async ({ app, page }) => {
  await page.goto(app.address('/bench'))
  await page.getByRole('link', { name: /^Explain it/ }).click()
  await expect(headline(page)).toHaveText('How your boiler makes hot water')
  const steps = page.getByRole('region', { name: 'One thing after another' })
  await page.getByLabel('Moment').fill('300')
  await expect(steps.getByRole('listitem').filter({ hasText: 'A spark, gas, and the flame is there.' })).toHaveClass('done')
  await steps.getByText('What is shown').click()
  await page.getByLabel('With this wrong').selectOption({ label: 'Fan seized' })
  await expect(headline(page)).toHaveText('Why your boiler no longer makes hot water as it should')
  await page.getByLabel('Moment').fill('300')
  await expect(steps.locator('.stuck')).toContainText('The fan is not proved to blow, and no gas is let in without it.')
  await expect(page.getByText(/only gets to \d+ °C, where it should be \d+ °C/)).toBeVisible()
  await expect(page).toHaveURL(/fault=fan\.seized/)
})

for (const viewport of [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
])
  test(`every tool is free of accessibility faults at ${viewport.width} px, light and dark (axe)`, async ({ app, page }) => {
    test.setTimeout(300_000)
    await page.setViewportSize(viewport)
    for (const path of [
      '',
      '/thermistor?ohms=1.3&celsius=60&curve=three',
      '/fill?seenCold=1.2&seenHot=2.6',
      '/pressure-watch?readings=202610100700c1.5_202610120700c1.3_202610132100h2.2_202610150700t1.5',
      '/hot-water?hotOut=41&flow=9&primaryIn=81&primaryOut=55',
      '/gas-rate?seconds=32&plate=24',
      '/combustion?dioxide=9.4&monoxide=120&inletDioxide=0.6',
      '/cylinder?runs=heatUp',
      '/explain?fault=fan.seized',
    ]) {
      await page.emulateMedia({ colorScheme: 'light' })
      await page.goto(app.address(`/bench${path}`))
      await expect(headline(page)).toBeVisible()
      if (path.startsWith('/explain')) await expect(page.getByLabel('Moment')).toBeVisible()
      if (path.startsWith('/pressure')) await expect(page.getByRole('button', { name: 'Ask the customer' })).toBeVisible()
      for (const summary of await page.locator('summary').all()) await summary.click()
      expect([path, await barriers(page)]).toEqual([path, []])
      await page.emulateMedia({ colorScheme: 'dark' })
      await expect(page.locator('.v-application.v-theme--dark')).toBeVisible()
      expect([path, 'dark', await barriers(page, 'color-contrast')]).toEqual([path, 'dark', []])
    }
  })
