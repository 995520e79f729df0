import { expect, test, type Page } from '@playwright/test'
import { expectAccessible } from './accessible'

async function begin(page: Page, product: string, equation: string): Promise<string> {
  const { code } = await (await page.request.post('/api/batches', { data: { product, equation } })).json()
  return code
}

/*
 * On paper: 10.0 g of the double salt at 75 % is 10.0 ÷ 394.97 ÷ 0.75 = 33.76 mmol NiSO4; at 80 % the first stage must reach 42.20 mmol,
 * 11.09 g of NiSO4·6H2O at most. Its acid, 2.00 mol/L, is 21.10 mL, its carbonate 42.20 × 118.70 ÷ 0.98 = 5.111 g.
 */
test('a route of two stages runs backwards from its target, forwards from what was weighed, and grows', async ({
  page,
}) => {
  const code = await begin(page, '(NH4)2Ni(SO4)2.6H2O', 'NiSO4 + (NH4)2SO4 -> (NH4)2Ni(SO4)2')
  await page.goto(`/batches/${code}/route`)
  await test.step('a stage that makes the nickel sulfate, with the missing gas suggested', async () => {
    await page.getByRole('button', { name: 'Make NiSO4 in a stage of its own' }).click()
    await page.getByLabel('Its equation').fill('NiCO3 + H2SO4 -> NiSO4 + H2O')
    await page.getByRole('button', { name: 'NiCO3 + H2SO4 → NiSO4 + H2O + CO2' }).click()
    await page.getByRole('button', { name: 'Add the stage' }).click()
    await expect(page.getByRole('article')).toHaveCount(2)
    await page.getByLabel('Name of stage 1').fill('Nickel sulfate')
    await page.getByLabel('Expected yield of stage 1').fill('80 %')
    await page.getByLabel('Expected yield of stage 2').fill('75 %')
    await expectAccessible(page)
  })

  await test.step('backwards from the target', async () => {
    await page.getByRole('link', { name: 'Sheet of stage 2' }).click()
    await page.getByLabel('Target mass of (NH4)2Ni(SO4)2').fill('10.0 g')
    await page.getByRole('link', { name: /Nickel sulfate/ }).click()
    await page.getByLabel('Form of the product').click()
    await page
      .getByRole('button', { name: /nickel.* sulfate hexahydrate/ })
      .first()
      .click()
    await page.getByLabel('Supply of H2SO4').click()
    await page.getByLabel(/^Strength/).fill('2.00 mol/L')
    await page.getByLabel('Supply of NiCO3').click()
    await page.getByLabel('Assay, by mass').fill('98 %')
    await expect(page.getByLabel('Charge of H2SO4')).toHaveValue(/^21\.\d+ mL$/)
    await expect(page.getByLabel('Charge of NiCO3')).toHaveValue(/^5\.11\d? g$/)
    await expect(page.getByRole('button', { name: /^Theoretical yield of NiSO4: 11\.09/ })).toBeVisible()
  })

  await test.step('another bottle, and what it changes', async () => {
    await page.getByLabel('Supply of H2SO4').click()
    await page.getByRole('button', { name: 'I have something else instead' }).click()
    await expect(page.getByText('a usual strength').first()).toBeVisible()
    await page.getByRole('button', { name: 'Use 25 % w/w' }).click()
    await expect(page.getByRole('button', { name: 'Supply of H2SO4' })).toHaveText('25 % w/w')
    await page.getByRole('button', { name: 'Make this solution up' }).click()
    await expect(page.getByText('Acid into water')).toBeVisible()
    await expectAccessible(page)
  })

  await test.step('water, gas, heat, ions and excess each in a panel', async () => {
    await page.getByRole('button', { name: /^Water in the pot/ }).click()
    await page.getByLabel('Vessel', { exact: true }).fill('10 mL')
    await expect(page.getByText('This vessel is too small.')).toBeVisible()
    await page.getByLabel('Kept at').fill('warm')
    await expect(page.getByText('This cannot be understood as a number with a unit.')).toBeVisible()
    await page.getByLabel('Kept at').fill('60 °C')
    await page.getByRole('button', { name: /^Gas/ }).click()
    await expect(page.getByText('no trap needed')).toBeVisible()
    await page.getByRole('button', { name: /^Heat/ }).click()
    await expect(page.getByRole('region', { name: 'Heat' })).toContainText('no formation enthalpy for NiCO3')
    await page.getByRole('button', { name: /^In the water/ }).click()
    await expect(page.getByRole('region', { name: 'Ions and names' })).toContainText('No oxidation state changes.')
    await page.getByRole('button', { name: /^Excess of NiCO3/ }).click()
    await page.getByRole('button', { name: 'Take 10 % excess' }).click()
    await expect(page.getByLabel('Equivalents of NiCO3')).toHaveValue('10 %')
    await expectAccessible(page)
  })

  await test.step('twice as much', async () => {
    await page.getByRole('navigation', { name: 'Batch' }).getByRole('link', { name: 'Route' }).click()
    await page.getByRole('button', { name: 'Double it' }).click()
    await page.getByRole('link', { name: 'Sheet of stage 2' }).click()
    await expect(page.getByLabel('Target mass of (NH4)2Ni(SO4)2')).toHaveValue('20.0 g')
  })
})

