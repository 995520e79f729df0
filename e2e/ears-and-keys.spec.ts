import { expect, test } from '@playwright/test'
import { expectAccessible } from './accessible'

test('what changes is said once, politely: the new step by its name and amount, the reading that was taken', async ({
  page,
  request,
}) => {
  const { code } = await (
    await request.post('/api/batches', { data: { product: 'ZnSO4.7H2O', equation: 'Zn + H2SO4 -> ZnSO4 + H2' } })
  ).json()
  const { document } = await (await request.get('/api/batches/ZN-021')).json()
  const { version } = await (await request.get(`/api/batches/${code}`)).json()
  await request.put(`/api/batches/${code}`, { data: { version, document } })
  await page.goto(`/batches/${code}/run`)
  const said = page.getByTestId('said')
  await expect(page.getByTestId('primary')).toBeVisible()
  await page.keyboard.press('j')
  await expect(said).toContainText('Step 2 of 23. Measure sulfuric acid, 2.00 moles per litre: 66.0')
  await expect(said).toContainText('millilitres')
  await page.getByLabel('Volume', { exact: true }).first().fill('66.0 mL')
  await page.keyboard.press('Enter')
  await expect(said).toContainText('Recorded, volume: 66.0 millilitres')
})

test('a new page begins at its heading, and single keys can be switched off', async ({ page }) => {
  await page.goto('/batches/ZN-021/run')
  await expect(page.getByTestId('primary')).toBeVisible()
  const heading = page.getByRole('heading', { level: 1 })
  await page.keyboard.press('?')
  const keys = page.getByRole('dialog')
  await expectAccessible(page)
  await keys.getByLabel('Single keys act by themselves').uncheck()
  await page.keyboard.press('Escape')
  const before = await heading.textContent()
  await page.keyboard.press('j')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowUp')
  expect(await heading.textContent()).toBe(before)
  await page.keyboard.press('ArrowDown')
  await expect(heading).not.toHaveText(before!)
  await page.getByRole('link', { name: 'Batches', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Batches' })).toBeFocused()
})

test('numbers are read with a comma, kept with a point, and shown as chosen', async ({ page, request }) => {
  await page.goto('/batches/ZN-020/sheet')
  await expect(page.getByRole('button', { name: 'Theoretical yield of ZnSO4: 38.0 g. Show the working' })).toHaveText(
    /38\.0/,
  )
  await page.getByRole('button', { name: 'Keys, look and numbers' }).click()
  await page.getByLabel('Numbers are written').selectOption({ label: '5,21 g' })
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: /^Theoretical yield of ZnSO4/ })).toHaveText(/38,0/)
  const charge = page.getByLabel('Charge of H2SO4')
  await expect(charge).toHaveValue('66,0 mL')
  // Formulas are no measured values.
  await page.goto('/batches/CU-011/yield')
  await expect(page.getByText('0,5H2O')).toHaveCount(0)
  await page.goto('/batches/ZN-020/sheet')
  await charge.fill('66,5 mL')
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
  const kept = JSON.stringify(await (await request.get('/api/batches/ZN-020')).json())
  expect(kept).toContain('66.5 mL')
  await charge.fill('66,0 mL')
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
})

test('two pedals: one takes the reading, the other goes on; a vessel comes back with what it holds', async ({
  page,
}) => {
  await page.goto('/batches/NI-014/run?stage=s1')
  const steps = page.getByLabel('Steps')
  await steps
    .getByRole('button', { name: /Weigh nickel/ })
    .first()
    .click()
  await page.getByRole('button', { name: /^(Put a vessel on|Another vessel)$/ }).click()
  await expect(page.getByText('steady', { exact: true })).toBeVisible()
  const empty = await page.getByTestId('display').innerText()
  await page.keyboard.press('PageUp')
  await expect(page.getByRole('region', { name: 'Journal' })).toContainText(empty.replace('\u202f', ' '))
  await page.getByRole('button', { name: '+ 1 g' }).click()
  await page.getByRole('button', { name: 'Another vessel' }).click()
  await page.getByRole('button', { name: 'Vessel 1 back on' }).click()
  await expect(page.getByText('steady', { exact: true })).toBeVisible()
  const full = await page.getByTestId('display').innerText()
  expect(parseFloat(full) - parseFloat(empty)).toBeGreaterThan(0.85)
  expect(parseFloat(full) - parseFloat(empty)).toBeLessThan(1.15)
  const before = await page.getByRole('heading', { level: 1 }).innerText()
  await page.keyboard.press('PageDown')
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(before)
})

test('a step of the bench is moved by the keys that a press opens, and the focus comes back', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Week' }).click()
  const step = page.locator('button.span').first()
  await expect(step).toBeVisible()
  const was = (await step.getAttribute('title'))!
  await step.focus()
  await page.keyboard.press('Enter')
  const bar = page.getByRole('group', { name: /^Move / })
  await expect(bar.getByRole('button').first()).toBeFocused()
  await bar.getByRole('button', { name: '1 h later' }).click()
  await expect(page.locator('button.span').first()).not.toHaveAttribute('title', was)
  await page.keyboard.press('Escape')
  await expect(bar).toHaveCount(0)
  await expect(page.locator('button.span').first()).toBeFocused()
})

test('a page that nobody touched says that its clocks may not sound, and is let by a press', async ({
  page,
  request,
}) => {
  const { code } = await (
    await request.post('/api/batches', { data: { product: 'KCl', equation: 'KOH + HCl -> KCl + H2O' } })
  ).json()
  const { people } = await (await request.get('/api/lab')).json()
  const clock = {
    id: crypto.randomUUID(),
    kind: 'timer',
    at: new Date().toISOString(),
    by: people[0].id,
    stage: 's1',
    timer: crypto.randomUUID(),
    what: 'start',
    name: 'the dish',
    seconds: 3600,
  }
  expect((await request.post(`/api/batches/${code}/entries`, { data: { entries: [clock] } })).ok()).toBe(true)
  // Without a window this browser lets every page sound: here it keeps still until it is asked by a press.
  await page.addInitScript(() => {
    class Quiet {
      state = 'suspended'
      onstatechange: (() => void) | null = null
      resume(): Promise<void> {
        this.state = 'running'
        this.onstatechange?.()
        return Promise.resolve()
      }
    }
    Object.assign(window, { AudioContext: Quiet })
  })
  await page.goto('/')
  const ask = page.getByRole('button', { name: /turn the sound on/ })
  await expect(page.getByLabel('Clocks')).toContainText('the dish')
  await ask.click()
  await expect(ask).toHaveCount(0)
})
