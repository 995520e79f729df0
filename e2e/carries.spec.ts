import { expect, test, type Locator, type Page } from '@playwright/test'

/*
 * On paper: 4.07 g of ZnO are 4.07 g ÷ 81.38 g/mol = 50.0 mmol and take 100 mmol of acetic acid, 50.0 mL of 2.00 mol/L. They give 50.0 mmol × 219.51 g/mol = 10.98 g of Zn(CH3COO)2·2H2O. 8.62 g weighed are 78.5 %.
 */

/** How a device presses and types. */
interface Hands {
  readonly press: (what: Locator) => Promise<void>
  readonly type: (what: Locator, text: string) => Promise<void>
  readonly choose: (radio: Locator) => Promise<void>
  /** The large key of a step. */
  readonly done: (page: Page) => Promise<void>
}
const FAR = 150
/** With the Tab key alone, as far as it goes round the page once. */
async function tabTo(what: Locator): Promise<void> {
  const page = what.page()
  await expect(what).toBeVisible()
  for (let i = 0; i < FAR; i++) {
    if (await what.evaluate(node => node === document.activeElement)) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`${String(what)} was not reached by Tab.`)
}
const primary = (page: Page): Locator => page.getByTestId('primary')

const mouse: Hands = {
  press: what => what.click(),
  type: (what, text) => what.fill(text),
  choose: radio => radio.click(),
  done: page => primary(page).click(),
}
const finger: Hands = {
  ...mouse,
  press: what => what.tap(),
  choose: radio => radio.tap(),
  done: page => primary(page).tap(),
}
const keys: Hands = {
  async press(what) {
    await tabTo(what)
    await what.page().keyboard.press('Enter')
  },
  async type(what, text) {
    await tabTo(what)
    await what.page().keyboard.press('ControlOrMeta+a')
    await what.page().keyboard.type(text)
  },
  // Tab goes to the one that is chosen, the arrows to the others.
  async choose(radio) {
    await tabTo(radio.page().getByRole('radio', { checked: true }))
    for (let i = 0; i < 5 && (await radio.getAttribute('aria-checked')) !== 'true'; i++)
      await radio.page().keyboard.press('ArrowRight')
  },
  // The pedal of a foot switch.
  done: page => page.keyboard.press('PageDown'),
}

/** True where all of it is on the screen without scrolling, and nothing lies over it. */
async function isSeen(what: Locator): Promise<boolean> {
  return what.evaluate(node => {
    const { x, y, width, height, bottom, right } = node.getBoundingClientRect()
    const top = document.elementFromPoint(x + width / 2, y + height / 2)
    const isOn = y >= 0 && bottom <= innerHeight && x >= 0 && right <= innerWidth + 1
    return isOn && top !== null && (node.contains(top) || top.contains(node))
  })
}

/** What in Run is smaller than a glove’s 48 px or a clock’s 16 px, or wider than the screen. */
async function tooSmall(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const isShown = (node: Element): boolean => {
      const { width, height } = node.getBoundingClientRect()
      return width > 1 && height > 1 && getComputedStyle(node).visibility === 'visible'
    }
    const named = (node: Element): string => (node.getAttribute('aria-label') ?? node.textContent).trim().slice(0, 30)
    const targets = [
      ...document.querySelectorAll('main button, main a[href], main input, main select, nav a, header a'),
    ]
    const small = targets
      .filter(node => isShown(node) && !node.matches('[type=checkbox], [type=radio]'))
      .filter(node => node.getBoundingClientRect().height < 47.5)
      .map(node => `${named(node)} is ${Math.round(node.getBoundingClientRect().height)} px high`)
    const clocks = [...document.querySelectorAll('[aria-label=Steps] .figure, [role=timer]')]
      .filter(node => isShown(node) && parseFloat(getComputedStyle(node).fontSize) < 16)
      .map(node => `the clock ${named(node)} is small`)
    const subs = [...document.querySelectorAll('sub, sup')]
      .filter(node => isShown(node) && parseFloat(getComputedStyle(node).fontSize) < 12)
      .map(node => `the index ${named(node)} is small`)
    const wide = document.documentElement.scrollWidth > innerWidth ? ['the page is wider than the screen'] : []
    return [...new Set([...small, ...clocks, ...subs, ...wide])]
  })
}

