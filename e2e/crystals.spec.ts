import { expect, test, type Page } from '@playwright/test'
import { expectAccessible } from './accessible'

async function begin(page: Page, product: string, equation: string): Promise<string> {
  const { code } = await (await page.request.post('/api/batches', { data: { product, equation } })).json()
  return code
}

/*
 * On paper: 39.1 g of K2CO3 (0.283 mol) and 0.566 mol HNO3 in 100 g of water make 57.2 g of KNO3. At 10 °C 20.9 g stay in every 100 g of
 * water.
 */
test('crystals: the crop on the way to the cold, dragged, typed, washed, and taken to the sheet', async ({ page }) => {
  const code = await begin(page, 'KNO3', 'KOH + HNO3 -> KNO3 + H2O')
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Charge of KOH').fill('31.7 g')
  await page.getByLabel('Supply of HNO3').click()
  await page.getByLabel(/^Strength/).fill('30 % w/w')
  await page.getByRole('navigation', { name: 'Batch' }).getByRole('link', { name: 'Procedure' }).click()

  const moves = page.getByRole('list', { name: 'Operations' })
  await expect(moves.getByRole('listitem').first()).toContainText('Heat to')
  await expect(page.getByText('% of what could be').first()).toBeVisible()
  await expectAccessible(page)

  await test.step('typed: what does not read is told at its move, what is off the curve too', async () => {
    await page.getByLabel('Temperature, operation 1').fill('warm')
    await expect(page.getByText('This cannot be understood as a number with a unit.').first()).toBeVisible()
    await page.getByLabel('Temperature, operation 1').fill('140 °C')
    await expect(page.getByText('The solubility of KNO3 is not known at 140 °C.')).toBeVisible()
    await page.getByLabel('Temperature, operation 1').fill('80 °C')
    await expect(page.getByText('% of what could be').first()).toBeVisible()
  })

  await test.step('dragged by key on the chart', async () => {
    const handle = page.getByRole('slider', { name: 'Cool to' }).first()
    await handle.focus()
    await page.keyboard.press('PageUp')
    await expect(page.getByLabel(/^Temperature, operation [23]$/)).toHaveValue('15 °C')
  })

  await test.step('washed as advised, dried as advised', async () => {
    await expect(page.getByRole('row', { name: /^ethanol/ })).toContainText('flammable')
    await page.getByRole('button', { name: /^Take 3 portions of water/ }).click()
    await expect(moves.getByText('Wash with water')).toHaveCount(3)
    await page.getByRole('button', { name: 'How to dry' }).click()
    await expect(page.getByRole('row', { name: /^oven/ })).toContainText('110 °C')
    await page.getByRole('button', { name: 'Recrystallise' }).click()
    await page.getByLabel('Suspected in it').fill('NaCl')
    await expect(page.getByText(/% pure against/)).toBeVisible()
    await expectAccessible(page)
  })

  await test.step('taken to the sheet, and to the run', async () => {
    await page.getByRole('button', { name: /^Expect \d+ % on the sheet/ }).click()
    await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
    await page.getByRole('navigation', { name: 'Batch' }).getByRole('link', { name: 'Run' }).click()
    await page
      .getByLabel('Steps')
      .getByRole('button', { name: /Cool to 15 °C/ })
      .click()
    await page.getByTestId('primary').click()
    await expect(page.getByRole('region', { name: 'Journal' })).toContainText('Cool to 15 °C')
    await page.getByLabel('Temperature of the pot').fill('78')
    await page.getByRole('button', { name: 'Record temperature' }).click()
    await page.getByRole('button', { name: 'Other readings' }).click()
    await page.getByLabel('Volume of the liquor').fill('90')
    await page.getByRole('button', { name: 'Record volume' }).click()
    await expect(page.getByRole('region', { name: 'Journal' })).toContainText('90 mL')
  })
})

