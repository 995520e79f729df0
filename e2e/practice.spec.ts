import { expect, test, type Page } from '@playwright/test'
import { practiceOf, type Practice } from '../core/practice'
import { expectAccessible } from './accessible'

/* The practice bench, carried through in the browser: one run in good hands, one in clumsy ones. */
async function begin(page: Page, from: string, seed: number): Promise<{ code: string; practice: Practice }> {
  await page.goto('/drills')
  await page.getByRole('link', { name: 'Practice bench' }).click()
  await page.getByLabel('The procedure of the batch').selectOption(from)
  const number = page.getByRole('textbox', { name: 'Number' })
  await number.fill('x')
  await expect(page.getByText('Give a number of up to six digits.')).toBeVisible()
  await number.fill(String(seed))
  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(page).toHaveURL(/run=[A-Z]+-\d+/)
  const code = /run=([A-Z]+-\d+)/.exec(page.url())![1]!
  const { document } = await (await page.request.get(`/api/batches/${from}`)).json()
  const practice = practiceOf(document, seed)
  if (!practice.ok) throw new Error(practice.why)
  return { code, practice: practice.value }
}

/** Carries a run through; `isGood` takes the right way at each trouble, dries to constant mass, and writes down what is seen. */
async function carryThrough(page: Page, practice: Practice, isGood: boolean): Promise<void> {
  const steps = page.getByRole('list', { name: 'Steps' })
  for (const step of practice.steps) {
    await expect(steps.locator('[aria-current=step]')).toHaveCount(1)
    if (isGood && step.until) {
      await page.getByLabel('What you see').fill(`Looked: ${step.until}`)
      await page.getByRole('button', { name: 'Write it down' }).click()
    }
    const planted = practice.planted.find(one => one.step === step.id)
    if (planted) {
      await expect(page.getByRole('region', { name: 'Trouble' })).toContainText(planted.row.seen)
      const choice = planted.row.choices.find(({ isRight }) => isRight === isGood)!
      await page.getByRole('button', { name: choice.words }).click()
    }
    if (step.about?.what === 'product' && !step.about.empty) {
      const finish = page.getByRole('button', { name: 'It is dry: finish' })
      await expect(finish).toBeDisabled()
      await page.getByRole('button', { name: 'Weigh it' }).click()
      if (isGood)
        for (let i = 0; i < 3; i++)
          await page.getByRole('button', { name: 'Dry another hour, and weigh again' }).click()
      await finish.click()
    } else await page.getByRole('button', { name: 'Do it' }).click()
  }
}
const total = async (page: Page): Promise<number> =>
  Number(/(\d+) of 100/.exec(await page.getByRole('region', { name: 'What it was worth' }).innerText())![1])

test('zinc sulfate in good hands: the troubles are met, the crop is dry, and it is worth nearly all', async ({
  page,
}) => {
  const { code, practice } = await begin(page, 'ZN-021', 7)
  await expect(page.getByRole('button', { name: 'Do it' })).toBeVisible()
  await expectAccessible(page)
  await carryThrough(page, practice, true)
  await expect(page.getByRole('region', { name: 'What it was worth' })).toBeVisible()
  expect(await total(page)).toBeGreaterThanOrEqual(85)
  // It can be gone through again beside good hands.
  const mine = page.getByRole('list', { name: 'Journal: You' }).getByRole('listitem')
  const whole = await mine.count()
  await page.getByRole('slider').fill('60')
  expect(await mine.count()).toBeLessThan(whole)
  await expect(page.getByRole('list', { name: 'Journal: Good hands' }).getByRole('listitem').first()).toBeVisible()
  await expectAccessible(page)
  // An ordinary journal, with a chain that holds, apart from the lab's batches.
  expect(await (await page.request.get(`/api/batches/${code}/chain`)).json()).toEqual({ whole: true })
  const listed = (await (await page.request.get('/api/batches')).json()) as { code: string }[]
  expect(listed.some(one => one.code === code)).toBe(false)
  await page.getByRole('link', { name: 'its yield' }).click()
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible()
})

test('a carbonate thrown down in clumsy hands: each wrong way is told, and the run goes on after a reload', async ({
  page,
}) => {
  const { practice, code } = await begin(page, 'SR-001', 4)
  await page
    .getByRole('button', { name: 'Do it' })
    .or(page.getByRole('region', { name: 'Trouble' }))
    .first()
    .waitFor()
  await carryThrough(page, { ...practice, steps: practice.steps.slice(0, 3) }, false)
  // A journal that comes late: nothing is done before it is read, or it would be done twice.
  let isThere = false
  await page.route(`**/api/batches/${code}/entries?**`, async route => {
    if (!isThere) await route.abort()
    else await route.continue()
  })
  await page.reload()
  await expect(page.getByText('Its journal could not be read')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Do it' })).toBeHidden()
  isThere = true
  const rest = practice.steps.slice(3)
  await carryThrough(page, { ...practice, steps: rest }, false)
  const worth = page.getByRole('region', { name: 'What it was worth' })
  await expect(worth).toBeVisible()
  expect(await total(page)).toBeLessThan(70)
  for (const { row } of practice.planted) await expect(worth).toContainText(row.seen)
  await page.goto('/drills/practice')
  await expect(page.getByRole('link', { name: code })).toBeVisible()
})

test('what cannot be practised says why', async ({ page }) => {
  await page.goto('/drills/practice')
  await page.getByLabel('The procedure of the batch').selectOption('NI-014')
  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(page.getByText('Practice runs are for plans of one stage.')).toBeVisible()
  await page.goto('/drills/practice?run=XX-999')
  await expect(page.getByRole('alert')).toBeVisible()
})
