import { expect, test, type Page } from '@playwright/test'

async function beginZinc(page: Page): Promise<string> {
  const answer = await page.request.post('/api/batches', {
    data: { product: 'ZnSO4.7H2O', equation: 'Zn + H2SO4 -> ZnSO4 + H2' },
  })
  return (await answer.json()).code
}
const saved = (page: Page) => page.getByRole('status').filter({ hasText: /^Saved$/ })

test('two tabs on one batch do not overwrite each other in silence', async ({ page, context }) => {
  const code = await beginZinc(page)
  const other = await context.newPage()
  // Neither hears of the other's changes before it saves, as on a bad network.
  for (const tab of [page, other]) await tab.route(/\/api\/(live|changes)/, route => route.abort())
  await page.goto(`/batches/${code}/sheet`)
  await other.goto(`/batches/${code}/sheet`)

  await page.getByLabel('Charge of Zn').fill('5.00 g')
  await expect(saved(page)).toBeVisible()
  await other.getByLabel('Charge of Zn').fill('7.00 g')
  const banner = other.getByRole('alert')
  await expect(banner).toContainText('changed from somewhere else too')
  await expect(banner).toContainText('5.00 g')
  await expect(banner).toContainText('7.00 g')
  await banner.getByRole('button', { name: 'Keep mine', exact: true }).click()
  await expect(saved(other)).toBeVisible()

  await page.getByLabel('Charge of Zn').fill('6.00 g')
  await page.getByRole('alert').getByRole('button', { name: 'Take theirs', exact: true }).click()
  await expect(page.getByLabel('Charge of Zn')).toHaveValue('7.00 g')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('Charge of Zn')).toHaveValue('6.00 g')
})

test('what is typed while the server is away is kept, also over a reload, and saved when it is back', async ({
  page,
}) => {
  const code = await beginZinc(page)
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Charge of Zn').fill('5.00 g')
  await expect(saved(page)).toBeVisible()

  let isAway = true
  await page.route('**/api/batches/**', route =>
    isAway && route.request().method() !== 'GET'
      ? route.fulfill({
          status: 503,
          contentType: 'application/problem+json',
          body: '{"status":503,"title":"Service Unavailable","detail":"away"}',
        })
      : route.continue(),
  )
  await page.getByLabel('Charge of Zn').fill('8.00 g')
  await expect(page.getByText('Kept on this device; server not reached')).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Charge of Zn')).toHaveValue('8.00 g')
  await page.getByRole('navigation', { name: 'Batch' }).getByRole('link', { name: 'Run' }).click()
  await page.getByLabel('In words').fill('all dissolved')
  await page.getByRole('button', { name: 'Seen', exact: true }).click()
  await expect(page.getByText('1 not saved yet.').first()).toBeVisible()
  await page.reload()
  await expect(page.getByRole('region', { name: 'Journal' })).toContainText('all dissolved')

  isAway = false
  await expect(page.getByText('not saved yet')).toHaveCount(0)
  await page.getByRole('navigation', { name: 'Batch' }).getByRole('link', { name: 'Sheet' }).click()
  await expect(saved(page)).toBeVisible()
  const { document } = await (await page.request.get(`/api/batches/${code}`)).json()
  expect(document.plan.stages[0].reagents[0].charge).toEqual({ mass: '8.00 g' })
  expect(await (await page.request.get(`/api/batches/${code}/entries`)).json()).toHaveLength(1)
})

test('a figure that does not read is kept where it was typed, is not saved, and can be undone', async ({ page }) => {
  const code = await beginZinc(page)
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Charge of Zn').fill('5.00 g')
  await expect(saved(page)).toBeVisible()
  await page.getByLabel('Charge of Zn').fill('-5.00 g')
  await expect(page.getByText('This is below zero, which cannot be.')).toBeVisible()
  await expect(page.getByText('Kept here, saved once it can be understood')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Theoretical yield/ })).toHaveCount(0)
  await page.reload()
  await expect(page.getByLabel('Charge of Zn')).toHaveValue('-5.00 g')
  expect(
    (await (await page.request.get(`/api/batches/${code}`)).json()).document.plan.stages[0].reagents[0].charge,
  ).toEqual({ mass: '5.00 g' })
  await page.getByLabel('Charge of Zn').fill('5.50 g')
  await expect(page.getByRole('button', { name: /^Theoretical yield of ZnSO4: 24\.19/ })).toBeVisible()
})

test('the sheet works by keyboard: target, pin, undo, finder, keys', async ({ page }) => {
  const code = await beginZinc(page)
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Target mass of ZnSO4').focus()
  await page.keyboard.type('28.754 g')
  await expect(page.getByLabel('Charge of Zn')).toHaveValue('6.538 g')
  await page.getByRole('button', { name: 'Let Zn set the scale' }).press('Enter')
  await expect(page.getByLabel('Target mass of ZnSO4')).toHaveValue('')
  await page.getByLabel('Charge of Zn').focus()
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Charge of H2SO4')).toBeFocused()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('Target mass of ZnSO4')).toHaveValue('28.754 g')

  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('undo a change of the plan')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.keyboard.press('Escape')
  await page.keyboard.press('/')
  await expect(page.getByRole('combobox', { name: 'Find a batch' })).toBeFocused()
  await page.keyboard.type('CO-003')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/CO-003\/yield/)
})

