// Takes the pictures of docs/screenshots from a running app with the demo data: node docs/screenshots/take.mjs http://127.0.0.1:3000
import { chromium } from '@playwright/test'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import sharp from 'sharp'

const views = [
  ['bench', '/'],
  ['installation', '/load', page => page.waitForTimeout(12000)],
  ['new-batch', '/batches/new?wish=15 g nickel ammonium sulfate from nickel turnings'],
  ['route', '/batches/CU-010/route'],
  ['sheet', '/batches/CO-003/sheet'],
  ['run', '/batches/NI-014/run?stage=s2'],
  ['shelf', '/shelf'],
  ['procedure', '/batches/ZN-021/procedure'],
  ['run-tablet', '/batches/ZN-021/run', async page => { await page.keyboard.press('j'); await page.keyboard.press('j') }, { width: 820, height: 1180 }],
  ['run-phone', '/batches/ZN-021/run', async page => { await page.keyboard.press('j'); await page.keyboard.press('j') }, { width: 390, height: 844 }],
  ['thrown-down', '/batches/SR-001/procedure', page => page.waitForTimeout(1000)],
  ['yield', '/batches/ZN-020/yield'],
  ['assay', '/batches/NI-014/assay'],
  ['record', '/batches/CO-003/record', page => page.getByText('Working out what').waitFor({ state: 'detached' })],
  ['class', '/class', async page => {
    const day = page.getByRole('button', { name: 'Open the demo’s school day' })
    const there = page.getByRole('link', { name: /^School day/ })
    await day.or(there).click()
    await page.getByText('asks for help').first().waitFor()
    await page.locator('figure canvas').first().waitFor()
    await page.waitForTimeout(1500)
  }],
  ['drills', '/drills?family=weigh&level=2&seed=5', async page => {
    await page.getByLabel('Your answer').fill('5.75 g')
    await page.keyboard.press('Enter')
    await page.getByText('The assay was multiplied').first().waitFor()
    await page.getByRole('button', { name: 'Show the working' }).click()
  }],
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
/** The first three pages of a record on paper, side by side. */
if (!only || only.split(',').includes('record-paper')) {
  const work = mkdtempSync(join(tmpdir(), 'zip-ledger-pages-'))
  const answer = await page.request.get(`${address}/api/batches/ZN-020/record/pdf?form=long&zone=Europe/Berlin`)
  writeFileSync(join(work, 'record.pdf'), await answer.body())
  execFileSync('pdftoppm', ['-r', '96', '-f', '1', '-l', '3', '-png', join(work, 'record.pdf'), join(work, 'page')])
  const pages = [1, 2, 3].map(n => join(work, `page-${n}.png`))
  const { width, height } = await sharp(pages[0]).metadata()
  await sharp({ create: { width: 3 * width + 40, height, channels: 3, background: '#d9d5cb' } })
    .composite(pages.map((input, i) => ({ input, left: i * (width + 20), top: 0 })))
    .png({ palette: true })
    .toFile(`${folder}/record-paper.png`)
}
await browser.close()
