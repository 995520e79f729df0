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
