import { randomUUID } from 'node:crypto'
import knex from 'knex'
import { demoLab } from '#demo'
import type { Entry } from '#core/journal'
import { hashSlowly } from '../server/access/secrets'

/** How long it takes to come in, alone and with twenty at once, and what that costs those who record meanwhile. */
const address = process.env.ZIP_LEDGER_URL!
const db = knex({ client: 'pg', connection: process.env.DATABASE_URL! })
const [person] = demoLab.people
const password = 'four plain words in a row'
const headers = { 'content-type': 'application/json' }

const [account, member] = [randomUUID(), randomUUID()]
await db('accounts').insert({ id: account, name: `bench-${account.slice(0, 8)}`, password: await hashSlowly(password) })
await db('people').insert({ id: member, lab_id: demoLab.id, name: 'Bench', role: 'chemist', account_id: account })
const { name } = await db('accounts').where({ id: account }).first('name')

async function comeIn(): Promise<number> {
  const begun = performance.now()
  const answer = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ name, password }),
  })
  if (!answer.ok) throw new Error(`nobody comes in: ${answer.status} ${await answer.text()}`)
  await answer.text()
  return performance.now() - begun
}
const middle = (times: number[]): number => times.toSorted((a, b) => a - b)[Math.floor(times.length / 2)]!

const begun = await fetch(`${address}/api/session/demo`, {
  method: 'POST',
  headers,
  body: JSON.stringify({ person: person.id }),
})
const cookie = (begun.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
const entry = (): Entry => ({
  kind: 'observation',
  id: randomUUID(),
  at: new Date().toISOString(),
  by: person.id,
  stage: 's1',
  text: 'clear',
})
let isOver = false
async function record(code: string): Promise<number[]> {
  const times: number[] = []
  while (!isOver) {
    const from = performance.now()
    const answer = await fetch(`${address}/api/batches/${code}/entries`, {
      method: 'POST',
      headers: { ...headers, cookie },
      body: JSON.stringify({ entries: [entry()] }),
    })
    if (answer.status !== 201) throw new Error(`the API answered ${answer.status}`)
    await answer.text()
    times.push(performance.now() - from)
  }
  return times
}
/** Entries a second, and the longest wait, of four who record while something else goes on. */
async function beside(work: () => Promise<unknown>): Promise<{ perSecond: number; longest: number; seconds: number }> {
  isOver = false
  const from = performance.now()
  const recording = ['ZN-021', 'CU-009', 'ZN-020', 'CO-003'].map(record)
  await work()
  isOver = true
  const times = (await Promise.all(recording)).flat()
  const seconds = (performance.now() - from) / 1000
  return { perSecond: times.length / seconds, longest: Math.max(...times), seconds }
}

await comeIn()
const alone: number[] = []
for (let i = 0; i < 15; i++) alone.push(await comeIn())
console.log(`\nSigning in, argon2id at 19 MiB, 2 passes, 1 lane`)
console.log(
  `alone                                  median ${middle(alone).toFixed(0)} ms, longest ${Math.max(...alone).toFixed(0)} ms (300 wanted)`,
)
await beside(() => new Promise(resolve => setTimeout(resolve, 1000)))
const quiet = await beside(() => new Promise(resolve => setTimeout(resolve, 2000)))
let times: number[] = []
const crowd = await beside(async () => {
  times = await Promise.all(Array.from({ length: 20 }, comeIn))
})
console.log(`twenty at once                         the last after ${Math.max(...times).toFixed(0)} ms`)
console.log(
  `entries meanwhile, four who record     ${crowd.perSecond.toFixed(0)} a second, longest wait ${crowd.longest.toFixed(0)} ms (quiet: ${quiet.perSecond.toFixed(0)}, ${quiet.longest.toFixed(0)} ms)`,
)
await db.destroy()
