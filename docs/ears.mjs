// What a screen reader is given: the accessibility tree of a page in its order, one line a thing. node docs/ears.mjs URL [more URLs]
import { chromium } from '@playwright/test'

const flags = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking']
const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: flags })
const SILENT = new Set(['none', 'generic', 'InlineTextBox', 'RootWebArea', 'paragraph', 'list', 'row', 'rowgroup', 'LineBreak'])

for (const url of process.argv.slice(2)) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(url)
  await page.locator('main').first().waitFor()
  await page.waitForTimeout(2000)
  const session = await page.context().newCDPSession(page)
  const { nodes } = await session.send('Accessibility.getFullAXTree')
  const byId = new Map(nodes.map(node => [node.nodeId, node]))
  console.log(`\n## ${new URL(url).pathname}\n`)
  const say = (node, inNamed) => {
    const role = node.role?.value ?? ''
    const name = (node.name?.value ?? '').trim()
    const state = (node.properties ?? [])
      .filter(({ name: key, value }) => ['expanded', 'pressed', 'invalid', 'disabled', 'level'].includes(key) && value.value !== false && value.value !== 'false')
      .map(({ name: key, value }) => (value.value === true ? key : `${key} ${value.value}`))
    const isSpoken = !node.ignored && !SILENT.has(role) && name !== '' && !(inNamed && role === 'StaticText')
    const value = node.value?.value !== undefined && node.value.value !== '' ? `: ${node.value.value}` : ''
    if (isSpoken) console.log(`- ${role === 'StaticText' ? '' : `${role} `}“${name}”${value}${state.length ? ` (${state.join(', ')})` : ''}`)
    const covers = ['button', 'link', 'heading', 'image', 'LabelText', 'option', 'tab'].includes(role) || (['cell', 'gridcell', 'columnheader', 'rowheader', 'listitem'].includes(role) && name !== '')
    for (const id of node.childIds ?? []) if (byId.has(id)) say(byId.get(id), inNamed || (covers && isSpoken))
  }
  say(nodes[0], false)
  await page.close()
}
await browser.close()
