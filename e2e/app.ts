import { AxeBuilder } from '@axe-core/playwright'
import type { NewCase, Session } from '@dewpoint/contract'
import { byName, newEntry } from '@dewpoint/core/casebook'
import { v7 } from 'uuid'
import { test as base, expect, type BrowserContext, type Locator, type Page } from '@playwright/test'

/** The app as a person uses it. */
export class App {
  constructor(readonly page: Page) {}

  address(path = '/'): string {
    return `${process.env.DEWPOINT}${path}`
  }

  /** Takes a call for a place of the test's own and goes to tracing. */
  async takeCall(complaint: string, place = `Test place ${Date.now()}-${Math.floor(performance.now())}`): Promise<string> {
    await this.page.goto(this.address('/new'))
    await this.page.getByLabel('Customer or place').fill(place)
    await this.page.getByRole('checkbox', { name: complaint, exact: true }).check()
    await this.page.getByRole('button', { name: 'Open the case' }).click()
    await expect(this.page).toHaveURL(/\/case\/[0-9a-f-]{36}\/call$/)
    return place
  }

  /**
   * Opens a case somebody else has taken the call for, at a place of the test's own.
   *
   * @param what its complaint
   * @param found faults somebody has seen already
   * @returns the place
   */
  async openCase(what: string, { phase = 'trace', system = 'premix-combi', controls = 'direct', found = [] as string[] } = {}): Promise<string> {
    const now = Date.now()
    const body: NewCase = {
      id: v7(),
      openedAt: new Date(now).toISOString(),
      site: { id: v7(), name: `Test place ${v7()}`, address: '', note: '', phone: '' },
      appliance: { id: v7(), system, label: 'Boiler under the stairs', installedOn: '' },
      controls,
      settings: {},
    }
    const complained = newEntry('complaint', { what, where: 'all', pattern: 'always' }, { id: v7(), now, author: byName('Bo Larkspur'), seen: [] })
    await this.post('/api/cases', body)
    const entries = [complained]
    for (const fault of found)
      entries.push(newEntry('finding', { what: 'seen', fault, explainsComplaint: true }, { id: v7(), now, author: byName('Bo Larkspur'), seen: entries }))
    await this.post(`/api/cases/${body.id}/entries`, { entries })
    await this.page.goto(this.address(`/case/${body.id}/${phase}`))
    if (phase === 'trace') await expect(this.nextTitle).toBeVisible()
    return body.site.name
  }

  /** Somebody else who is signed in on this device takes it over. */
  async actAs(name: string): Promise<void> {
    await this.page.getByRole('button', { name: /^Writing as / }).press('Enter')
    await this.page.getByRole('dialog', { name: 'Who is writing?' }).getByRole('button', { name }).press('Enter')
    await expect(this.page.getByRole('button', { name: `Writing as ${name}: change` })).toBeVisible()
  }

  private async post(path: string, data: object): Promise<void> {
    const answer = await this.page.request.post(this.address(path), { data })
    expect(answer.ok(), await answer.text()).toBe(true)
  }

  /** The form for what happened before, unfolded. */
  async history(): Promise<Locator> {
    const form = this.page.getByRole('form', { name: 'What happened before' })
    await this.page.locator('summary', { hasText: 'What happened before' }).click()
    await expect(form).toBeVisible()
    return form
  }

  /** Begins to say what is not known of the boiler yet. */
  async sayOfBoiler(fact: string, page = this.page): Promise<Locator> {
    const boiler = page.getByRole('region', { name: 'The boiler' })
    const button = boiler.getByRole('button', { name: `${fact}: not known. Change` })
    if (!(await button.isVisible())) await boiler.locator('summary').click()
    await button.click()
    return boiler
  }

  async trace(): Promise<void> {
    await this.page.getByRole('link', { name: 'Trace', exact: true }).press('Enter')
    await expect(this.nextTitle).toBeVisible()
  }

  /** Chooses the boiler of a new call by the beginning of its name. */
  async chooseBoiler(name: string): Promise<void> {
    const list = this.page.getByRole('combobox', { name: 'Boiler' })
    // waits for the option: a list asked for its options before it is there has none
    const value = await list.locator('option', { hasText: new RegExp(`^${name}`) }).getAttribute('value')
    await list.selectOption(value!)
    await expect(list).toHaveValue(value!)
  }

  /** What has just been written is thought through. */
  async atRest(): Promise<void> {
    await expect(this.page.locator('section.next')).toHaveAttribute('aria-busy', 'false')
  }

  /** Chooses a check by its words instead of the one offered. */
  async choose(label: string): Promise<void> {
    await this.atRest()
    await this.page.getByRole('button', { name: 'Any check…' }).click()
    await this.page.getByLabel('Find a check').fill(label)
    await this.page.getByRole('list', { name: 'Checks found' }).getByText(label, { exact: true }).click()
    await expect(this.nextTitle).toHaveText(label)
    await this.atRest()
  }

  /** Says that what the check shown needs is so: power off, water side drained. */
  private async asItNeeds(): Promise<void> {
    for (const need of await this.page.getByRole('group', { name: 'Before it is read' }).getByRole('checkbox').all()) await need.check()
  }

