import type { Page } from '@playwright/test'
import { barriers, expect, test } from './app.ts'

/** A picture as a camera writes it: lying on its side, and saying so (EXIF 2.3, orientation 6: to be turned right by a quarter). */
async function fromCamera(page: Page, width: number, height: number): Promise<Buffer> {
  const text = (await page.evaluate(`(() => {
    const canvas = Object.assign(document.createElement('canvas'), { width: ${width}, height: ${height} })
    const context = canvas.getContext('2d')
    // grain as a camera has it, so that it does not come out small by itself
    const grain = context.createImageData(${width}, ${height})
    let seed = 7
    for (let at = 0; at < grain.data.length; at++) grain.data[at] = at % 4 === 3 ? 255 : (seed = (seed * 1103515245 + 12345) & 0x7fffffff) & 255
    context.putImageData(grain, 0, 0)
    return canvas.toDataURL('image/jpeg', 0.95).split(',')[1]
  })()`)) as string
  const jpeg = Buffer.from(text, 'base64')
  const tiff = Buffer.from([0x4d, 0x4d, 0, 0x2a, 0, 0, 0, 8, 0, 1, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, 6, 0, 0, 0, 0, 0, 0])
  const exif = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff])
  const length = Buffer.alloc(2)
  length.writeUInt16BE(exif.length + 2)
  return Buffer.concat([jpeg.subarray(0, 2), Buffer.from([0xff, 0xe1]), length, exif, jpeg.subarray(2)])
}
const kept = async (page: Page, address: string) => {
  const { entries } = (await (await page.request.get(address)).json()) as {
    entries: { type: string; payload: { hash: string; width: number; height: number } }[]
  }
  return entries.filter((one) => one.type === 'photo').map((one) => one.payload)
}
const caseId = (page: Page) => /case\/([0-9a-f-]{36})/.exec(page.url())![1]!

test('a photo is turned upright, made small, stripped of where it was taken, and seen at its place and in the journal', async ({ app, page }) => {
  await app.openCase('topUps', { phase: 'look' })
  await page.getByRole('button', { name: /^\d+ Gas cock/ }).click()
  const large = await fromCamera(page, 2400, 1500)
  expect(large.includes('Exif')).toBe(true)
  await page.getByLabel('Picture file').setInputFiles({ name: 'IMG_1.jpg', mimeType: 'image/jpeg', buffer: large })
  await expect(page.getByRole('img', { name: 'The photo as it will be kept' })).toBeVisible()
  await expect(page.getByLabel('What it shows')).toHaveValue('Gas cock')
  await page.getByLabel('What it shows').fill('Cock across the pipe')
  await page.getByRole('button', { name: 'Record the photo' }).click()
  const seen = page.getByRole('button', { name: 'See larger: Cock across the pipe' })
  await expect(seen).toBeVisible()
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  const [photo] = await kept(page, app.address(`/api/cases/${caseId(page)}`))
  // upright, and no longer than 1600
  expect([photo!.width, photo!.height]).toEqual([1000, 1600])
  const bytes = await (await page.request.get(app.address(`/api/photos/${photo!.hash}`))).body()
  expect(bytes.length).toBeLessThanOrEqual(500 * 1024)
  expect(bytes.includes('Exif')).toBe(false)
  await seen.click()
  await expect(page.getByRole('dialog')).toContainText('Cock across the pipe')
  expect(await barriers(page)).toEqual([])
  await page.keyboard.press('Escape')
  await app.trace()
  await expect(app.journal.getByRole('button', { name: 'See larger: Cock across the pipe' })).toBeVisible()
})

test('without signal a photo is kept on the device, seen there after a reload, and follows with its entry', async ({ app, page, context }) => {
  await app.openCase('topUps', { phase: 'look' })
  await page.getByRole('button', { name: /^\d+ Filling loop/ }).click()
  // whatever goes out is lost on the way
  await page.route('**/api/**', (route) => (route.request().method() === 'GET' ? route.continue() : route.abort()))
  await page.getByLabel('Picture file').setInputFiles({ name: 'x.jpg', mimeType: 'image/jpeg', buffer: await fromCamera(page, 300, 200) })
  await page.getByRole('button', { name: 'Record the photo' }).click()
  await expect(page.getByText('1 entry waiting to send')).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: /^\d+ Filling loop/ }).click()
  const image = page.getByRole('button', { name: 'See larger: Filling loop' }).getByRole('img')
  await expect(image).toHaveAttribute('src', /^blob:/)
  expect(await kept(page, app.address(`/api/cases/${caseId(page)}`))).toEqual([])
  await page.unroute('**/api/**')
  await context.setOffline(true)
  await context.setOffline(false)
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  const [photo] = await kept(page, app.address(`/api/cases/${caseId(page)}`))
  expect((await page.request.get(app.address(`/api/photos/${photo!.hash}`))).headers()['content-type']).toBe('image/jpeg')
})

test('what is no picture says so, and nothing is written down', async ({ app, page }) => {
  await app.openCase('topUps', { phase: 'look' })
  await page.getByLabel('Picture file').setInputFiles({ name: 'photo.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture at all') })
  await expect(page.getByRole('alert')).toContainText('no picture this browser can read')
  await expect(page.getByRole('button', { name: 'Record the photo' })).toHaveCount(0)
})
