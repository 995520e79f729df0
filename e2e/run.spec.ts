import { expect, test, type APIRequestContext, type Page } from '@playwright/test'
import { expectAccessible } from './accessible'

/** The zinc sulfate of the demo, as a batch of its own. */
async function beginZinc(request: APIRequestContext): Promise<string> {
  const { code, version } = await (
    await request.post('/api/batches', {
      data: { product: 'ZnSO4.7H2O', equation: 'Zn + H2SO4 -> ZnSO4 + H2', title: 'Zinc sulfate, a run' },
    })
  ).json()
  const { document } = await (await request.get('/api/batches/ZN-021')).json()
  const { procedures: _, ...plan } = document
  const saved = await request.put(`/api/batches/${code}`, { data: { version, document: plan } })
  expect(saved.ok()).toBe(true)
  return code
}
const people = async (request: APIRequestContext): Promise<string[]> =>
  (await (await request.get('/api/lab')).json()).people.map(({ id }: { id: string }) => id)
const primary = (page: Page) => page.getByTestId('primary')
const journal = (page: Page) => page.getByRole('region', { name: 'Journal' })
const step = (page: Page, name: RegExp) => page.getByLabel('Steps').getByRole('button', { name })
const heading = (page: Page) => page.getByRole('heading', { level: 1 })

