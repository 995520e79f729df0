import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'

async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze()
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map(node => node.target).join(' ')}`)).toEqual([])
}

test('a yield over 100 % is explained by what the batch makes possible, and every mole is booked', async ({ page }) => {
  await page.goto('/batches/MO-002/yield')
  const why = page.getByRole('region', { name: 'What would explain it' })
  await expect(why).toContainText('more than was possible')
  await expect(why.getByRole('listitem').first()).toContainText('Still wet')
  await expect(why.getByRole('listitem').first()).toContainText('It was weighed once')
  const ledger = page.getByRole('region', { name: 'Ledger of matter' })
  await expect(ledger.getByRole('row', { name: /^Mo / })).toContainText('too many')
  await expectAccessible(page)
})

test('an assay is worked out as it is typed, with its spread, its doubts and its problems in place', async ({
  page,
  request,
}) => {
  const { code } = await (
    await request.post('/api/batches', {
      data: { product: '(NH4)2Ni(SO4)2.6H2O', equation: 'NiSO4 + (NH4)2SO4 -> (NH4)2Ni(SO4)2', title: 'An assay' },
    })
  ).json()
  await page.goto(`/batches/${code}/assay`)
  await expect(page.getByText('No assay yet.')).toBeVisible()
  await page.getByRole('button', { name: 'Gravimetric' }).click()
  await page.getByLabel('Analyte').fill('Zn')
  await page.getByLabel('Weighed as').fill('Ni(C4H7N2O2)2')
  await expect(page.getByText(/does not hold Zn/)).toBeVisible()
  await page.getByLabel('Analyte').fill('Ni')
  // 0.1871 g × 0.20315 ÷ 0.2561 g = 14.84 %; 14.85 %; and one that a misread digit makes 15.6 %.
  const rows = [
    ['0.2561 g', '24.1311 g', '24.3182 g'],
    ['0.2498 g', '23.8804 g', '24.0630 g'],
    ['0.2603 g', '24.5519 g', '24.7522 g'],
  ]
  for (const [i, [sample, tare, gross]] of rows.entries()) {
    await page.getByLabel(`Sample, replicate ${i + 1}`).fill(sample!)
    await page.getByLabel(`Crucible or paper, replicate ${i + 1}`).fill(tare!)
    await page.getByLabel(`with the precipitate, replicate ${i + 1}`).fill(gross!)
  }
  await expect(page.getByText(/Replicate 3 stands out by Dixon’s test/)).toBeVisible()
  await page.getByLabel('with the precipitate, replicate 3').fill('24.4 g')
  await expect(page.getByText('This is below the empty vessel.')).toBeVisible()
  await page.getByLabel('with the precipitate, replicate 3').fill('24.7422 g')
  await expect(page.getByTestId('mean')).toHaveText(/^14\.84\d*\s%$/)
  await expect(page.getByText(/holds 14\.86 %/)).toBeVisible()
  await page.getByRole('button', { name: /^Analyte in the sample, replicate 1: 14\.84/ }).click()
  await expect(page.getByRole('region', { name: 'Working' })).toContainText('0.2561 g')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Write it into the journal' }).click()
  await expect(page.getByRole('button', { name: 'In the journal' })).toBeDisabled()
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
  await page.reload()
  await expect(page.getByTestId('mean')).toHaveText(/^14\.84\d*\s%$/)
})
