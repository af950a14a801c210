import { spawn } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { freePort } from '../tools/database/mariadb.mjs'
import { App, expect, test } from './app.ts'

test.use({ serviceWorkers: 'allow' })

/** The whole application is on the device: its worker is active, which it is only when everything was fetched. */
const whole = (page: Page) => page.evaluate('navigator.serviceWorker.ready.then(() => true)')
/** a case of the demo among the many of other tests, found as anybody would */
async function found(page: Page, place: string) {
  await page.getByLabel(/^Find a case/).fill(place)
  return caseCalled(page, place)
}
const caseCalled = (page: Page, place: string) => page.getByRole('link', { name: new RegExp(place) }).first()

test('without a network everything opens, reloads and works, and what was recorded follows later', async ({ app, page, context }) => {
  await page.goto(app.address('/'))
  await expect(caseCalled(page, 'Net Loft 3')).toBeVisible()
  await whole(page)
  // the cases of the last weeks are fetched one by one
  await expect
    .poll(() =>
      page.evaluate(
        'new Promise((done) => { const open = indexedDB.open("dewpoint"); open.onsuccess = () => { const all = open.result.transaction("cases").objectStore("cases").getAll(); all.onsuccess = () => done(all.result.filter((one) => ["Net Loft 3", "Harbour Master’s House", "Quay Studios, number 2"].includes(one.site.name) && one.keptAt).length) } })',
      ),
    )
    .toBe(3)
  await context.setOffline(true)
  await page.reload()
  await expect(page.getByRole('alert')).toContainText('These are the cases kept on this device')
  await caseCalled(page, 'Net Loft 3').click()
  await app.answer('Do the radiators get hot?', 'hot as always')
  await expect(app.journal.getByText('waiting to send')).toBeVisible()
  await expect(app.suspects).toBeVisible()
  await page.reload()
  await expect(app.journal.getByText('waiting to send')).toBeVisible()
  await expect(app.suspects).toBeVisible()
  // places not been to before: wiring, another system, library, bench and its sums, settings, a new call
  await page.goto(app.address('/'))
  await caseCalled(page, 'Harbour Master’s House').click()
  await page.getByRole('link', { name: 'Wiring' }).click()
  await expect(page.getByRole('button', { name: /^Terminal 1,/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Probe next/ })).toBeVisible()
  await page.goto(app.address('/library/electric-flow'))
  await expect(page.getByRole('heading', { name: 'What happened' })).toBeVisible()
  await page.goto(app.address('/bench/wiring'))
  await expect(page.getByRole('button', { name: /^Terminal 1,/ })).toBeVisible()
  await page.goto(app.address('/bench/fill?litres=100'))
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/reaches 2\.9 bar hot/)
  await page.goto(app.address('/bench/pressure-watch?readings=202610010700c1.4_202610030700c1.2_202610050700c1.0'))
  await expect(page.getByRole('button', { name: 'Ask the customer' })).toBeVisible()
  await page.goto(app.address('/bench/explain'))
  await expect(page.getByLabel('Moment')).toBeVisible()
  // what the firm has set is the office’s: they take the device over, without signal too
  await app.actAs('Bo Larkspur')
  await page.goto(app.address('/firm'))
  await expect(page.getByLabel('An hour on site')).not.toHaveValue('')
  await app.actAs('Ines Quill')
  await expect(page.getByRole('heading', { name: 'This is for the owner or the office' })).toBeVisible()
  const place = await app.takeCall('No heating')
  await app.trace()
  await page.getByRole('link', { name: /today’s calls/ }).click()
  await expect(page.getByText('kept on this device, not sent yet')).toBeVisible()
  await page.getByRole('searchbox', { name: 'Find a case' }).fill('net lo')
  await expect(caseCalled(page, 'Net Loft 3')).toBeVisible()
  await expect(caseCalled(page, 'Harbour Master’s House')).toHaveCount(0)
  await context.setOffline(false)
  // by itself: nobody has to try again
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  await expect(page.getByRole('alert')).toHaveCount(0)
  const { cases } = (await (await page.request.get(app.address(`/api/cases?search=${encodeURIComponent(place)}`))).json()) as { cases: { position: number }[] }
  expect(cases.map((one) => one.position)).toEqual([1])
})

test('it can be installed: named, with icons of its own', async ({ app, page }) => {
  await page.goto(app.address('/'))
  const address = await page.locator('link[rel="manifest"]').getAttribute('href')
  const manifest = (await (await page.request.get(app.address(address!))).json()) as { name: string; display: string; icons: { src: string; sizes: string }[] }
  expect([manifest.name, manifest.display]).toEqual(['Dewpoint', 'standalone'])
  for (const { src } of manifest.icons) expect((await page.request.get(app.address(src))).headers()['content-type']).toBe('image/png')
  expect((await page.request.get(app.address('/sw.js'))).headers()['cache-control']).toBe('no-cache')
})