async function plan(page: Page, { press, type }: Hands): Promise<void> {
  await page.goto('/')
  await press(page.getByRole('link', { name: 'Plan a batch' }))
  await press(page.getByRole('button', { name: /Type the equation instead/ }))
  // A name for the product, shorthand in the equation, a comma in the numbers: as people type.
  await type(page.getByLabel('Product, in the form you will isolate'), 'zinc acetate dihydrate')
  await type(page.getByLabel('Equation'), 'ZnO + HOAc -> Zn(OAc)2 + H2O')
  await press(page.getByRole('button', { name: 'Begin the batch' }))
  await expect(page).toHaveURL(/\/batches\/ZN-\d+\/sheet$/)
}

async function fillSheet(page: Page, { press, type, choose }: Hands): Promise<void> {
  const species = page.getByRole('group', { name: 'Species shown' })
  await expect(page.getByRole('table')).toBeVisible()
  const isOneAtATime = await species.isVisible()
  const show = async (nth: number): Promise<void> => {
    if (isOneAtATime) await press(species.getByRole('button').nth(nth))
  }
  await show(1)
  const supply = page.getByLabel('Supply of CH3COOH')
  await press(supply)
  const panel = page.getByRole('region', { name: 'Supply' })
  await expect(panel.getByRole('heading').first()).toBeFocused()
  await expect(supply).toHaveAttribute('aria-expanded', 'true')
  await choose(page.getByRole('radio', { name: 'Solution' }))
  await type(page.getByLabel(/^Strength/), '2,00 mol/L')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await expect(panel).toHaveCount(0)
  await expect(supply).toBeFocused()
  await show(0)
  await type(page.getByLabel('Charge of ZnO'), '4,07')
  await show(1)
  await expect(page.getByLabel('Charge of CH3COOH')).toHaveValue(/^50\.0\d* mL$/)
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
}

const weighings: readonly (readonly [step: RegExp, label: RegExp, text: string])[] = [
  [/^Weigh ZnO/, /^or net$/, '4.07'],
  [/^Measure CH3COOH/, /^Volume$/, '50.0'],
  [/^Weigh the empty paper/, /^Tare/, '31.20'],
  [/^Weigh Zn\(CH3COO\)2·2H2O/, /^Gross/, '39.82'],
]

/** Every step to its end, with the large key; what is weighed is typed where it is asked for. */
async function run(page: Page, hands: Hands): Promise<number> {
  await hands.press(page.getByRole('navigation', { name: 'Batch' }).getByRole('link', { name: 'Run' }))
  const heading = page.getByRole('heading', { level: 1 })
  await expect(heading).toContainText('Weigh ZnO')
  const through = page.getByText('Every step of this stage is done.')
  let pressed = 0
  while (!(await through.isVisible())) {
    const words = (await heading.innerText()).replaceAll('\n', '')
    expect(await isSeen(heading), `${words}: heading`).toBe(true)
    expect(await isSeen(primary(page)), `${words}: large key`).toBe(true)
    const cautions = page.getByRole('list', { name: 'Cautions of this step' }).getByRole('listitem')
    if ((await cautions.count()) > 0) expect(await isSeen(cautions.first()), `${words}: cautions`).toBe(true)
    expect(await tooSmall(page), words).toEqual([])
    const weighing = weighings.find(([step]) => step.test(words))
    if (weighing) await hands.type(page.getByRole('region', { name: 'Readings' }).getByLabel(weighing[1]), weighing[2])
    // The key rests for a second after each press.
    await expect(primary(page)).toBeEnabled()
    await hands.done(page)
    await expect(primary(page)).toBeDisabled()
    pressed += 1
    expect(pressed).toBeLessThan(60)
    await expect(primary(page)).toBeEnabled()
  }
  return pressed
}

const devices: readonly (readonly [name: string, width: number, height: number, hands: Hands, touch: boolean])[] = [
  ['a tablet upright', 820, 1180, finger, true],
  ['a tablet flat', 1180, 820, finger, true],
  ['a phone', 390, 844, finger, true],
  ['a keyboard and a pedal alone', 1280, 800, keys, false],
  ['a mouse', 1280, 800, mouse, false],
]
for (const [name, width, height, hands, hasTouch] of devices)
  test.describe(`with ${name}`, () => {
    test.use({ viewport: { width, height }, hasTouch })
    test('a batch is carried from the plan to the weighed product', async ({ page }) => {
      await plan(page, hands)
      await fillSheet(page, hands)
      await run(page, hands)
      await hands.press(page.getByRole('navigation', { name: 'Batch' }).getByRole('link', { name: 'Yield' }))
      await expect(page.getByText(/78\.5\d*\s*%/).first()).toBeVisible()
    })
  })
