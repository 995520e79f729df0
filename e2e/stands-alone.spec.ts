import { expect, test, type Page } from '@playwright/test'

async function begin(page: Page, product: string, equation: string): Promise<string> {
  const answer = await page.request.post('/api/batches', { data: { product, equation } })
  expect(answer.status()).toBe(201)
  return (await answer.json()).code
}

/** Salts whose curves have a gap between two hydrates, or none where they are dried. */
const gaps = [
  ['MnCl2.4H2O', 'MnO2 + HCl -> MnCl2 + Cl2 + H2O', 'MnO2'],
  ['NiCl2.6H2O', 'NiCO3 + HCl -> NiCl2 + CO2 + H2O', 'NiCO3'],
  ['LiNO3.3H2O', 'Li2CO3 + HNO3 -> LiNO3 + CO2 + H2O', 'Li2CO3'],
  ['CaCl2.4H2O', 'CaCO3 + HCl -> CaCl2 + CO2 + H2O', 'CaCO3'],
] as const

test('every page of a batch stands where the solubility curve has a gap', async ({ page }) => {
  const broken: string[] = []
  page.on('pageerror', error => broken.push(String(error)))
  for (const [product, equation, reagent] of gaps) {
    const code = await begin(page, product, equation)
    await page.goto(`/batches/${code}/sheet`)
    await page.getByLabel(`Charge of ${reagent}`).fill('10.0 g')
    await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
    for (const name of ['procedure', 'run', 'yield']) {
      await page.goto(`/batches/${code}/${name}`)
      await expect(page.locator('h1').first()).toBeVisible()
      await expect(page.getByText('could not be worked out')).toHaveCount(0)
    }
    await page.goto(`/batches/${code}/run`)
    await expect(page.getByRole('heading', { level: 1 })).toContainText(`Weigh ${reagent}`)
  }
  expect(broken).toEqual([])
})

test('a part that fails is said in its place, and comes back when it is tried again', async ({ page }) => {
  const code = await begin(page, 'ZnSO4.7H2O', 'Zn + H2SO4 -> ZnSO4 + H2')
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Charge of Zn').fill('5.00 g')
  let isCut = true
  await page.route('**/_nuxt/*.js', async route => {
    const answer = await route.fetch()
    const isChart = (await answer.text()).includes('visualMap')
    await (isCut && isChart ? route.abort() : route.fulfill({ response: answer }))
  })
  await page.goto(`/batches/${code}/procedure`)
  const failed = page.getByRole('alert').filter({ hasText: 'The chart could not be worked out.' })
  await expect(failed).toBeVisible()
  await expect(page.getByText(/of what could be/)).toBeVisible()
  await expect(page.getByRole('navigation', { name: 'Advice' })).toBeVisible()
  isCut = false
  await failed.getByRole('button', { name: 'Try again' }).click()
  await expect(failed).toHaveCount(0)
  await expect(page.locator('canvas').first()).toBeVisible()
})

test('a text in a closed panel that does not read is shown after a reload, and the rest is computed', async ({
  page,
}) => {
  const code = await begin(page, 'ZnSO4.7H2O', 'Zn + H2SO4 -> ZnSO4 + H2')
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Charge of Zn').fill('5.00 g')
  await page.getByRole('group', { name: 'The stage in figures' }).getByRole('button', { name: /Water/ }).click()
  await page.getByLabel('Water as solvent').fill('300 mL methanol')
  await expect(page.getByRole('table').first()).toContainText('21.99')
  await page.reload()

  const list = page.getByRole('status', { name: 'What cannot be understood' })
  await expect(list).toContainText('Water as solvent')
  await expect(list).toContainText('mL methanol')
  await expect(page.getByRole('table').first()).toContainText('21.99')
  await expect(page.getByRole('group', { name: 'The stage in figures' })).toContainText('cannot be understood')
  await page.getByRole('button', { name: 'Undo' }).isEnabled()

  await list.getByRole('button', { name: /Show it/ }).click()
  await expect(page.getByLabel('Water as solvent')).toBeFocused()
  await page.getByLabel('Water as solvent').fill('300 mL')
  await expect(list).toHaveCount(0)
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
})

test('the form as weighed can be cleared and typed anew', async ({ page }) => {
  const code = await begin(page, 'BaSO4', 'BaCl2 + Na2SO4 -> BaSO4 + NaCl')
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Charge of Na2SO4').fill('4.076 g')
  await page
    .getByRole('button', { name: /BaCl2 comes as|Supply of BaCl2|How BaCl2 comes/ })
    .first()
    .click()
  await page.getByRole('button', { name: 'barium chloride dihydrate' }).click()
  const form = page.getByLabel('Form as weighed')
  await form.fill('')
  await form.pressSequentially('BaCl2.2H2O')
  await expect(form).toHaveValue('BaCl2.2H2O')
  // 4.076 g / 142.04 g/mol = 28.70 mmol; × 244.26 g/mol = 7.009 g.
  await expect(page.getByLabel('Charge of BaCl2')).toHaveValue(/^7\.0(09|10)/)
})