test('the salt that is wanted is not the one that comes, and the page says what would give it', async ({ page }) => {
  await page.goto('/batches/CU-012/procedure')
  await page.getByRole('button', { name: 'Which salt first' }).click()
  await expect(page.getByText(/The salt you want (does not come|is not the first to come)\./)).toBeVisible({
    timeout: 60_000,
  })
  await expect(page.getByText('hardly dissolves and is filtered off').first()).toBeVisible()
  await page.getByRole('button', { name: 'Which solid where' }).click()
  const map = page.getByRole('group', { name: 'Which solid where' })
  await expect(map.getByRole('img', { name: /Which solids stand/ })).toBeVisible({ timeout: 60_000 })
  await expect(map.getByRole('listitem').filter({ hasText: 'all dissolved' })).toHaveCount(1)
  await expect(map.getByRole('listitem').filter({ hasText: 'K2Cu(SO4)2·6H2O + KCl' })).toHaveCount(1)
  await page.getByRole('button', { name: 'How to dry' }).click()
  await page.getByLabel('Humidity, %').fill('damp')
  await page.getByLabel('Room, °C').focus()
  await expect(page.getByText('Humidity is a number from 5 to 98 %')).toBeVisible()
  await page.getByLabel('Humidity, %').fill('90')
  await page.getByLabel('Room, °C').focus()
  await expect(page.getByRole('row', { name: /air, on paper/ })).toContainText('takes up water')
  await page.getByLabel('Humidity, %').fill('')
  await page.getByLabel('Room, °C').focus()
  await expect(page.getByRole('row', { name: /air, on paper/ })).not.toContainText('90 %')
  await expectAccessible(page)
})

test('a curve is drawn with its branches and where the batch stood, and what has none says why', async ({ page }) => {
  await page.goto('/batches/ZN-021/procedure')
  await page.getByRole('link', { name: 'This curve in the tables' }).click()
  await expect(page.getByRole('region', { name: 'The curve' }).getByRole('img', { name: /^Solubility/ })).toBeVisible()
  await page.goto('/tables?table=solubility&q=chromium')
  await expect(page.getByRole('region', { name: 'Without a curve' })).toContainText('turn into each other over hours')
  await expectAccessible(page)
})

test('a curve of the lab’s own makes a crop that the table could not tell', async ({ page }) => {
  await page.goto('/batches/CU-010/procedure?stage=s3')
  await expect(page.getByText('How much comes is not known.').first()).toBeVisible()
  await page.goto('/tables?table=solubility')
  await page.getByRole('button', { name: 'Add a curve of your own' }).click()
  await page.getByLabel('Salt, without its waters').fill('K2[Cu(C2O4)2]')
  await page.getByLabel('Waters of the solid').fill('2')
  await page.getByLabel('Where it comes from').fill('our own, by weighing')
  await page.getByLabel(/^°C and g in 100 g water/).fill('temperature,grams\n10,x')
  await expect(page.getByText('“10 x” is no temperature and mass')).toBeVisible()
  await page.getByLabel(/^°C and g in 100 g water/).fill('temperature,grams\n5,2.1\n25,4.6\n80,24')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Add the curve' }).click()
  await expect(page.getByText('your lab’s', { exact: true })).toBeVisible()
  await page.goto('/batches/CU-010/procedure?stage=s3')
  await expect(page.getByText('% of what could be').first()).toBeVisible()
  await page.goto('/tables?table=solubility')
  await page.getByRole('button', { name: 'Take the curve of K2[Cu(C2O4)2] out' }).click()
  await expect(page.getByText('your lab’s', { exact: true })).toHaveCount(0)
})

/*
 * On paper: 2.443 g of BaCl2·2H2O (0.0100 mol) make 2.334 g of BaSO4; in 200 mL with a tenth too much sulfate 7.8 µg stay dissolved, and
 * 100 mL of water take 0.25 mg at most.
 */
test('crystals: a sparingly soluble salt is thrown down, and what stays and washes out is told', async ({ page }) => {
  const code = await begin(page, 'BaSO4', 'BaCl2 + Na2SO4 -> BaSO4 + 2 NaCl')
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Charge of BaCl2').fill('2.082 g')
  await page.getByRole('navigation', { name: 'Batch' }).getByRole('link', { name: 'Procedure' }).click()
  await expect(page.getByText('is sparingly soluble: it comes down as it is made')).toBeVisible()
  await expect(page.getByLabel('So much of it, at most')).toHaveValue('2.334 g')
  await page.getByLabel('Liquor, all together').fill('a cup')
  await expect(page.getByText('This cannot be understood as a number with a unit.')).toBeVisible()
  await page.getByLabel('Liquor, all together').fill('200 mL')
  const tenth = page.getByRole('row', { name: /^10 %/ })
  await expect(tenth).toContainText('over 99.999 %')
  await expect(tenth).toContainText('0.0078 mg')
  await expect(page.getByText(/takes at most 0.25.mg/)).toBeVisible()
  await page.getByLabel('Salt', { exact: true }).fill('NaCl')
  await expect(page.getByText('no solubility product of two ions for NaCl')).toBeVisible()
  await page.getByLabel('Salt', { exact: true }).fill('BaSO4')
  await expectAccessible(page)
})
