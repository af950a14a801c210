import { expect, test } from './app.ts'

test('a known place is chosen, never taken for the one meant by its name', async ({ app, page }) => {
  const name = `Twin House ${Date.now()}`
  await page.goto(app.address('/new'))
  const open = async (address: string) => {
    await page.getByLabel('Customer or place').fill(name)
    await page.getByLabel('Address').fill(address)
    await page.getByRole('checkbox', { name: 'No hot water', exact: true }).check()
    await page.getByRole('button', { name: 'Open the case' }).click()
  }
  await open('Upper Quay 1')
  await expect(page).toHaveURL(/\/call$/)
  await page.goto(app.address('/new'))
  await open('Lower Quay 9')
  const known = page.getByRole('list', { name: 'Known places' })
  await expect(known).toContainText('Upper Quay 1')
  await expect(page.getByRole('alert')).toContainText('say that it is another one')
  // a name typed anew is not asked about until it is known too
  await page.getByLabel('Customer or place').fill(`${name} Annexe`)
  await expect(page.getByRole('alert')).toHaveCount(0)
  await open('Lower Quay 9')
  await page.getByRole('button', { name: 'It is another place' }).click()
  await page.getByRole('button', { name: 'Open the case' }).click()
  await expect(page).toHaveURL(/\/call$/)
  // the call is sent when the page is already there
  await expect(async () => {
    const answer = await page.request.get(app.address(`/api/sites?search=${encodeURIComponent(name)}`))
    const { sites } = (await answer.json()) as { sites: { address: string }[] }
    expect(sites.map((one) => one.address).sort()).toEqual(['Lower Quay 9', 'Upper Quay 1'])
  }).toPass({ timeout: 30_000 })
})