test('a run is followed from the first weighing to constant mass, and nothing of it is lost', async ({
  page,
  request,
}) => {
  const code = await beginZinc(request)
  await page.goto(`/batches/${code}/run`)

  await test.step('weigh on the balance, by its own digits', async () => {
    await expect(heading(page)).toContainText('Weigh Zn, 99.5 %: 9.11')
    await page.getByRole('button', { name: 'Put a vessel on' }).click()
    await page.getByRole('button', { name: 'Take as tare' }).click()
    await page.getByRole('button', { name: '+ 8 g' }).click()
    await page.getByRole('button', { name: 'Take as gross' }).click()
    await expect(journal(page)).toContainText('Simulated balance, 0.01 g')
    await expect(page.getByText(/% off\s+9\.11/)).toBeVisible()
    await primary(page).click()
    await page.getByLabel('Volume', { exact: true }).fill('66.0')
    await page.getByRole('button', { name: 'Record volume' }).click()
    await primary(page).click()
  })

  await test.step('portions on a clock that goes on over a reload and on other pages', async () => {
    await expect(heading(page)).toContainText('Put the H2SO4 into the vessel')
    await primary(page).click()
    await expect(heading(page)).toContainText('Add Zn in 12 portions')
    await expect(primary(page)).toHaveText('Portion 1 of 12 is in')
    await primary(page).click()
    await expect(primary(page)).toHaveText('Portion 2 of 12 is in')
    await expect(page.getByRole('timer')).toHaveText(/^2:5\d$/)
    await page.waitForTimeout(1500)
    await page.reload()
    await expect(primary(page)).toHaveText('Portion 2 of 12 is in')
    await expect(page.getByRole('timer')).toHaveText(/^2:[1-5]\d$/)
    await page.getByRole('link', { name: 'Tables' }).click()
    await expect(page.getByLabel('Clocks')).toContainText(`${code} Add Zn in 12 portions`)
    await page.getByLabel('Clocks').getByRole('link').first().click()
    await expect(primary(page)).toHaveText('Portion 2 of 12 is in')
    await page.keyboard.press('PageDown')
    await expect(primary(page)).toHaveText('Portion 3 of 12 is in')
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Done already' }).click()
    await expect(heading(page)).toContainText('Stir and watch')
    await expect(page.getByLabel('Clocks').getByText(code)).toHaveCount(0)
  })

  await test.step('something went wrong: the rescue’s steps are put in', async () => {
    await page.getByRole('button', { name: 'Something went wrong' }).click()
    await page.getByRole('button', { name: 'No more gas, but solid is left' }).click()
    await expect(page.getByRole('dialog')).toContainText('Warm it first.')
    await page.getByRole('button', { name: 'Record it and put these steps in' }).click()
    await expect(journal(page)).toContainText('No more gas, but solid is left')
    await expect(step(page, /Warm to 60 °C and stir \(put in\)/)).toBeVisible()
    await step(page, /Warm to 60 °C/).click()
    await page.getByRole('button', { name: 'warm pot' }).click()
    const probe = page.getByRole('region', { name: 'thermometer' })
    await probe.getByRole('button', { name: 'Take it' }).click({ timeout: 60_000 })
    await expect(journal(page)).toContainText(/Temperature of the pot\s*61\.\d °C/)
    await page.getByRole('button', { name: 'fizzing stopped' }).click()
    await page.getByRole('button', { name: 'colour…' }).click()
    await page.getByRole('button', { name: /^colourless/ }).click()
    await expect(journal(page)).toContainText('colour: colourless')
  })

  await test.step('the network goes and comes back; what was recorded meanwhile is sent once, in order', async () => {
    await page.route('**/api/**', route => route.abort())
    await step(page, /See that zinc is left over/).click()
    await page.getByLabel('In words').fill('some zinc is left')
    await page.getByRole('button', { name: 'Seen', exact: true }).click()
    await primary(page).click()
    await expect(page.getByText('2 not saved yet.').first()).toBeVisible()
    await page.unroute('**/api/**')
    await expect(page.getByText('Everything recorded is saved.')).toBeVisible()
    const entries = await (await request.get(`/api/batches/${code}/entries`)).json()
    const texts = entries.map(({ entry }: { entry: { text?: string; words?: string } }) => entry.text ?? entry.words)
    expect(texts.filter((text: string) => text === 'some zinc is left')).toHaveLength(1)
    expect(texts.slice(-2)).toEqual(['some zinc is left', 'See that {Zn} is left over and no more gas comes'])
    expect((await (await request.get(`/api/batches/${code}/chain`)).json()).whole).toBe(true)
  })

  await test.step('the wash is asked for before the drying', async () => {
    await step(page, /Filter warm/).click()
    await page.getByRole('button', { name: 'filtrate clear' }).click()
    await primary(page).click()
    await step(page, /Weigh the empty paper or vessel, dry/).click()
    await page.getByLabel('Tare: empty vessel').fill('12.00')
    await page.getByRole('button', { name: 'Record tare' }).click()
    await primary(page).click()
    await step(page, /Filter zinc sulfate heptahydrate and suck/).click()
    await primary(page).click()
    await step(page, /Dry: air/).click()
    await expect(page.getByText(/Wash, before you dry: one portion is not done/)).toBeVisible()
    await page.getByRole('button', { name: 'Go to that step' }).click()
    await expect(heading(page)).toContainText('Wash with 4 mL of water')
    await primary(page).click()
    await step(page, /Dry: air/).click()
    await expect(page.getByText(/Wash, before you dry/)).toHaveCount(0)
  })

  await test.step('a wait begins a countdown, and it rings on another page', async () => {
    await expect(primary(page)).toHaveText('Begin, then wait 15 h')
    await primary(page).click()
    await expect(page.getByRole('timer')).toHaveText(/^(15:00:00|14:59:\d\d)$/)
    await page.getByRole('button', { name: 'Pause' }).click()
    await page.getByRole('button', { name: 'Go on' }).click()
    await page.getByRole('region', { name: 'Timers' }).getByRole('button', { name: 'Stop', exact: true }).click()
    await page.getByRole('button', { name: /^(A|Another) clock$/ }).click()
    await page.getByLabel('Name of the clock').fill('look at the dish')
    await page.getByLabel('Time', { exact: true }).fill('2 s')
    await page.getByRole('button', { name: 'Count down' }).click()
    await page.getByRole('link', { name: 'Tables' }).click()
    const ring = page.getByRole('alert').filter({ hasText: 'Due: look at the dish' })
    await expect(ring).toBeVisible()
    await expect(page).toHaveTitle(/Due: look at the dish/)
    await ring.getByRole('button', { name: 'Stop it' }).click()
    await expect(ring).toHaveCount(0)
    await page.goto(`/batches/${code}/run`)
    await step(page, /Dry: air/).click()
    await page.getByTestId('primary').click()
  })

  await test.step('three weighings tell when it will be dry', async () => {
    // 34.00, 33.00, 32.50 g an hour apart: the loss halves, so 0.50 g is still to come and 32.00 g is the end.
    const [by] = await people(request)
    const ago = (hours: number): string => new Date(Date.now() - hours * 3_600_000).toISOString()
    const weighed = (hours: number, value: string) => ({
      kind: 'reading',
      id: crypto.randomUUID(),
      at: ago(hours),
      by,
      about: { what: 'product', stage: 's1', crop: 1 },
      measure: 'gross',
      value,
      typed: true,
    })
    await request.post(`/api/batches/${code}/entries`, {
      data: { entries: [weighed(2.5, '34.00 g'), weighed(1.5, '33.00 g'), weighed(0.5, '32.50 g')] },
    })
    await step(page, /Weigh crop 1 of zinc sulfate heptahydrate in its paper/).click()
    const drying = page.getByRole('region', { name: 'To constant mass' })
    await expect(drying).toContainText(/Look again at about .*\d\d:\d\d/)
    await expect(drying).toContainText('it would end at 20.00 g')
    await expectAccessible(page)
    await page.getByLabel('Gross: vessel with it').fill('23.05')
    await page.getByRole('button', { name: 'Record gross' }).click()
    await page.getByRole('button', { name: 'Correct Gross of crop 1' }).first().click()
    await page.getByLabel('It should read').fill('32.51 g')
    await page.getByLabel('Why').fill('digits swapped')
    await page.getByRole('button', { name: 'Record the correction' }).click()
    await expect(drying).toContainText('Constant: the last two agree within 0.02 g.')
  })
})

