import { expect, test } from './app.ts'

test('no hot water, heating fine, keep-warm status: the turbine leads, and its signal convicts it', async ({ app, page }) => {
  await app.takeCall('No hot water')
  await app.trace()
  await app.answer('Do the radiators get hot?', 'hot as always')
  await app.answer('Status shown while the burner fires with the tap open', 'keep')
  await expect(app.suspects.getByRole('listitem').first()).toContainText('Flow turbine stiff or stuck')
  await expect(app.verdict).toHaveCount(0)
  await app.measure('Flow-sensor pulses at its plug, tap fully open', '0')
  await expect(app.verdict).toContainText('Flow turbine')
  await page.getByRole('button', { name: 'See evidence and repair' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Flow turbine')
  await expect(page.locator('.account')).toContainText('Flow-sensor pulses')
  await expect(page.getByRole('region', { name: 'The job in order' })).toContainText('Fit a new turbine insert')
})

test('tap hot-cold-hot: several suspects stand together; 1.8 kΩ at 60 °C convicts the thermistor, 2.49 kΩ leaves the plate', async ({ app, page }) => {
  await app.openCase('hotColdHot')
  await app.answer('Does the burner drop out while hot water runs?', 'drops out')
  for (const one of ['Plate blocked, heating side', 'Plate scaled, mains side', 'Main exchanger sludged']) await expect(app.suspects).toContainText(one)
  await expect(app.verdict).toHaveCount(0)

  await app.measure('Flow thermistor, resistance at a measured pipe temperature', '1.8')
  await expect(app.verdict).toContainText('Flow thermistor')

  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(app.verdict).toHaveCount(0)
  await app.measure('Flow thermistor, resistance at a measured pipe temperature', '2.49')
  await expect(app.suspects.getByRole('listitem').first()).toContainText('Plate blocked, heating side')
  await expect(app.suspects).not.toContainText('Flow thermistor')
  await expect(app.verdict).toHaveCount(0)
})

test('locks out, fan hums, supplied, standing still: the fan', async ({ app }) => {
  await app.openCase('locksOut')
  await app.answer('Fan hums but does not blow', 'yes')
  await app.measure('Supply at the fan plug while it should purge', '231')
  await app.answer('Does the fan turn when powered?', 'stands still')
  await expect(app.verdict).toContainText('Fan')
  await expect(app.suspects.getByRole('listitem').first()).toContainText('Fan seized')
})

test('smell of gas stops everything, on the telephone and in the case, until made safe', async ({ app, page }) => {
  await page.goto(app.address('/new'))
  await page.getByLabel('Customer or place').fill('Chandlery')
  await page.getByRole('checkbox', { name: 'Smell of gas' }).check()
  await expect(page.getByRole('alert')).toContainText('do not touch switches')
  await page.getByRole('button', { name: 'Open the case' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Smell of gas' })).toBeVisible()
  await expect(page.getByText('Leave the building')).toBeVisible()
  await expect(app.suspects).toHaveCount(0)
  await page.getByRole('link', { name: 'Trace' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Smell of gas' })).toBeVisible()
  await expect(app.nextTitle).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Record as made safe' })).toBeDisabled()
  await page.getByLabel('Made safe').fill('Supplier shut the meter')
  await page.getByRole('button', { name: 'Record as made safe' }).click()
  await expect(app.nextTitle).toBeVisible()
})

test('danger words in the customer’s own words stop as well', async ({ app, page }) => {
  await page.goto(app.address('/new'))
  await page.getByLabel('In the customer’s words').fill('No hot water and the CO alarm is beeping')
  await expect(page.getByRole('alert')).toContainText('everyone out into fresh air')
  await page.getByLabel('In the customer’s words').fill('No hot water, no smell of gas')
  await expect(page.getByRole('alert')).toHaveCount(0)
})

test('the cursor starts in the first field and is not taken from words being typed', async ({ app, page }) => {
  // a slow machine: what waits to see a field on the screen hears of it only when the test says so
  await page.addInitScript(`{
    const Real = IntersectionObserver
    const held = []
    IntersectionObserver = class extends Real {
      constructor(tell, options) {
        super((entries, observer) => held.push(() => tell(entries, observer)), options)
      }
    }
    addEventListener('seen-at-last', () => held.splice(0).forEach((tell) => tell()))
  }`)
  await page.goto(app.address('/new'))
  await expect(page.getByLabel('Customer or place')).toBeFocused()
  await page.getByLabel('In the customer’s words').focus()
  // two frames: the observers have reported
  await page.evaluate('new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))')
  await page.evaluate("dispatchEvent(new Event('seen-at-last'))")
  await page.keyboard.type('CO alarm went off')
  await expect(page.getByRole('alert')).toContainText('everyone out into fresh air')
})

test('the ladder is marked, and the mark is evidence', async ({ app, page }) => {
  await app.openCase('noHotWater')
  await page.getByRole('button', { name: /Fan and air/ }).click()
  await page.getByRole('button', { name: 'It stops here' }).click()
  await expect(page.getByRole('button', { name: /Pump and water, proved/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /Keeps burning, not reached/ })).toBeVisible()
  await expect(app.suspects.getByRole('listitem').first()).toContainText('Fan')
})

test('from repair to proof to closed', async ({ app, page }) => {
  await app.openCase('locksOut')
  await app.answer('Fan hums but does not blow', 'yes')
  await app.measure('Supply at the fan plug while it should purge', '231')
  await app.answer('Does the fan turn when powered?', 'stands still')
  await app.answer('Speed command at the fan plug while it should purge', 'there')
  await page.getByRole('button', { name: 'See evidence and repair' }).click()
  await page.getByRole('button', { name: 'Condemn the fan' }).click()
  await expect(page.getByText('Condemned and recorded')).toBeVisible()
  await app.repair(/^Record as done: fit a new fan/)
  await app.to('Prove')
  await expect(page.getByRole('button', { name: 'Close the case' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Hot water runs through' }).click()
  await expect(page.getByRole('button', { name: /run that demand through/ })).toBeVisible()
  await page.getByRole('button', { name: 'Heating runs through' }).click()
  await app.fillRecord()
  await page.getByRole('button', { name: 'Close the case' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Closed' })).toBeVisible()
})

test('orders of checks: how far it gets is seen first, then from either end', async ({ app, page }) => {
  await app.openCase('noHotWater')
  await page.getByRole('button', { name: 'Backwards' }).click()
  await expect(page.getByRole('button', { name: 'Backwards' })).toHaveAttribute('aria-pressed', 'true')
  await expect(app.nextTitle).toHaveText('How far does the hot-water sequence get?')
  await app.atRest()
  await page.getByRole('button', { name: 'Cannot do this one' }).click()
  await expect(app.nextTitle).not.toHaveText('How far does the hot-water sequence get?')
  await app.atRest()
  const backward = await app.nextTitle.textContent()
  await page.getByRole('button', { name: 'Forwards' }).click()
  await expect(app.nextTitle).not.toHaveText(backward!)
  const offered = await app.nextTitle.textContent()
  await page.getByRole('button', { name: 'Cannot do this one' }).click()
  await expect(app.nextTitle).not.toHaveText(offered!)
})
