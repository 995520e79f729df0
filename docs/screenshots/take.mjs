// Takes the pictures of docs/screenshots from a running app with the demo data: node docs/screenshots/take.mjs http://127.0.0.1:3000
import { chromium } from '@playwright/test'
import { fileURLToPath } from 'node:url'

const views = [
  ['bench', '/'],
  ['batches', '/batches'],
  ['new-batch', '/batches/new'],
  ['route', '/batches/CU-010/route'],
  ['sheet', '/batches/CO-003/sheet'],
  ['run', '/batches/NI-014/run?stage=s2'],
  ['drying', '/batches/CO-003/run', page => page.waitForTimeout(1500)],
  ['procedure', '/batches/ZN-021/procedure'],
  ['run-tablet', '/batches/ZN-021/run', async page => { await page.keyboard.press('j'); await page.keyboard.press('j') }, { width: 820, height: 1180 }],
  ['run-phone', '/batches/ZN-021/run', async page => { await page.keyboard.press('j'); await page.keyboard.press('j') }, { width: 390, height: 844 }],
  ['thrown-down', '/batches/SR-001/procedure', page => page.waitForTimeout(1000)],
  ['which-first', '/batches/CU-012/procedure', async page => {
    await page.getByRole('button', { name: 'Which salt first' }).click()
    await page.waitForTimeout(2500)
    await page.getByRole('navigation', { name: 'Advice' }).evaluate(part => part.scrollIntoView({ block: 'center' }))
  }],
  ['yield', '/batches/ZN-020/yield'],
  ['why', '/batches/MO-002/yield', page => page.getByText('What would explain it').scrollIntoViewIfNeeded()],
  ['ledger', '/batches/ZN-020/yield', async page => {
    await page.getByRole('button', { name: 'Flow' }).click()
    await page.getByText('Where every mole went').evaluate(heading => heading.scrollIntoView())
  }],
  ['assay', '/batches/NI-014/assay'],
  ['thermogram', '/batches/CU-011/assay', page => page.getByRole('button', { name: 'The same, heated slowly' }).click()],
  ['people', '/people'],
  ['tables', '/tables?table=solubility&q=ZnSO4&stood=80:57.1,5:44.7', page => page.waitForTimeout(1200)],
]
const [address = 'http://127.0.0.1:3000', folder = fileURLToPath(new URL('.', import.meta.url)), only = ''] = process.argv.slice(2)
const flags = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync']
const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: flags })
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
for (const [name, path, act, size] of views) {
  if (only && !only.split(',').includes(name)) continue
  await page.setViewportSize(size ?? { width: 1280, height: 800 })
  await page.goto(address + path)
  await page.getByRole('heading', { level: 1 }).first().waitFor()
  await page.waitForTimeout(900)
  await act?.(page)
  await page.waitForTimeout(act ? 500 : 0)
  await page.screenshot({ path: `${folder}/${name}.png` })
}
await browser.close()
