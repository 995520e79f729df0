import { expect, test, type Page } from '@playwright/test'
import { makeQuestion, type Level, type Question } from '../core/drill'
import { expectAccessible } from './accessible'

/* Practice as a learner does it: a slip is named, asked after again, and what was answered is kept. */
const question = (family: string, level: Level, seed: number): Question => makeQuestion(family, seed, level)!
const open = async (page: Page, { family, level, seed }: Question): Promise<void> => {
  await page.goto(`/drills?family=${family}&level=${level}&seed=${seed}`)
  await expect(page.getByText(`No. ${seed}`)).toBeVisible()
}
const answer = (page: Page) => page.getByLabel('Your answer')

test('a slip is named on the learner’s own numbers, and asked after in another dress; the answer is kept', async ({
  page,
}) => {
  const asked = question('weigh', 2, 5)
  if (asked.answer.is !== 'number') throw new Error('No number.')
  await open(page, asked)
  await expect(page.getByRole('heading', { level: 2 }).first()).toContainText('How much')
  // Without its unit nothing is judged, and nothing counts.
  await answer(page).fill('5.75')
  await answer(page).press('Enter')
  await expect(page.getByText('Not read yet.')).toBeVisible()
  const slip = asked.answer.slipped.find(({ of }) => of.length === 1 && of[0]!.id === 'assay multiplied')!
  await answer(page).fill(`${slip.answer.toPrecision(3)} g`)
  await answer(page).press('Enter')
  await expect(
    page.getByRole('paragraph').filter({ hasText: 'The assay was multiplied instead of divided' }),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Show the working' }).click()
  await expect(page.getByRole('region', { name: 'Working' })).toContainText(asked.answer.value.toPrecision(3))
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Next' }).click()
  await expect(page.getByText('Asked again in another dress')).toBeVisible()

  const kept = async (): Promise<{ family: string; seed: number; slips: string[] }[]> =>
    ((await (await page.request.get('/api/drills')).json()) as { answers: [] }).answers
  await expect
    .poll(async () => (await kept()).filter(({ seed, family }) => seed === 5 && family === 'weigh').at(-1)?.slips)
    .toEqual(['assay multiplied'])
})

test('the zip is the answer: teeth are set by keys and presses, and dragged', async ({ page }) => {
  const asked = question('balance', 2, 1)
  if (asked.answer.is !== 'teeth') throw new Error('No teeth.')
  await open(page, asked)
  await page.getByRole('button', { name: 'Check' }).click()
  await expect(page.getByRole('paragraph').filter({ hasText: 'A one before each' })).toBeVisible()
  for (const [i, count] of asked.answer.right.entries()) {
    const tooth = page.getByRole('textbox', { name: `How many ${asked.answer.species[i]!.text}`, exact: true })
    if (i === 0) {
      const box = (await tooth.boundingBox())!
      await page.mouse.move(box.x + 10, box.y + 10)
      await page.mouse.down()
      await page.mouse.move(box.x + 10, box.y + 10 - 14 * (count - 1), { steps: 5 })
      await page.mouse.up()
    } else for (let n = 1; n < count; n++) await tooth.press('ArrowUp')
    await expect(tooth).toHaveValue(String(count))
  }
  await expect(page.getByRole('img', { name: 'Closed: the elements balance' })).toBeVisible()
  await page.getByRole('button', { name: 'Check' }).click()
  await expect(page.getByText('Right.')).toBeVisible()
})

test('a curve is read by a press on it', async ({ page }) => {
  const asked = question('curve', 2, 3)
  if (asked.answer.is !== 'number' || !asked.picture) throw new Error('No picture.')
  await open(page, asked)
  const picture = page.getByRole('img', { name: /^Solubility/ })
  await expect(picture.locator('canvas')).toBeVisible()
  const box = (await picture.boundingBox())!
  const { from, to } = asked.picture.x
  // The picture's own margins: 58 at the left, 18 at the right.
  const x = box.x + 58 + ((asked.answer.value - from) / (to - from)) * (box.width - 76)
  await page.mouse.click(x, box.y + box.height / 2)
  await expect(answer(page)).toHaveValue(/^[\d.]+ °C$/)
  await page.getByRole('button', { name: 'Check' }).click()
  await expect(page.getByText('Right.')).toBeVisible()
})

test('what is answered while the server is away is kept on the device and sent when it is back', async ({ page }) => {
  const asked = question('molar-mass', 1, 4)
  if (asked.answer.is !== 'number') throw new Error('No number.')
  await open(page, asked)
  await page.route('**/api/drills', route => (route.request().method() === 'POST' ? route.abort() : route.continue()))
  await answer(page).fill(`${asked.answer.value.toFixed(2)} g/mol`)
  await answer(page).press('Enter')
  await expect(page.getByText('Your answers are kept on this device')).toBeVisible()
  await page.unroute('**/api/drills')
  const sent = page.waitForResponse(one => one.url().endsWith('/api/drills') && one.request().method() === 'POST')
  await page.reload()
  expect((await sent).status()).toBe(201)
})

test('a sheet is the same for everybody with its number, and has its key apart', async ({ page }) => {
  await page.goto('/drills/sheet')
  await page.getByRole('textbox', { name: 'Number' }).fill('4711')
  await page.getByLabel('How many').fill('x')
  await expect(page.getByText('Give a whole number from 1 to 30.')).toBeVisible()
  await page.getByLabel('How many').fill('6')
  const sheet = page.getByRole('article', { name: 'Questions' })
  await expect(sheet.locator('> ol > li')).toHaveCount(6)
  await expect(page.getByRole('article', { name: 'Key' }).locator('> ol > li')).toHaveCount(6)
  const first = await sheet.innerText()
  await page.reload()
  await page.getByRole('textbox', { name: 'Number' }).fill('4711')
  await page.getByLabel('How many').fill('6')
  await expect.poll(() => sheet.innerText()).toBe(first)
  await expectAccessible(page)
})

test('what cannot be judged is refused with its place', async ({ request }) => {
  const body = {
    id: crypto.randomUUID(),
    family: 'weigh',
    level: 2,
    seed: 5,
    typed: '5.75 g',
    at: new Date().toISOString(),
  }
  expect((await request.post('/api/drills', { data: { ...body, level: 4 } })).status()).toBe(400)
  expect((await request.post('/api/drills', { data: { ...body, family: 'alchemy' } })).status()).toBe(422)
  expect((await request.post('/api/drills', { data: { ...body, typed: 'soon' } })).status()).toBe(422)
  expect((await request.post('/api/drills', { data: { ...body, seed: 1e9 } })).status()).toBe(400)
  // Claimed or not, it is judged there.
  const kept = await request.post('/api/drills', { data: body })
  expect(await kept.json()).toMatchObject({ outcome: 'slip' })
  expect((await request.post('/api/drills', { data: body })).status()).toBe(201)
})
