import { barriers, expect, test, type App } from './app.ts'
import { keyboard, mouse, thumb, type Hand } from './hands.ts'

/** Six call-outs, each worked from the customer's first words to the signed report, on the real server. */
test.describe.configure({ mode: 'parallel' })

class Visit {
  constructor(
    readonly app: App,
    readonly hand: Hand,
  ) {}
  private get page() {
    return this.app.page
  }

  /** Takes the call: the place, the boiler, the words, what is complained of. */
  async call(complaint: string, words: string, boiler?: string): Promise<void> {
    const { page, hand } = this
    await page.goto(this.app.address('/new'))
    if (boiler) {
      const list = page.getByRole('combobox', { name: 'Boiler' })
      await expect(list.locator('option', { hasText: new RegExp(`^${boiler}`) })).toHaveCount(1)
      await hand.pick(list, boiler)
    }
    await hand.type(page.getByLabel('Customer or place'), `Whole case ${Date.now()}`)
    await hand.type(page.getByRole('textbox', { name: /words/i }).first(), words)
    const box = page.getByRole('checkbox', { name: complaint, exact: true })
    if (!(await box.isChecked())) await hand.press(box)
    await expect(box).toBeChecked()
    await hand.press(page.getByRole('button', { name: 'Open the case' }))
    await expect(page).toHaveURL(/\/case\/[0-9a-f-]{36}\/call$/)
  }

  async to(phase: string): Promise<void> {
    await this.hand.press(this.page.getByRole('link', { name: new RegExp(`^${phase}( done)?$`) }))
    await expect(this.page).toHaveURL(new RegExp(`/${phase.toLowerCase()}$`))
  }

  /** Chooses a check and says that what it needs is so. */
  async choose(label: string): Promise<void> {
    const { page, hand } = this
    await this.app.atRest()
    await hand.press(page.getByRole('button', { name: 'Any check…' }))
    await hand.type(page.getByLabel('Find a check'), label)
    await hand.press(page.getByRole('list', { name: 'Checks found' }).getByRole('button', { name: label }).first())
    await expect(this.app.nextTitle).toHaveText(label)
    await this.app.atRest()
    for (const need of await page.getByRole('group', { name: 'Before it is read' }).getByRole('checkbox').all()) {
      // what stood with the reading before still stands
      if (!(await need.isChecked())) await hand.press(need)
      await expect(need).toBeChecked()
    }
  }

  async measure(label: string, value: string): Promise<void> {
    await this.choose(label)
    await this.hand.type(this.page.getByLabel('Reading', { exact: true }), value)
    await this.hand.press(this.page.getByRole('button', { name: /^Record/ }))
    await expect(this.app.journal).toContainText(label)
  }

  async answer(label: string, words: RegExp): Promise<void> {
    await this.choose(label)
    const pad = this.page.locator('.pad')
    const more = pad.getByRole('button', { name: /^Something else/ })
    const wanted = pad.getByRole('button', { name: words })
    await expect(wanted.or(more).first()).toBeVisible()
    if (!(await wanted.first().isVisible())) await this.hand.press(more)
    await this.hand.press(wanted.first())
    await expect(this.app.journal).toContainText(label)
  }

  /** Writes down a defect seen by eye. */
  async saw(words: string, label: string): Promise<void> {
    const { page, hand } = this
    await this.app.atRest()
    await hand.press(page.getByRole('button', { name: 'Log a defect' }))
    const form = page.getByRole('form', { name: 'Defect seen' })
    await hand.type(form.getByLabel('What is wrong, by part or in words'), words)
    await hand.press(form.getByRole('button', { name: label }))
    await hand.press(form.getByRole('button', { name: 'Part of the complaint' }))
    await hand.press(form.getByRole('button', { name: 'Record the defect' }))
    await expect(this.app.journal).toContainText('Found')
  }

