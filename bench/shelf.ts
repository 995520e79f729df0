import { randomUUID } from 'node:crypto'
import { chromium } from '@playwright/test'
import { demoLab } from '#demo'
import { connect } from '../server/db/connect'

/*
 * A shelf of 20 000 bottles of which a million draws were written down: how long its page takes, a search, a bottle's ledger, a draw. ZIP_LEDGER_URL, DATABASE_URL (the tables' owner).
 * The rows are written by the database itself, as the application would have; the stored balance is left as it came.
 */
const url = process.env.ZIP_LEDGER_URL ?? ''
const [BOTTLES, DRAWS] = [20_000, 50]
const db = connect(process.env.DATABASE_URL ?? '', { long: true })
const person = demoLab.people[0].id
const first = ((await db('bottles').where({ lab_id: demoLab.id }).max('number'))[0]?.max as number | null) ?? 0
await db.raw(
  `insert into bottles (lab_id, code, number, label, formula, place, words, amount, spread, unit, standing, last_fact)
   select ?::uuid, 'B-' || (? + n), ? + n,
          jsonb_build_object('formula', f, 'comes', '{"kind":"solid","assay":"98 %"}'::jsonb, 'known', 'label', 'lot', 'L-' || n, 'place', 'Cabinet ' || n % 200),
          f, 'Cabinet ' || n % 200, lower('B-' || (? + n) || ' ' || f || ' L-' || n || ' cabinet ' || n % 200), 450, 1, 'g',
          '{"comes":{"kind":"solid","assay":"98 %"},"known":"label"}'::jsonb, ? + 1
   from generate_series(1, ?) n, lateral (select (array['NaCl','KOH','CuSO4·5H2O','ZnO','Na2SO3','NiSO4·6H2O','H3BO3','CoCO3'])[1 + n % 8] f) formulas`,
  [demoLab.id, first, first, first, DRAWS, BOTTLES],
)
await db.raw(
  `insert into bottle_facts (lab_id, bottle, seq, id, body, person_id)
   select ?::uuid, 'B-' || (? + n), s, id,
          jsonb_build_object('id', id, 'at', to_char(now() - (100 - s) * interval '1 day', 'YYYY-MM-DD"T"HH24:MI:SS"Z"'), 'by', ?::text, 'kind', case when s = 1 then 'came' else 'drawn' end, 'amount', case when s = 1 then '500 g' else '1.00 g' end), ?::uuid
   from generate_series(1, ?) n, generate_series(1, ? + 1) s, lateral (select gen_random_uuid() id where n > 0 and s > 0) ids`,
  [demoLab.id, first, person, person, BOTTLES, DRAWS],
)
await db.raw('analyze bottles')
await db.raw('analyze bottle_facts')
await db.destroy()

const signed = await fetch(`${url}/api/session/demo`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ person }),
})
const cookie = (signed.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
async function timed(name: string, times: number, ask: (i: number) => Promise<Response>): Promise<void> {
  const took: number[] = []
  for (let i = 0; i < times; i++) {
    const begun = performance.now()
    const answer = await ask(i)
    await answer.arrayBuffer()
    if (!answer.ok) throw new Error(`${name}: ${answer.status}`)
    took.push(performance.now() - begun)
  }
  took.sort((a, b) => a - b)
  const at = (share: number): string => took[Math.min(took.length - 1, Math.floor(took.length * share))]!.toFixed(1)
  console.log(`  ${name}: median ${at(0.5)} ms, p95 ${at(0.95)} ms`)
}
const get = (path: string): Promise<Response> => fetch(`${url}${path}`, { headers: { cookie } })
const bottle = (i: number): string => `B-${first + 1 + ((i * 7919) % BOTTLES)}`
console.log(`A shelf of ${BOTTLES} bottles with ${BOTTLES * DRAWS} draws:`)
await timed('its first two hundred, as the page asks for them', 40, () => get('/api/bottles'))
await timed('a search by formula', 40, () => get('/api/bottles?q=CuSO4'))
await timed('a search by lot', 40, i => get(`/api/bottles?q=L-${1000 + i}`))
await timed('the last two hundred', 40, () => get(`/api/bottles?after=${first + BOTTLES - 200}`))
await timed('a bottle with its ledger', 100, i => get(`/api/bottles/${bottle(i)}`))
await timed('a draw', 200, i =>
  fetch(`${url}/api/bottles/${bottle(i)}/facts`, {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json' },
    body: JSON.stringify({
      fact: { id: randomUUID(), at: new Date().toISOString(), by: person, kind: 'drawn', amount: '1.00 g' },
    }),
  }),
)
await timed('what on it is worth a look', 5, () => get('/api/shelf'))
await timed('the shopping list', 10, () => get('/api/shopping'))

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
})
const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
const [key = '', value = ''] = cookie.split('=')
await context.addCookies([{ name: key, value, url }])
const page = await context.newPage()
/** From the press of its link until its rows are drawn, ms. */
const opened: number[] = []
const typed: number[] = []
for (let i = 0; i < 7; i++) {
  await page.goto(`${url}/tables`)
  await page.getByRole('link', { name: 'Shelf' }).waitFor()
  await page.waitForTimeout(1500)
  opened.push(
    await page.evaluate(
      () =>
        new Promise<number>(resolve => {
          const begun = performance.now()
          const look = (): void => {
            if (document.querySelector('[role=listitem] a'))
              requestAnimationFrame(() => resolve(performance.now() - begun))
            else setTimeout(look, 2)
          }
          const link = [...document.querySelectorAll('header a')].find(({ textContent }) => textContent === 'Shelf')
          ;(link as HTMLElement).click()
          look()
        }),
    ),
  )
  const begun = performance.now()
  await page.getByLabel('Search the shelf').fill(`L-${2000 + i}`)
  await page
    .getByRole('status')
    .filter({ hasText: /bottles? with/ })
    .waitFor()
  typed.push(performance.now() - begun)
}
const middle = (all: number[]): string => [...all].sort((a, b) => a - b)[all.length >> 1]!.toFixed(0)
console.log(
  `  its page in the browser, from its link to its rows: median ${middle(opened)} ms, longest ${Math.max(...opened).toFixed(0)} ms`,
)
console.log(
  `  a search in the browser, from the last letter (150 ms are waited for another): median ${middle(typed)} ms`,
)
await browser.close()
