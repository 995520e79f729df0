import { expect, test, type Locator, type Page } from '@playwright/test'
import { expectAccessible } from './accessible'

const sizes = [
  ['a tablet upright', 820, 1180],
  ['a tablet flat', 1180, 820],
  ['a phone', 390, 844],
] as const

/** True where all of it is on the screen without scrolling, and nothing fixed lies over it. */
async function isSeen(page: Page, what: Locator): Promise<boolean> {
  const box = await what.boundingBox()
  const size = page.viewportSize()!
  if (!box || box.y < 0 || box.y + box.height > size.height || box.x + box.width > size.width + 1) return false
  return what.evaluate(node => {
    const { x, y, width, height } = node.getBoundingClientRect()
    const top = document.elementFromPoint(x + width / 2, y + height / 2)
    return top !== null && (node.contains(top) || top.contains(node))
  })
}

for (const [name, width, height] of sizes)
  test.describe(name, () => {
    test.use({ viewport: { width, height } })

    test('shows the step, its amount and strength, its cautions, one reading and the large key without scrolling', async ({
      page,
    }) => {
      await page.goto('/batches/ZN-021/run')
      const primary = page.getByTestId('primary')
      await expect(primary).toBeVisible()
      // Sulfuric acid is measured: the amount and the strength stand in the heading, its volume is typed below.
      await expect(page.getByRole('heading', { level: 1 })).toContainText('2.00 mol/L: 66.0')
      for (const what of [
        page.getByRole('heading', { level: 1 }),
        primary,
        page.getByLabel('Volume', { exact: true }).first(),
      ])
        expect(await isSeen(page, what)).toBe(true)
      await page.keyboard.press('j')
      await page.keyboard.press('j')
      await expect(page.getByRole('heading', { level: 1 })).toContainText('portions')
      const cautions = page.getByRole('list', { name: 'Cautions of this step' })
      await expect(cautions).toContainText('no flame and no spark')
      for (const what of [page.getByRole('heading', { level: 1 }), primary, cautions.getByRole('listitem').first()])
        expect(await isSeen(page, what)).toBe(true)
      await expectAccessible(page)
    })

    test('has no page wider than the screen, and nothing jumps while it opens', async ({ page }) => {
      await page.addInitScript(() => {
        const shifted = { sum: 0 }
        Object.assign(window, { shifted })
        new PerformanceObserver(list => {
          for (const entry of list.getEntries() as (PerformanceEntry & { value: number; hadRecentInput: boolean })[])
            if (!entry.hadRecentInput) shifted.sum += entry.value
        }).observe({ type: 'layout-shift', buffered: true })
      })
      // What others record meanwhile moves the bench; here only the opening counts.
      await page.route(/\/api\/(live|changes)/, route => route.abort())
      const pages = ['', 'batches', 'batches/new', 'assays', 'tables'].map(path => `/${path}`)
      const ofBatch = ['route', 'sheet', 'procedure', 'run', 'yield', 'assay'].map(path => `/batches/ZN-020/${path}`)
      for (const path of [...pages, ...ofBatch]) {
        await page.goto(path)
        await expect(page.locator('main').first()).toBeVisible()
        await page.waitForTimeout(900)
        const { wide, shift } = await page.evaluate(() => ({
          wide: document.documentElement.scrollWidth,
          shift: (window as unknown as { shifted: { sum: number } }).shifted.sum,
        }))
        expect(wide, `${path} is ${wide} wide`).toBeLessThanOrEqual(width)
        expect(shift, `${path} moves by ${shift.toFixed(3)}`).toBeLessThan(0.05)
      }
    })
  })

test('the look is chosen by hand and kept, and every look can be read', async ({ page }) => {
  for (const look of ['Dark', 'High contrast', 'Light']) {
    await page.goto('/batches/ZN-020/yield')
    await page.getByLabel('Look', { exact: true }).selectOption({ label: look })
    await expect(page.getByRole('region', { name: 'What would explain it' })).toBeVisible()
    await expectAccessible(page)
    await page.goto('/batches/ZN-021/run')
    await expect(page.getByTestId('primary')).toBeVisible()
    await expectAccessible(page)
  }
})
