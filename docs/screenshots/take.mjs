// Takes the pictures of docs/screenshots from a running app with the demo data: node docs/screenshots/take.mjs http://127.0.0.1:3000
import { chromium } from '@playwright/test'
import { fileURLToPath } from 'node:url'

const views = [
  ['bench', '/'],
  ['batches', '/batches'],
  ['new-batch', '/batches/new'],
  ['sheet', '/batches/CO-003/sheet'],
  ['run', '/batches/ZN-021/run'],
  ['yield', '/batches/MO-002/yield'],
]
const [address = 'http://127.0.0.1:3000', folder = fileURLToPath(new URL('.', import.meta.url)), only = ''] = process.argv.slice(2)
const flags = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync']
const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: flags })
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
for (const [name, path] of views) {
  if (only && !only.split(',').includes(name)) continue
  await page.goto(address + path)
  await page.getByRole('heading', { level: 1 }).first().waitFor()
  await page.waitForTimeout(700)
  await page.screenshot({ path: `${folder}/${name}.png` })
}
await browser.close()