  /** Condemns what stands out, and writes down every repair of the job. */
  async repair(...lines: RegExp[]): Promise<void> {
    const { page, hand } = this
    await this.to('Repair')
    const condemn = page.getByRole('button', { name: /^(Condemn|Record as found)/ })
    await expect(condemn).toBeEnabled()
    // look-alikes that were not ruled out are passed over with a reason
    const reason = page.getByLabel('Reason for passing it over')
    if (await reason.isVisible()) await hand.type(reason, 'Settled by what was seen on the part.')
    await hand.press(condemn)
    await expect(page.getByText(/(Condemned|Found) and recorded/)).toBeVisible()
    for (const line of lines) {
      await hand.press(page.getByRole('button', { name: line }).first())
      await hand.press(page.getByRole('button', { name: 'Record the repair' }))
      await expect(page.getByRole('button', { name: 'Record the repair' })).toHaveCount(0)
    }
  }

  /** Runs the demands, answers the closing checks, has both sign, closes, and sees the report. */
  async finish(...demands: string[]): Promise<void> {
    const { page, hand, app } = this
    await this.to('Prove')
    for (const [done, demand] of demands.entries()) {
      await hand.press(page.getByRole('button', { name: `${demand} runs through` }))
      await expect(page.getByText(/^runs, /)).toHaveCount(done + 1)
    }
    // what was complained of besides a demand shows that it is right
    const lit = page.getByRole('button', { name: 'lit', exact: true })
    if (await lit.isVisible()) await hand.press(lit)
    await app.fillRecord((what) => hand.press(what))
    await hand.press(page.getByRole('button', { name: 'Engineer signs' }))
    const sheet = page.getByRole('dialog')
    await hand.press(sheet.getByRole('button', { name: 'Record by name alone' }))
    await expect(sheet).toBeHidden()
    await hand.press(page.getByRole('button', { name: 'Customer signs' }))
    await hand.type(sheet.getByLabel('Name'), 'Oda Brink')
    await hand.press(sheet.getByRole('button', { name: 'Record by name alone' }))
    await expect(sheet).toBeHidden()
    await hand.press(page.getByRole('button', { name: 'Close the case' }))
    await expect(page.getByRole('heading', { level: 1, name: 'Closed' })).toBeVisible()
    await this.to('Report')
    const paper = page.getByRole('article')
    await expect(paper.getByRole('heading', { level: 1 })).toHaveText('Your boiler is working again.')
    await expect(paper).toContainText('Oda Brink')
    await expect(paper).toContainText('Ines Quill')
    expect(await barriers(page)).toEqual([])
    await expect(page.getByText('waiting to send')).toHaveCount(0)
    const pdf = await page.request.get(app.address(`/api/cases/${/[0-9a-f-]{36}/.exec(page.url())![0]}/report.pdf`))
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
  }
}

test('external controls: voltages on the map lead to the valve’s motor, its head is changed', async ({ app, page }) => {
  const visit = new Visit(app, mouse)
  await visit.call('No hot water from the cylinder', 'The cylinder has been cold since yesterday, radiators are fine.', 'Condensing system boiler 24')
  await visit.to('Wiring')
  await page.getByRole('button', { name: 'Two 2-port valves Programmer' }).click()
  for (const [terminal, volts] of [
    [25, '0'],
    [17, '230'],
    [20, '229'],
  ]) {
    await page.getByRole('button', { name: new RegExp(`^Terminal ${terminal},`) }).click()
    await expect(page.getByRole('heading', { name: /^Volts/ })).toContainText(`(${terminal}) –`)
    await page.getByLabel('Reading', { exact: true }).fill(String(volts))
    await page.getByRole('button', { name: /^Record/ }).click()
    await expect(app.journal.getByRole('listitem').first()).toContainText(`(${terminal}) –`)
  }
  await visit.to('Trace')
  await visit.answer('Head of the hot-water valve lifted off: does the spindle turn?', /^turns/)
  await visit.answer('Lever of the hot-water valve while it should be open', /^springs back/)
  await visit.repair(/^Record as done: .*hot-water valve/i)
  await visit.finish('Hot water', 'Heating')
})

