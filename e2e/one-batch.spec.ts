import { expect, test } from '@playwright/test'
import { expectAccessible } from './accessible'

/*
 * On paper: 6.00 g of 99 % CoCO3 is 5.94 g ÷ 118.94 g/mol = 49.94 mmol. 30.0 mL of 3.00 mol/L HCl is 90.0 mmol and takes 45.0 mmol of
 * carbonate, so the acid limits: 45.0 mmol × 237.92 g/mol = 10.71 g of CoCl2·6H2O. What was really charged is 31.0 mL: 46.5 mmol,
 * 11.063 g. The product weighs 52.310 g − 43.200 g = 9.110 g: 82.3 %. As CoCl2 (129.83 g/mol) the same mass would be 150.9 %.
 */

test('a batch goes from its equation to a yield that can be checked on paper', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('hands')
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Plan a batch' }).click()
  await page.getByRole('button', { name: /Type the equation instead/ }).click()

  await test.step('plan: the problem stands under the characters that cause it', async () => {
    await page.getByLabel('Product, in the form you will isolate').fill('CoCl2.6H2O')
    const equation = page.getByLabel('Equation')
    await equation.fill('CoCO3 + HCl -> CoCl2 + H2O + Co2x')
    await expect(page.locator('mark')).toHaveText('x')
    await equation.fill('CoCO3 + HCl -> CoCl2 + H2O')
    await expect(page.getByText('C cannot balance: it stands only on the left.')).toBeVisible()
    await expectAccessible(page)
    await equation.fill('CoCO3 + HCl -> CoCl2 + H2O + CO2')
    await expect(page.getByText('Balanced: every element is accounted for.')).toBeVisible()
    await page.getByLabel('Title, if you want one').fill('Cobalt chloride, a test')
    await page.getByRole('button', { name: 'Begin the batch' }).click()
    await expect(page).toHaveURL(/\/batches\/CO-\d+\/sheet$/)
  })

  await test.step('sheet: charges typed, the rest follows, the bottle is not the formula', async () => {
    await expect(page.getByText('Nothing sets the scale of this stage.')).toBeVisible()
    await page.getByLabel('Supply of HCl').click()
    await page.getByRole('radio', { name: 'Solution' }).click()
    await page.getByLabel(/^Strength/).fill('3.00 mol/L')
    await page.getByLabel('Supply of CoCO3').click()
    await page.getByLabel('Assay, by mass').fill('99 %')
    await page.keyboard.press('Escape')

    await page.getByLabel('Charge of CoCO3').fill('6,000 g')
    await expect(page.getByText('A comma could be a decimal sign or a thousands sign.')).toBeVisible()
    await page.getByLabel('Charge of CoCO3').fill('6,00 g')
    await expect(page.getByLabel('Charge of HCl')).toHaveValue(/^33\.3\d*\smL$/)
    await page.getByLabel('Charge of HCl').fill('30.0 mL')
    await expect(page.getByRole('button', { name: /^Theoretical yield of CoCl2: 10\.71/ })).toBeVisible()
    await expect(page.getByRole('button', { name: /^Equivalents of CoCO3: 1\.11/ })).toBeVisible()
    await expect(page.getByText('filtered off', { exact: true })).toBeVisible()
    await page.getByRole('button', { name: /^Moles of HCl/ }).click()
    await expect(page.getByRole('region', { name: 'Working' })).toContainText('30.0 mL × 3.00 mol/L')
    await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
    await expectAccessible(page)
    await page.reload()
    await expect(page.getByLabel('Charge of HCl')).toHaveValue('30.0 mL')
  })

  await test.step('run: the balance, a slip and its correction, a volume, an observation', async () => {
    await page.getByRole('navigation', { name: 'Batch' }).getByRole('link', { name: 'Run' }).click()
    await page.getByLabel('Tare: empty vessel').fill('24.10')
    await page.getByRole('button', { name: 'Record tare' }).click()
    await page.getByLabel('Gross: vessel with it').fill('31.00')
    await page.getByRole('button', { name: 'Record gross' }).click()
    await expect(page.getByTestId('net')).toHaveText(/6\.90\sg/)
    await page.getByRole('button', { name: 'Correct Gross of CoCO3' }).click()
    await page.getByRole('button', { name: 'Record the correction' }).click()
    await expect(page.getByText('A correction says why.')).toBeVisible()
    await page.getByLabel('It should read').fill('30.10 g')
    await page.getByLabel('Why').fill('digits misread')
    await page.getByRole('button', { name: 'Record the correction' }).click()
    await expect(page.getByTestId('net')).toHaveText(/6\.00\sg/)
    await expect(page.locator('s', { hasText: '31.00 g' })).toBeVisible()
    await expectAccessible(page)

    await page
      .getByLabel('Steps')
      .getByRole('button', { name: /Measure hydrogen chloride|Measure hydrochloric acid/ })
      .click()
    await page.getByLabel('Volume', { exact: true }).fill('31.0 mL')
    await page.getByRole('button', { name: 'Record volume' }).click()

    await page
      .getByLabel('Steps')
      .getByRole('button', { name: /Add cobalt.* carbonate/ })
      .click()
    await page.getByRole('button', { name: 'fizzing stopped' }).click()
    await expect(page.getByRole('region', { name: 'Journal' })).toContainText('fizzing stopped')
    await page
      .getByLabel('Steps')
      .getByRole('button', { name: /Weigh the empty paper/ })
      .click()
    await page.getByLabel('Resolution of the balance').selectOption('0.0001')
    await page.getByRole('button', { name: 'Put a vessel on' }).click()
    await expect(page.getByRole('button', { name: 'Take as tare' })).toBeDisabled()
    await expect(page.getByRole('button', { name: 'Take as tare' })).toBeEnabled()
    await page.getByRole('button', { name: 'Take as tare' }).click()
    await expect(page.getByRole('region', { name: 'Journal' })).toContainText(/Tare of crop 1\s*\d\d\.\d{4} g/)
    await page.getByLabel('Tare: empty vessel').fill('43.200')
    await page.getByRole('button', { name: 'Record tare' }).click()
    await page.getByLabel('Gross: vessel with it').fill('52.310')
    await page.getByRole('button', { name: 'Record gross' }).click()
    await expect(page.getByTestId('net')).toHaveText(/9\.110\sg/)
  })

  await test.step('yield: on what was really charged', async () => {
    await page.getByRole('navigation', { name: 'Batch' }).getByRole('link', { name: 'Yield' }).click()
    await expect(page.getByTestId('percent')).toHaveText(/^82\.[34]\s%$/)
    await expect(page.getByRole('button', { name: /^Yield as CoCl2: 150\.[89]/ })).toBeVisible()
    await page.getByTestId('percent').click()
    await expect(page.getByRole('region', { name: 'Working' })).toContainText('52.310 g − 43.200 g')
    await expectAccessible(page)
    const code = new URL(page.url()).pathname.split('/')[2]!
    await page.getByRole('link', { name: 'Batches' }).click()
    await page.getByPlaceholder('Code, title or product').fill(code)
    await expect(page.getByRole('row')).toHaveCount(2)
    await expectAccessible(page)
  })
})
