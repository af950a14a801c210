import { expect, test } from './app.ts'

test('a version that is known moves the odds of what it is about, and says so', async ({ app, page }) => {
  await app.openCase('locksOut', { phase: 'call' })
  const known = page.getByRole('region', { name: 'The boiler' })
  const say = async (before: string, choice: string) => {
    if (before === 'not known') await app.sayOfBoiler('Pressure sensor')
    else await known.getByRole('button', { name: `Pressure sensor: ${before}. Change` }).click()
    await known.getByRole('combobox', { name: 'Pressure sensor' }).selectOption(choice)
    await known.getByRole('button', { name: 'Record' }).click()
    await expect(app.journal.getByRole('listitem').first()).toContainText(choice)
  }
  await say('not known', 'behind the block filter')
  await say('behind the block filter', 'not known')
  await say('not known', 'behind the block filter')
  await app.trace()
  await app.answer('Does the gauge jump as the pump starts?', 'jumps')
  const fouled = app.suspects.getByRole('button', { name: /^Pressure sensor fouled/ })
  await fouled.click()
  await expect(app.suspects).toContainText('behind the block filter: 1.5 times as likely')
})

test('own experience is stated by model, weighed, shown, and taken back', async ({ app, page }) => {
  await app.openCase('locksOut', { phase: 'call', system: 'coil-combi' })
  await page.getByText('Own experience with this model').click()
  await page.getByRole('combobox', { name: 'On this model it is often' }).selectOption('Fan seized')
  await page.getByRole('combobox', { name: 'Calls in ten' }).selectOption('9')
  await page.getByRole('button', { name: 'Say so' }).click()
  const own = page.locator('.own')
  await expect(own).toContainText('9 in 10')
  await expect(app.suspects.getByRole('listitem').first()).toContainText('Fan seized')
  await app.suspects.getByRole('button', { name: 'Fan seized', exact: true }).click()
  await expect(app.suspects).toContainText('own experience says 9 in ten, counting for')
  // of another case of the same kind it is known too
  await app.openCase('locksOut', { phase: 'call', system: 'coil-combi' })
  await expect(app.suspects.getByRole('listitem').first()).toContainText('Fan seized')
  await page.getByText('Own experience with this model').click()
  await own.getByRole('button', { name: /^Take back: fan/ }).click()
  await expect(own).not.toContainText('9 in 10')
  // without the server nothing is said to be kept
  await page.context().setOffline(true)
  await page.getByRole('button', { name: 'Say so' }).click()
  await expect(own.getByRole('alert')).toContainText('when there is signal')
  await page.context().setOffline(false)
})
