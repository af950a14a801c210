import type { Page } from '@playwright/test'
import { barriers, expect, test, type App } from './app.ts'

const caseOf = async (app: App, page: Page, place: string) => {
  const { cases } = (await (await page.request.get(app.address(`/api/cases?search=${encodeURIComponent(place)}`))).json()) as {
    cases: { id: string; site: { name: string } }[]
  }
  return cases.find((one) => one.site.name === place)!.id
}

test('keyboard alone: answer, next, record, undo, help', async ({ app, page }) => {
  await app.openCase('hotColdHot')
  await app.choose('Does the burner drop out while hot water runs?')
  await page.locator('body').click({ position: { x: 5, y: 400 } })
  await page.keyboard.press('1')
  await expect(app.journal).toContainText('drops out, display pauses')
  await app.choose('Gauge, cold')
  await page.locator('body').click({ position: { x: 5, y: 400 } })
  await page.keyboard.type('1.2')
  await page.keyboard.press('Enter')
  await expect(app.journal).toContainText('1.20 bar')
  await page.locator('body').click({ position: { x: 5, y: 400 } })
  await page.keyboard.press('u')
  await expect(app.journal).not.toContainText('1.20 bar')
  await app.atRest()
  const offered = await app.nextTitle.textContent()
  const others = page.locator('section.next .choices button')
  const [second] = await others.allTextContents()
  await page.keyboard.press('n')
  await expect(app.nextTitle).not.toHaveText(offered!)
  expect(second).toContain((await app.nextTitle.textContent())!)
  await expect(others.first()).toContainText(offered!)
  await page.keyboard.press('p')
  await expect(app.nextTitle).toHaveText(offered!)
  await page.keyboard.press('?')
  await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('heading', { name: 'Keys' })).toBeHidden()
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

  test('call, trace and repair fit the width, and a reading is recorded by touch', async ({ app, page }) => {
    const fits = async () => expect(await page.evaluate('document.documentElement.scrollWidth - window.innerWidth')).toBeLessThanOrEqual(0)
    await page.goto(app.address('/'))
    await fits()
    await app.takeCall('Hot water goes hot, cold, hot')
    await fits()
    await app.trace()
    await fits()
    await app.choose('Flow thermistor, resistance at a measured pipe temperature')
    await page.getByLabel('Reading', { exact: true }).fill('1.8')
    await page.getByRole('button', { name: /^Record/ }).tap()
    await expect(app.journal).toContainText('1.80 kΩ')
    await fits()
    await page.getByRole('link', { name: 'Repair' }).tap()
    await fits()
    await page.goto(app.address('/library/system-boiler'))
    await expect(page.getByRole('heading', { name: 'What happened' })).toBeVisible()
    await fits()
  })
})

test('every view is free of accessibility faults in the light theme, and its colours in the dark one (axe)', async ({ app, page }) => {
  // twelve views, each looked through as a whole
  test.setTimeout(400_000)
  const netLoft = await caseOf(app, page, 'Net Loft 3')
  const bakery = await caseOf(app, page, 'Harbour Bakery')
  const harbourMaster = await caseOf(app, page, 'Harbour Master’s House')
  const paths = [
    '/',
    '/new',
    '/nowhere',
    `/case/${netLoft}/call`,
    `/case/${netLoft}/trace`,
    `/case/${netLoft}/repair`,
    `/case/${bakery}/repair`,
    `/case/${bakery}/prove`,
    `/case/${harbourMaster}/wiring`,
    '/bench/wiring',
    '/firm',
    '/library',
    '/library/premix-combi',
  ]
  for (const path of paths) {
    await page.emulateMedia({ colorScheme: 'light' })
    await page.goto(app.address(path))
    await expect(page.locator('h1').first()).toBeVisible()
    if (path.endsWith('/prove')) await expect(page.getByRole('heading', { name: /close/i, level: 2 })).toBeVisible()
    else if (path.includes('/case/')) await expect(page.locator('section.suspects').first()).toHaveAttribute('aria-busy', 'false')
    if (path.endsWith('/wiring')) await expect(page.getByRole('button', { name: /^Terminal 1,/ })).toBeVisible()
    if (path.startsWith('/library/')) await expect(page.getByRole('heading', { name: 'What happened' })).toBeVisible()
    expect([path, await barriers(page)]).toEqual([path, []])
    await page.emulateMedia({ colorScheme: 'dark' })
    await expect(page.locator('.v-application.v-theme--dark')).toBeVisible()
    expect([path, 'dark', await barriers(page, 'color-contrast')]).toEqual([path, 'dark', []])
  }
})

test('the theme can be switched by hand and is remembered', async ({ app, page }) => {
  await page.goto(app.address('/'))
  await page.getByRole('button', { name: 'Dark' }).click()
  await expect(page.locator('.v-theme--dark').first()).toBeVisible()
  await page.reload()
  await expect(page.locator('.v-theme--dark').first()).toBeVisible()
})
