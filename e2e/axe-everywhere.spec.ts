import { expect, test, type Page } from '@playwright/test'
import { expectAccessible } from './accessible'

/** 200 % of 1280x800 is what a page of 640x400 shows. */
const sizes = [
  ['at 1280', 1280, 800, 1],
  ['at 820', 820, 1180, 1],
  ['at 390', 390, 844, 1],
  ['at 200 %', 640, 400, 2],
] as const

/** No box of the page is cut off at the right, but in what scrolls by itself. */
async function expectUncut(page: Page): Promise<void> {
  const cut = await page.evaluate(() => {
    const scrolls = (node: Element | null): boolean =>
      node !== null &&
      (['auto', 'scroll', 'hidden', 'clip'].includes(getComputedStyle(node).overflowX) || scrolls(node.parentElement))
    return [...document.querySelectorAll('button, input, select, textarea, h1, h2, p, td, [role=dialog] *')]
      .filter(node => node.getBoundingClientRect().width > 1 && !scrolls(node.parentElement))
      .filter(node => node.getBoundingClientRect().right > innerWidth + 1)
      .map(node => `${node.tagName} ${(node.getAttribute('aria-label') ?? node.textContent).trim().slice(0, 40)}`)
  })
  expect(cut).toEqual([])
}
const looksRight = async (page: Page): Promise<void> => {
  await expectUncut(page)
  await expectAccessible(page)
}

for (const [name, width, height, deviceScaleFactor] of sizes)
  test.describe(name, () => {
    test.use({ viewport: { width, height }, deviceScaleFactor })

    test('every page, and what it says of an address that leads nowhere', async ({ page }) => {
      const refused: string[] = []
      page.on('console', message => {
        if (/Content Security Policy|Permissions policy/i.test(message.text())) refused.push(message.text())
      })
      const pages = [
        '',
        'batches',
        'batches/new',
        'batches/bring',
        'batches/compare?a=ZN-020&b=ZN-021',
        'assays',
        'shelf',
        'shelf/new',
        'shelf/shopping',
        'shelf/look',
        'shelf/stock',
        'shelf/make?from=B-005&of=NaOH&strength=2.00%20mol/L&volume=100%20mL',
        'shelf/B-003',
        'tables',
        'class',
        'load',
        'class/new',
        'drills?family=weigh&level=2&seed=5',
        'drills?family=balance&level=3&seed=2',
        'drills?family=curve&level=2&seed=3',
        'drills/sheet',
        'drills/practice',
      ]
      const ofBatch = ['route', 'sheet', 'procedure', 'run', 'yield', 'assay', 'record'].map(
        path => `batches/ZN-020/${path}`,
      )
      for (const path of [...pages, ...ofBatch, 'batches/XX-999/sheet', 'nowhere']) {
        await page.goto(`/${path}`)
        await expect(page.locator('main h1').first()).toBeVisible()
        await looksRight(page)
      }
      expect(refused).toEqual([])
    })

    test('every panel of the sheet, and what cannot be understood there', async ({ page }) => {
      await page.goto('/batches/ZN-021/sheet')
      const facts = page.getByRole('group', { name: 'The stage in figures' }).getByRole('button')
      await expect(facts).toHaveCount(5)
      for (let i = 0; i < 5; i++) {
        await facts.nth(i).click()
        await expect(facts.nth(i)).toHaveAttribute('aria-expanded', 'true')
        await looksRight(page)
        await page.keyboard.press('Escape')
      }
      for (const label of ['Supply of Zn', /^Excess of Zn/]) {
        await page.getByLabel(label).first().click()
        await expect(page.getByLabel(label).first()).toHaveAttribute('aria-expanded', 'true')
        await looksRight(page)
        await page.keyboard.press('Escape')
      }
      await page.getByRole('button', { name: 'Change the equation' }).click()
      await page.getByLabel('Equation', { exact: true }).fill('Zn + H2SO4 -> ZnSO4')
      await expect(page.getByText('cannot balance').first()).toBeVisible()
      await looksRight(page)
      await page.getByLabel('Equation', { exact: true }).fill('Zn + H2SO4 -> ZnSO4 + H2')
      await page.getByLabel('Charge of Zn', { exact: true }).fill('nine')
      await expect(page.getByText('cannot be understood').first()).toBeVisible()
      await looksRight(page)
      await page.getByLabel('Charge of Zn', { exact: true }).fill('9.11 g')
    })

    test('every dialog', async ({ page }) => {
      const dialog = page.getByRole('dialog')
      const closed = async (): Promise<void> => {
        await page.keyboard.press('Escape')
        await expect(dialog).toHaveCount(0)
      }
      await page.goto('/')
      await page.getByRole('button', { name: /^Find/ }).click()
      await dialog.getByRole('combobox').fill('zinc')
      await expect(dialog.getByRole('option').first()).toBeVisible()
      await looksRight(page)
      await closed()
      await page.getByRole('button', { name: 'Keys, look and numbers' }).click()
      await expect(dialog.getByRole('heading').first()).toBeVisible()
      await looksRight(page)
      await closed()
      await page.getByRole('button', { name: 'Hours and equipment' }).click()
      await expect(dialog.getByRole('heading').first()).toBeVisible()
      await looksRight(page)
      await closed()

      await page.goto('/batches/ZN-021/run')
      await page.getByRole('button', { name: 'Something went wrong' }).click()
      await looksRight(page)
      await dialog.getByRole('button').first().click()
      await looksRight(page)
      await closed()
      await page.getByRole('button', { name: /^Add a step/ }).click()
      await expect(dialog.getByRole('heading').first()).toBeVisible()
      await looksRight(page)
      await closed()
      await page
        .getByRole('button', { name: /^Correct / })
        .first()
        .click()
      await expect(dialog.getByRole('heading').first()).toBeVisible()
      await dialog.getByRole('button', { name: 'Record the correction' }).click()
      await expect(dialog).toContainText('A correction says why.')
      await looksRight(page)
      await closed()
      await page.getByRole('button', { name: 'Skip it' }).click()
      await page.getByRole('button', { name: 'Skip with this reason' }).click()
      await expect(page.getByText('A step that is skipped says why.')).toBeVisible()
      await looksRight(page)
    })
  })
