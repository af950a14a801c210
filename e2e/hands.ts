import { expect, type Locator, type Page } from '@playwright/test'

/** How somebody works the page: with a mouse, with a thumb, or with the keyboard alone. */
export interface Hand {
  press(what: Locator): Promise<void>
  type(field: Locator, words: string): Promise<void>
  /** chooses of a list by the beginning of an entry's words */
  pick(list: Locator, words: string): Promise<void>
}

const byPointer = (press: (what: Locator) => Promise<void>): Hand => ({
  press,
  async type(field, words) {
    await press(field)
    await field.fill(words)
  },
  async pick(list, words) {
    const value = await list
      .locator('option')
      .filter({ hasText: new RegExp(`^\\s*${words}`) })
      .first()
      .getAttribute('value')
    await list.selectOption(value!)
  },
})

export const mouse: Hand = byPointer((what) => what.click())
export const thumb: Hand = byPointer((what) => what.tap())

/** more stops than any page has: the search for something no key leads to ends */
const stops = 400

/** Nothing but keys: a thing is reached by going from stop to stop, as somebody without a mouse does. */
export function keyboard(page: Page): Hand {
  const reach = async (what: Locator) => {
    await expect(what).toBeVisible()
    for (let stop = 0; stop < stops; stop++) {
      if (await what.evaluate((one) => one === one.ownerDocument.activeElement)) return
      await page.keyboard.press('Tab')
    }
    throw new Error(`No key leads to ${String(what)}`)
  }
  return {
    async press(what) {
      await reach(what)
      await page.keyboard.press((await what.getAttribute('type')) === 'checkbox' ? 'Space' : 'Enter')
    },
    async type(field, words) {
      await reach(field)
      await page.keyboard.press('Control+a')
      await page.keyboard.type(words)
    },
    async pick(list, words) {
      await reach(list)
      await page.keyboard.type(words)
    },
  }
}