  async answer(label: string, words: string): Promise<void> {
    await this.choose(label)
    await this.asItNeeds()
    const pad = this.page.locator('.pad')
    const wanted = pad.getByRole('button', { name: words })
    // answers nobody expects stand behind a press
    const more = pad.getByRole('button', { name: /^Something else/ })
    await expect(wanted.or(more).first()).toBeVisible()
    if (!(await wanted.first().isVisible())) await more.click()
    await wanted.click()
    await expect(this.journal).toContainText(label)
  }

  async measure(label: string, value: string): Promise<void> {
    await this.choose(label)
    await this.asItNeeds()
    await this.page.getByLabel('Reading', { exact: true }).fill(value)
    await this.page.getByRole('button', { name: /^Record/ }).click()
    await expect(this.journal).toContainText(label)
  }

  /** Goes on to a phase by its name. */
  async to(phase: 'Repair' | 'Prove' | 'Look' | 'Call'): Promise<void> {
    await this.page.getByRole('link', { name: new RegExp(`^${phase}( done)?$`) }).press('Enter')
    await expect(this.page).toHaveURL(new RegExp(`/${phase.toLowerCase()}$`))
  }

  /** Records the first repair of these words as it is filled in. */
  async repair(words: RegExp): Promise<void> {
    await this.page.getByRole('button', { name: words }).first().click()
    await this.page.getByRole('button', { name: 'Record the repair' }).click()
  }

  /** Answers for everything that must stand in the record as if all were well, one after the other. */
  async fillRecord(press: (what: Locator) => Promise<void> = (what) => what.click()): Promise<void> {
    const record = this.page.getByRole('region', { name: 'Closing checks' })
    const open = record.locator('li').filter({ has: this.page.locator('.ring') })
    await expect(record).toBeVisible()
    for (let left = await open.count(); left > 0; left = await open.count()) {
      const row = open.first()
      const label = await row.getByRole('heading').textContent()
      await press(row.getByRole('button', { name: /^(Right|Found and put right|as it should be|dry|no|none|whole|runs free|shows “tap”|Told)$/ }).first())
      await expect(open.filter({ has: this.page.getByRole('heading', { name: label!, exact: true }) })).toHaveCount(0)
    }
  }

  get nextTitle(): Locator {
    return this.page.locator('#next-title')
  }
  get journal(): Locator {
    return this.journalOf(this.page)
  }
  journalOf(page: Page): Locator {
    return page.locator('.journal ol')
  }
  get suspects(): Locator {
    return this.page.locator('.suspects ol:not(.standing)')
  }
  get verdict(): Locator {
    return this.page.locator('.verdict')
  }
}

/** What keeps a view from somebody who sees or moves otherwise, by axe: of the rules named, or of WCAG 2.2 AA. */
export async function barriers(page: Page, ...rules: string[]): Promise<string[]> {
  // what lies half under the bar is no smaller for it: the page is looked at from its top
  await page.evaluate('scrollTo(0, 0)')
  // there are no frames to put together, for which it would open a page of its own
  const axe = new AxeBuilder({ page }).setLegacyMode()
  const { violations } = await (rules.length > 0 ? axe.withRules(rules) : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])).analyze()
  return violations.map((one) => `${one.id}: ${one.nodes.map((node) => node.target.join(' ')).join(', ')}`)
}

/** Signs people of the demo in on a browser, the last of them to act. */
export async function signInOn(context: BrowserContext, ...names: string[]): Promise<Session> {
  const url = (path: string) => `${process.env.DEWPOINT}${path}`
  const { demo } = (await (await context.request.get(url('/api/session'))).json()) as Session
  let session: Session | null = null
  for (const name of names) {
    const answer = await context.request.post(url('/api/session/demo'), {
      data: { person: demo.find((one) => one.name === name)!.id, label: `Browser of ${name}` },
    })
    expect(answer.ok(), await answer.text()).toBe(true)
    session = (await answer.json()) as Session
  }
  return session!
}

/** Somebody is signed in on this browser, with the office and the owner beside them, as on a device that is shared. */
export async function knownAs(name: string, context: BrowserContext): Promise<BrowserContext> {
  const { person, onDevice } = await signInOn(context, ...['Tamsin Brack', 'Bo Larkspur', 'Ines Quill'].filter((one) => one !== name), name)
  const kept = JSON.stringify([JSON.stringify(person), JSON.stringify(onDevice)])
  await context.addInitScript(
    `if (!localStorage.getItem('dewpoint.me')) { const [me, here] = ${kept}; localStorage.setItem('dewpoint.me', me); localStorage.setItem('dewpoint.here', here) }`,
  )
  return context
}

/** Playwright's test with the app at hand; a page error fails the test. */
export const test = base.extend<{ app: App }>({
  context: async ({ context }, use) => {
    await use(await knownAs('Ines Quill', context))
  },
  app: async ({ page }, use) => {
    const errors: string[] = []
    page.on('pageerror', (error) => errors.push(error.message))
    await use(new App(page))
    expect(errors).toEqual([])
  },
})
export { expect }