test('a newer build is offered, taken over when somebody says so, and leaves what is being typed alone until then', async ({ page, context }) => {
  // a server of its own, whose build changes under it
  const folder = mkdtempSync(join(tmpdir(), 'dewpoint-build-'))
  cpSync('web/dist', folder, { recursive: true })
  const port = await freePort()
  const server = spawn(process.execPath, ['server/dist/main.js'], {
    env: { ...process.env, DATABASE_URL: process.env.DEWPOINT_DATABASE, PORT: String(port), LOG_LEVEL: 'silent', WEB_FOLDER: folder },
    stdio: 'ignore',
  })
  const ended = new Promise((done) => server.once('exit', done))
  try {
    const address = `http://127.0.0.1:${port}`
    await expect
      .poll(() =>
        fetch(`${address}/api/health`).then(
          (answer) => answer.ok,
          () => false,
        ),
      )
      .toBe(true)
    await page.goto(`${address}/new`)
    await whole(page)
    const other = await context.newPage()
    await other.goto(`${address}/library`)
    await expect(other.getByRole('heading', { name: 'Library' })).toBeVisible()
    await page.getByLabel('In the customer’s words').fill('It whines, then')

    // the next build: another page, and a part of the old one that is gone
    const index = readFileSync(join(folder, 'index.html'), 'utf8')
    writeFileSync(join(folder, 'index.html'), index.replace('<title>Dewpoint</title>', '<title>Dewpoint</title><meta name="build" content="next" />'))
    const worker = readFileSync(join(folder, 'sw.js'), 'utf8')
    const revised = worker.replace(
      /(url:"index\.html",revision:")[^"]+|(revision:")[^"]+(",url:"index\.html")/,
      (_all, a: string | undefined, b: string, c: string) => (a ? `${a}next` : `${b}next${c}`),
    )
    expect(revised).not.toBe(worker)
    writeFileSync(join(folder, 'sw.js'), revised)
    await page.evaluate('navigator.serviceWorker.ready.then((one) => one.update())')
    await expect(page.getByText('A new version of Dewpoint is ready')).toBeVisible()
    await expect(page.getByLabel('In the customer’s words')).toHaveValue('It whines, then')
    await expect(page.locator('meta[name="build"]')).toHaveCount(0)
    await page.getByRole('button', { name: 'Use the new version' }).click()
    await expect(page.locator('meta[name="build"]')).toHaveCount(1)
    await expect(page.getByRole('heading', { name: 'New call' })).toBeVisible()
    // what was typed went over with it
    await expect(page.getByLabel('In the customer’s words')).toHaveValue('It whines, then')
    // the other tab is told and goes on working until somebody there says so
    await expect(other.getByText('Dewpoint was updated in another tab')).toBeVisible()
    await expect(other.getByRole('heading', { name: 'Library' })).toBeVisible()
    await other.getByRole('button', { name: 'Reload this tab' }).click()
    await expect(other.locator('meta[name="build"]')).toHaveCount(1)
  } finally {
    server.kill('SIGTERM')
    await ended
    rmSync(folder, { recursive: true, force: true })
  }
})

test.describe('before everything is fetched', () => {
  test.use({ serviceWorkers: 'block' })

  test('a part that cannot be fetched says so, and is there when it can be', async ({ app, page }) => {
    await page.goto(app.address('/'))
    await expect(page.getByRole('heading', { name: 'Today’s calls' })).toBeVisible()
    await page.route('**/assets/LibraryPage*', (route) => route.abort())
    await page.getByRole('link', { name: 'Library' }).click()
    const alert = page.getByRole('alert').filter({ hasText: 'could not be fetched' })
    await expect(alert).toContainText('What you have recorded stays')
    await expect(page.getByRole('heading', { name: 'Today’s calls' })).toBeVisible()
    await page.unroute('**/assets/LibraryPage*')
    await alert.getByRole('button', { name: 'Try again' }).click()
    await expect(page.getByRole('heading', { name: 'Library' })).toBeVisible()
    await expect(alert).toHaveCount(0)
  })

  test('a phase or the reasoning that cannot be fetched says so, and is there when it can be', async ({ app, page }) => {
    await page.route('**/assets/diagnosis.worker*', (route) => route.abort())
    await page.goto(app.address('/'))
    await (await found(page, 'Harbour Master’s House')).click()
    const thought = page.getByRole('alert').filter({ hasText: 'does the sums' })
    await expect(thought).toBeVisible()
    await page.unroute('**/assets/diagnosis.worker*')
    await thought.getByRole('button', { name: 'Try again' }).click()
    await expect(new App(page).suspects).toBeVisible()
    await expect(thought).toHaveCount(0)
    await page.route('**/assets/WiringPhase*', (route) => route.abort())
    await page.getByRole('link', { name: 'Wiring' }).click()
    const alert = page.getByRole('alert').filter({ hasText: 'could not be fetched' })
    await expect(alert).toBeVisible()
    await page.unroute('**/assets/WiringPhase*')
    await alert.getByRole('button', { name: 'Try again' }).click()
    await expect(page.getByRole('button', { name: /^Terminal 1,/ })).toBeVisible()
  })
})