test('several reactions are told, and the chemist says which runs', async ({ page }) => {
  const code = await begin(page, 'Cu(NO3)2.3H2O', 'Cu + HNO3 -> Cu(NO3)2 + NO + NO2 + H2O')
  await page.goto(`/batches/${code}/sheet`)
  const choice = page.getByRole('region', { name: 'Which reaction' })
  await expect(choice).toContainText('These species allow 2 reactions')
  await page.getByLabel('Charge of Cu', { exact: true }).fill('6.3546 g')
  await page.getByLabel('Share of 3 Cu + 8 HNO3 → 3 Cu(NO3)2 + 2 NO + 4 H2O').fill('60 %')
  await page.getByLabel('Share of Cu + 4 HNO3 → Cu(NO3)2 + 2 NO2 + 2 H2O').fill('40 %')
  await expect(page.getByRole('button', { name: /^Moles of HNO3: 320/ })).toBeVisible()
  await expectAccessible(page)
})

test('the tables answer a formula or a name, and hold a substance of the lab’s own', async ({ page }) => {
  await page.goto('/tables')
  await page.getByPlaceholder('Formula, name, or part of one').fill('copper(II) sulfate pentahydrate')
  await expect(page.getByRole('status').filter({ hasText: 'reads as' })).toContainText('CuSO4·5H2O')
  await expect(page.getByRole('article', { name: 'Substance' })).toContainText('96 °C')
  await expectAccessible(page)
  for (const name of [
    'Solubility',
    'Solubility products',
    'Formation enthalpies',
    'Exposure limits',
    'Densities',
    'Ligands',
    'Elements',
  ]) {
    await page.getByRole('link', { name, exact: true }).click()
    await expect(page.getByRole('link', { name, exact: true })).toHaveAttribute('aria-current', 'page')
  }
  await expectAccessible(page)

  await page.getByRole('link', { name: 'Substances', exact: true }).click()
  await page.getByPlaceholder('Formula, name, or part of one').fill('')
  await page.getByRole('button', { name: 'Add one of your own' }).click()
  await page.getByLabel('Formula', { exact: true }).fill('Ni(HCOO)2.2H2O')
  await page.getByLabel('Name', { exact: true }).fill('nickel formate, our batch')
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByText('is a hydrate.')).toBeVisible()
  await page.getByLabel('Formula', { exact: true }).fill('Ni(HCOO)2')
  await page.getByLabel('Waters of its forms').fill('0, 2')
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByRole('row', { name: /nickel formate, our batch/ })).toContainText('your lab’s')

  const code = await begin(page, 'Ni(HCOO)2.2H2O', 'NiCO3 + HCOOH -> Ni(HCOO)2 + H2O + CO2')
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Form of the product').click()
  await expect(page.getByRole('region', { name: 'Product' }).getByRole('button')).toHaveCount(3)
  await page.goto('/tables?q=formate')
  await page.getByRole('button', { name: 'Take this row out' }).click()
  await expect(page.getByRole('row', { name: /our batch/ })).toHaveCount(0)
})

test('a figure can be checked with a million draws', async ({ page }) => {
  await page.goto('/batches/CO-003/sheet')
  await page.getByRole('button', { name: /^Theoretical yield of CoCl2/ }).click()
  await page.getByRole('button', { name: 'Check with a million draws' }).click()
  await expect(page.getByText(/^The (deviation of the )?first order holds/)).toBeVisible()
})