test('two devices that change different fields both keep theirs, and are asked about none', async ({
  page,
  context,
}) => {
  const code = await beginZinc(page)
  const other = await context.newPage()
  for (const tab of [page, other]) await tab.route(/\/api\/(live|changes)/, route => route.abort())
  await page.goto(`/batches/${code}/sheet`)
  await other.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Charge of Zn').fill('5.00 g')
  await expect(saved(page)).toBeVisible()
  await other.getByRole('textbox', { name: 'Title' }).fill('Zinc sulfate, merged')
  await expect(saved(other)).toBeVisible()
  await expect(other.getByRole('alert')).toHaveCount(0)
  await expect(other.getByLabel('Charge of Zn')).toHaveValue('5.00 g')
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue('Zinc sulfate, merged')
})

test('a value typed while an older one is on its way is not lost when another batch is opened', async ({ page }) => {
  const [first, second] = [await beginZinc(page), await beginZinc(page)]
  await page.goto(`/batches/${first}/sheet`)
  let release = (): void => {}
  const held = new Promise<void>(resolve => (release = resolve))
  await page.route(`**/api/batches/${first}`, async route => {
    if (route.request().method() === 'PUT') await held
    await route.continue()
  })
  const under = page.waitForRequest(request => request.method() === 'PUT')
  await page.getByLabel('Charge of Zn').fill('5.00 g')
  await under
  await page.getByLabel('Charge of Zn').fill('6.00 g')
  await page.goto(`/batches/${second}/sheet`)
  release()
  await expect(page.getByLabel('Charge of Zn')).toBeVisible()
  await page.unroute(`**/api/batches/${first}`)
  await page.goto(`/batches/${first}/sheet`)
  await expect(page.getByLabel('Charge of Zn')).toHaveValue('6.00 g')
  await expect(saved(page)).toBeVisible()
})

test('an answer that is not the server’s own settles nothing', async ({ page }) => {
  const code = await beginZinc(page)
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Charge of Zn').fill('5.00 g')
  await expect(saved(page)).toBeVisible()
  let answers = 0
  await page.route('**/entries', route => {
    if (route.request().method() !== 'POST') return route.continue()
    answers += 1
    return answers === 1
      ? route.fulfill({ status: 200, contentType: 'text/html', body: '<h1>Welcome to the guest network</h1>' })
      : answers === 2
        ? route.fulfill({ status: 200, contentType: 'application/json', body: '[]' })
        : route.continue()
  })
  await page.goto(`/batches/${code}/run`)
  await page.getByLabel('In words').fill('kept through a strange answer')
  await page.getByRole('button', { name: 'Seen', exact: true }).click()
  await expect(page.getByText('1 not saved yet.').first()).toBeVisible()
  await expect.poll(() => answers).toBeGreaterThan(2)
  await expect(page.getByText('Everything recorded is saved.')).toBeVisible()
  const stored = await (await page.request.get(`/api/batches/${code}/entries`)).json()
  expect(stored.map(({ entry }: { entry: { text: string } }) => entry.text)).toEqual(['kept through a strange answer'])
})

test('a device without room says so, and loses nothing while the tab is open', async ({ page }) => {
  const code = await beginZinc(page)
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Charge of Zn').fill('5.00 g')
  await expect(saved(page)).toBeVisible()
  await page.goto(`/batches/${code}/run`)
  await page.evaluate(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
  })
  await page.route('**/entries', route => (route.request().method() === 'POST' ? route.abort() : route.continue()))
  await page.getByLabel('In words').fill('no room')
  await page.getByRole('button', { name: 'Seen', exact: true }).click()
  await expect(page.getByText('This device’s storage is full.')).toBeVisible()
  await page.unroute('**/entries')
  await expect(page.getByText('Everything recorded is saved.')).toBeVisible()
  await expect(page.getByText('This device’s storage is full.')).toHaveCount(0)
})

test('eight tabs share one stream, and each of them saves', async ({ context, page }) => {
  const code = await beginZinc(page)
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Charge of Zn').fill('5.00 g')
  await expect(saved(page)).toBeVisible()
  await page.goto('about:blank')
  const tabs = [page, ...(await Promise.all(Array.from({ length: 7 }, () => context.newPage())))]
  let streams = 0
  await context.route('**/api/live', route => {
    streams += 1
    return route.continue()
  })
  for (const tab of tabs) await tab.goto(`/batches/${code}/run`)
  const last = tabs.at(-1)!
  await last.getByLabel('In words').fill('from the last tab')
  await last.getByRole('button', { name: 'Seen', exact: true }).click()
  await expect(last.getByText('Everything recorded is saved.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'Journal' })).toContainText('from the last tab')
  expect(streams).toBe(1)
})

test('two tabs keep their worksheets apart while the server is away', async ({ page, context }) => {
  const other = await context.newPage()
  for (const [tab, name] of [
    [page, 'left tab'],
    [other, 'right tab'],
  ] as const) {
    await tab.route('**/api/assays', route => route.abort())
    await tab.goto('/assays')
    await expect(tab.getByText('Server not reached; trying again.')).toBeVisible()
    await tab.getByRole('button', { name: 'Washes' }).click()
    await tab.getByLabel('Name', { exact: true }).fill(name)
  }
  const kept = (tab: Page, name: string) => tab.getByRole('button', { name, exact: true })
  await page.reload()
  await expect(kept(page, 'left tab')).toBeVisible()
  await expect(kept(page, 'right tab')).toHaveCount(0)
  await other.reload()
  await expect(kept(other, 'right tab')).toBeVisible()
  await expect(kept(other, 'left tab')).toHaveCount(0)
  // A tab that closes leaves what it kept to the next.
  await other.close()
  await page.reload()
  await expect(kept(page, 'right tab')).toBeVisible()
  await expect(kept(page, 'left tab')).toBeVisible()
})
