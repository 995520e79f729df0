import { chromium, type Page } from '@playwright/test'

/*
 * How long until a record stands on its page, in a browser that was here before (its files are in the browser's cache): by its address, with the start of the app, and from the rail of its batch. Each time
 * counts from the going there to the frame after its first heading is drawn; the app's own start, on a page of little, is told beside.
 */
const ARGS = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking']
const TIMES = 9
const FIRST_ONES = 2

/** ms until something is there, in the page's own clock since `from` on it. */
const until = (page: Page, what: string, from: number): Promise<number> =>
  page.evaluate(
    ([selector, begun]) =>
      new Promise<number>(resolve => {
        const look = (): void => {
          if (document.querySelector(selector)) requestAnimationFrame(() => resolve(performance.now() - begun))
          else requestAnimationFrame(look)
        }
        look()
      }),
    [what, from] as const,
  )
const tell = (name: string, took: readonly number[]): void => {
  const sorted = took.slice(FIRST_ONES).toSorted((a, b) => a - b)
  console.log(
    `${name}: median ${sorted[sorted.length >> 1]!.toFixed(0)} ms, shortest ${sorted[0]!.toFixed(0)} ms, longest ${sorted.at(-1)!.toFixed(0)} ms`,
  )
}
const PAPER = 'main article h2'

/** Opens the record of a batch as somebody of the demo does. */
export async function timePage(url: string, code: string): Promise<void> {
  const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: ARGS })
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await page.request.post(`${url}/api/session/demo`, { data: {} })
    const [byAddress, bare, fromRail]: number[][] = [[], [], []]
    for (let i = 0; i < TIMES + FIRST_ONES; i++) {
      await page.goto(`${url}/batches/${code}/record`, { waitUntil: 'commit' })
      byAddress!.push(await until(page, PAPER, 0))
      await page.waitForTimeout(300)
      await page.goto(`${url}/account`, { waitUntil: 'commit' })
      bare!.push(await until(page, 'h1', 0))
      await page.goto(`${url}/batches/${code}/sheet`)
      await page.waitForTimeout(1500)
      const begun = await page.evaluate(() => {
        const at = performance.now()
        const link = [...document.querySelectorAll<HTMLAnchorElement>('nav a')].find(one =>
          /\/record$/.test(one.pathname),
        )
        link?.click()
        return at
      })
      fromRail!.push(await until(page, PAPER, begun))
    }
    tell('  in a browser, by its address, with the start of the app', byAddress!)
    tell('  the start of the app alone', bare!)
    tell('  from the rail of its batch', fromRail!)
  } finally {
    await browser.close()
  }
}