test('hot, cold, hot: the two cheap look-alikes first, then the plate', async ({ app }) => {
  const visit = new Visit(app, mouse)
  await visit.call('Hot water goes hot, cold, hot', 'The shower runs hot, then cold, then hot again.')
  await visit.to('Trace')
  await visit.measure('Flow thermistor, resistance at a measured pipe temperature', '2.49')
  await visit.measure('Fan speed at minimum rate', '1250')
  await visit.measure('Plate, primary in: as the burner cuts out, or settled', '81')
  await visit.measure('Plate, primary out: as the burner cuts out, or settled', '72')
  await visit.repair(/^Record as done: .*plate/i)
  await visit.finish('Hot water', 'Heating')
})

test.describe('on a telephone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

  test('pressure lost each week, by thumb: gauge cold and hot, the vessel is flat', async ({ app }) => {
    const visit = new Visit(app, thumb)
    await visit.call('Pressure keeps dropping', 'We fill it every week.')
    await visit.to('Trace')
    await visit.measure('Gauge, cold', '0.6')
    await visit.measure('Gauge, after a quarter of an hour of heating', '2.8')
    await visit.measure('Vessel charge, water side drained and drain open', '0.1')
    await visit.answer('Vessel pumped up with the drain open: does it hold five minutes?', /^holds/)
    await visit.repair(/^Record as done: recharge the vessel/)
    await visit.finish('Hot water', 'Heating')
  })
})

test('a leak, the motor it wetted and the fuse that blew: one job', async ({ app }) => {
  const visit = new Visit(app, mouse)
  await visit.call('Display or lamp dark', 'Dead since this morning, and a puddle under it.')
  await visit.to('Trace')
  await visit.saw('spindle leak', 'Diverter spindle leaking')
  await visit.saw('motor wet', 'Diverter motor or plug wet')
  await visit.saw('fuse blown', 'Board’s internal fuse blown')
  await visit.repair(
    /^Record as done: fit a new diverter cartridge/,
    /^Record as done: fit a new diverter motor/,
    /^Record as done: .*fuse of the right rating/,
  )
  await visit.finish('Hot water', 'Heating')
})

test('a fan that whined, by the keyboard alone', async ({ app, page }) => {
  const visit = new Visit(app, keyboard(page))
  await visit.call('Locks out with a fault code', 'It whined for a week, now it stops with a code.')
  await visit.to('Trace')
  await visit.answer('Fan hums but does not blow', /^yes/)
  await visit.measure('Supply at the fan plug while it should purge', '231')
  await visit.answer('Does the fan turn when powered?', /^stands still/)
  await visit.answer('Speed command at the fan plug while it should purge', /^there/)
  await visit.repair(/^Record as done: fit a new fan/)
  await visit.finish('Hot water', 'Heating')
})

test('one zone of four cold: its neighbours clear what they share, its valve is left', async ({ app, page }) => {
  const visit = new Visit(app, mouse)
  await visit.call('One zone cold, its neighbour warm', 'Our studio is cold, the others are warm.', 'Zoned')
  await visit.to('Wiring')
  await page.getByRole('button', { name: /^Four zones/ }).click()
  await page.getByRole('button', { name: 'Place black' }).click()
  await page.getByRole('button', { name: /^Terminal 11, Zone valve 1 24 V return/ }).click()
  await page.getByRole('button', { name: 'Place red' }).click()
  await page.getByRole('button', { name: /^Terminal 10,/ }).click()
  await page.getByLabel('Reading', { exact: true }).fill('25.5')
  await page.getByRole('button', { name: /^Record/ }).click()
  await expect(app.journal.getByRole('listitem').first()).toContainText('(10)')
  await visit.to('Trace')
  await visit.answer('Lever of the zone 1 valve while it should be open', /^springs back/)
  await visit.measure('Motor of the zone 1 valve, resistance', '900')
  await visit.repair(/^Record as done: .*zone 1 valve/i)
  await visit.finish('Heating')
})
