import { expect, test, type Page } from '@playwright/test'
import { expectAccessible } from './accessible'

const line = (page: Page) => page.getByLabel('What, how much, from what')
const card = (page: Page, n: number) => page.getByRole('article', { name: new RegExp(`^Route ${n}:`) })

/** Tab until what has the focus is called so, as somebody without a mouse does. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let presses = 0; presses < 60; presses++) {
    await page.keyboard.press('Tab')
    const text = await page.evaluate(() => {
      const at = document.activeElement
      const label = at instanceof HTMLInputElement ? at.labels?.[0]?.textContent : undefined
      return at?.getAttribute('aria-label') ?? label ?? at?.textContent ?? ''
    })
    if (name.test(text.trim())) return
  }
  throw new Error(`Nothing called ${name} takes the focus.`)
}

test('from the empty page to the first weight by the keys alone, as a person types', async ({ page }) => {
  await page.goto('/batches/new')
  await expect(line(page)).toBeFocused()
  const from = await page.evaluate(() => performance.now())
  // A person who types some sixty words a minute, with a slip.
  await page.keyboard.type('15 g nikel ammonium sulfate from nickel turnings', { delay: 120 })
  await expect(page.getByText('is read as nickel ammonium sulfate')).toBeVisible()
  await expect(card(page, 1)).toContainText('Ni+H2SO4→NiSO4+H2')
  await page.keyboard.press('Enter')
  await expect(card(page, 1).getByRole('button', { name: 'Plan this one' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/batches\/NI-\d{3}\/sheet\?stage=s1/)
  await expect(page.getByRole('heading', { level: 1 }).or(page.getByLabel(/title/i)).first()).toBeVisible()
  await tabTo(page, /^Run(?![a-z])/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/Weigh Ni/)
  await tabTo(page, /^(or )?net\b/i)
  await page.keyboard.type('2.24 g', { delay: 120 })
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'Journal' })).toContainText('2.24')
  const seconds = ((await page.evaluate(() => performance.now())) - from) / 1000
  test.info().annotations.push({ type: 'seconds to the first weight', description: seconds.toFixed(1) })

  // The plan is whole: two stages, the second of the first, the amount at its end.
  const code = /NI-\d{3}/.exec(page.url())![0]
  const { document } = await (await page.request.get(`/api/batches/${code}`)).json()
  expect(document.plan.stages).toMatchObject([
    { id: 's1', inPot: true, product: { species: 'NiSO4' } },
    { id: 's2', target: { mass: '15 g' }, product: { form: '(NH4)2Ni(SO4)2·6H2O' } },
  ])
  expect(document.plan.stages[1].reagents).toContainEqual({ species: 'NiSO4', supply: { kind: 'stage', from: 's1' } })
})

test('what cannot be is said with its reason, and the expert’s way is one key away', async ({ page }) => {
  await page.goto('/batches/new')
  await line(page).fill('10 g PbSO4 from lead and dilute')
  await expect(page.getByText('Nothing here is called')).toHaveCount(1)
  await line(page).fill('10 g aluminium carbonate from aluminium foil')
  await expect(page.getByText(/cannot be had from water/)).toBeVisible()
  await line(page).fill('5 g [Cu(NH3)4](ClO4)2 from CuO')
  await expect(page.getByText(/explode/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Plan this one' })).toHaveCount(0)
  await expectAccessible(page)

  await page.keyboard.press('Alt+e')
  await expect(page.getByLabel('Product, in the form you will isolate')).toBeVisible()
  await page.keyboard.press('Alt+e')
  await expect(line(page)).toHaveValue('5 g [Cu(NH3)4](ClO4)2 from CuO')
  // An arrow is the beginning of an equation: nothing that was typed is lost.
  await line(page).fill('Zn + 2 HCl -> ZnCl2')
  await expect(page.getByLabel('Equation')).toHaveValue('Zn + 2 HCl -> ZnCl2')
  await page.keyboard.press('Alt+e')
})

test('two routes are compared, and a messy line is planned from what the shelf lacks', async ({ page }) => {
  await page.goto('/batches/new')
  await line(page).fill('  some 0.1 mol  of Blue Vitriol, from   copper wire ')
  await expect(page.getByText('CuSO4·5H2O').first()).toBeVisible()
  await expect(card(page, 1)).toContainText('H2O2')
  await card(page, 1).getByRole('button', { name: 'Compare' }).click()
  await card(page, 2).getByRole('button', { name: 'Compare' }).click()
  const compared = page.getByRole('region', { name: 'Two routes compared' })
  await expect(compared.getByRole('row', { name: /Gases/ })).toContainText(/NO|SO2/)
  await expectAccessible(page)
  await compared.getByRole('button', { name: 'Plan this one' }).first().click()
  await expect(page).toHaveURL(/\/batches\/CU-\d{3}\/sheet/)
  const code = /CU-\d{3}/.exec(page.url())![0]
  const { document } = await (await page.request.get(`/api/batches/${code}`)).json()
  expect(document.plan.stages[0].target).toEqual({ mass: '25 g' })
  expect(document.title).toContain('from copper wire')
})

test('an empty lab opens where a batch is planned, once, with three examples', async ({ page }) => {
  const bench = await (await page.request.get('/api/bench')).json()
  const empty = { ...bench, batches: [], counts: { underWay: 0, planned: 0, done: 0 } }
  await page.route('**/api/bench', route => route.fulfill({ json: empty }))
  await page.goto('/')
  await expect(page).toHaveURL(/\/batches\/new$/)
  const examples = page.getByRole('list', { name: 'Examples' }).getByRole('button')
  await expect(examples).toHaveCount(3)
  for (let i = 0; i < 3; i++) {
    await examples.nth(i).click()
    await expect(card(page, 1)).toContainText('Plan this one')
    await line(page).fill('')
  }
  await page.getByRole('link', { name: 'Bench', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('hands')
})
