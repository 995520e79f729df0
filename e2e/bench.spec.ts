import { expect, test } from '@playwright/test'
import { expectAccessible } from './accessible'

test('the bench shows lanes, what is due, and moves a planned step by keys', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('hands')
  const lanes = page.getByLabel('Lanes')
  await expect(lanes).toContainText('NI-014')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Week' }).click()
  const movable = lanes.getByRole('button', { name: /arrow keys move it/ }).last()
  const before = await movable.getAttribute('title')
  await movable.focus()
  await page.keyboard.press('ArrowRight')
  await expect
    .poll(
      async () =>
        (await lanes
          .getByRole('button', { name: /arrow keys move it/ })
          .last()
          .getAttribute('title')) !== before,
    )
    .toBe(true)
})

test('what one person records is on another’s screen, without a reload', async ({ page, browser }) => {
  const other = await (await browser.newContext()).newPage()
  await other.goto('/batches/MO-002/run')
  await page.goto('/batches/MO-002/run')
  const tape = other.getByRole('region', { name: 'Journal' })
  await expect(tape).toContainText('Step')
  await other.waitForTimeout(1000)
  await page.getByLabel('In words').fill('seen by somebody else')
  await page.getByRole('button', { name: 'Seen', exact: true }).click()
  await expect(tape).toContainText('seen by somebody else')
})

test('the calendar can be subscribed to, and the hours be set', async ({ page, request }) => {
  const calendar = await (await request.get('/api/bench.ics')).text()
  expect(calendar).toMatch(/^BEGIN:VCALENDAR\r\n/)
  expect(calendar).toContain('BEGIN:VEVENT')
  expect(calendar).toContain('BEGIN:VALARM')
  await page.goto('/')
  await page.getByRole('button', { name: 'Hours and equipment' }).click()
  await page.getByLabel('Working day from, hour').fill('19')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('alert')).toContainText('The working day begins before it ends')
  await page.getByLabel('Working day from, hour').fill('7')
  await page.getByRole('dialog').getByLabel('hood').fill('2')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  expect((await (await request.get('/api/lab')).json()).settings).toMatchObject({
    hours: { from: 7 },
    have: { hood: 2 },
  })
})