test('targets in the run are large enough for a glove, and every action can be reached by keys', async ({
  page,
  request,
}) => {
  const code = await beginZinc(request)
  await page.goto(`/batches/${code}/run`)
  await expect(heading(page)).toContainText('Weigh Zn')
  for (const name of [/Weigh zinc,?/, /Add zinc/, /Heat to 60/, /Weigh crop 1 of zinc sulfate heptahydrate in/]) {
    await step(page, name).click()
    const small = await page
      .locator('.run-page')
      .locator('button, a, summary, select, input:not([type=file])')
      .evaluateAll(nodes =>
        nodes
          .filter(node => (node as HTMLElement).offsetParent !== null)
          .map(node => ({
            name: node.textContent?.trim() || node.getAttribute('aria-label'),
            box: node.getBoundingClientRect(),
          }))
          .filter(({ box }) => box.height < 47.5)
          .map(({ name, box }) => `${name}: ${box.height}`),
      )
    expect(small).toEqual([])
  }
  await page.getByRole('heading', { level: 1 }).click()
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('w')
  await expect(page.getByRole('dialog')).toContainText('Something went wrong')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
})

test('a test of both portions says which reagent was in excess, and when it contradicts itself', async ({
  page,
  request,
}) => {
  const code = await beginZinc(request)
  await page.goto(`/batches/${code}/run`)
  await page.getByRole('button', { name: 'Add a step here' }).click()
  await page.getByLabel('Operation').selectOption('test')
  await page.getByLabel('What is done, in words').fill('Try the clear liquor')
  await page.getByRole('button', { name: 'Add it' }).click()
  await step(page, /Try the clear liquor/).click()
  const card = page.getByRole('region', { name: 'Spot tests' })
  await card.getByRole('button', { name: 'Zn: cloud' }).click()
  await expect(card).toContainText('Now add H2SO4 to the other portion.')
  await card.getByRole('button', { name: 'H2SO4: clear' }).click()
  await expect(card).toContainText('Zn gives a cloud: H2SO4 was in excess, Zn was the limiting reagent.')
  await card.getByRole('button', { name: 'H2SO4: cloud' }).click()
  await expect(card).toContainText('Contradictory')
})

test('a procedure is edited, kept as a template, and taken in another batch', async ({ page, request }) => {
  const code = await beginZinc(request)
  await page.goto(`/batches/${code}/procedure`)
  const way = page.getByRole('region', { name: 'How it is won' })
  const steps = page.getByRole('list', { name: 'Steps' })
  await expect(way).toContainText('much more soluble hot than cold')
  await expect(way.getByRole('list', { name: 'Cautions' })).toContainText('Hydrogen')
  await expect(steps.getByRole('listitem').filter({ hasText: 'in 12 portions' })).toContainText(
    /leaves: as gas 0\.2\d+.g H2/,
  )
  await way.getByText('The ways side by side').click()
  await expect(way.getByRole('row', { name: /^take to dryness/ })).toContainText('100 %')
  await way
    .getByRole('row', { name: /^take to dryness/ })
    .getByRole('button', { name: 'take this' })
    .click()
  await expect(steps.getByRole('listitem').filter({ hasText: 'Evaporate gently' })).toBeVisible()
  await way.getByLabel('How the product is won').selectOption('')
  await page.getByRole('button', { name: 'Change step 12' }).click()
  await page.getByLabel('How often').fill('3')
  await page.getByLabel('Then wait').fill('5 apples')
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeDisabled()
  await page.getByLabel('Then wait').fill('5 min')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await page.getByRole('button', { name: 'Double step 1', exact: true }).click()
  await page.getByRole('button', { name: 'Delete step 2', exact: true }).click()
  await page.getByRole('button', { name: 'Move step 2 up' }).click()
  await expect(page.getByRole('list', { name: 'Steps' }).getByRole('listitem').first()).toContainText('Measure')
  await expectAccessible(page)
  const name = `Zinc, ours ${code}`
  await page.getByLabel('Save this one as').fill(name)
  await page.getByRole('button', { name: 'Save as a template' }).click()
  await expect(page.getByText(`Saved as “${name}”.`)).toBeVisible()
  const other = await beginZinc(request)
  await page.goto(`/batches/${other}/procedure`)
  await page
    .getByLabel('Templates')
    .getByRole('listitem')
    .filter({ hasText: name })
    .getByRole('button', { name: 'take' })
    .click()
  await expect(page.getByRole('list', { name: 'Steps' }).getByRole('listitem').first()).toContainText('Measure')
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
  await page.getByRole('link', { name: 'To the run' }).click()
  await expect(heading(page)).toContainText('Measure')
})

test('a photo is kept beside the step, on the device while the server is away, and what is not a picture is refused', async ({
  page,
  request,
}) => {
  const code = await beginZinc(request)
  await page.goto(`/batches/${code}/run`)
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  )
  await page.route('**/photos', route => route.abort())
  await page.getByLabel('Picture').setInputFiles({ name: 'dish.png', mimeType: 'image/png', buffer: png })
  await expect(page.getByText('1 picture is kept on this device')).toBeVisible()
  await page.unroute('**/photos')
  await page.reload()
  await expect(journal(page).getByRole('img')).toBeVisible()
  await page
    .getByLabel('Picture')
    .setInputFiles({ name: 'dish.png', mimeType: 'image/png', buffer: Buffer.from('<svg onload="alert(1)"/>') })
  await expect(page.getByRole('main').getByRole('alert')).toContainText('This is not a JPEG, PNG or WebP picture')
})
