import { randomUUID } from 'node:crypto'
import { Agent, request } from 'node:http'
import knex from 'knex'
import { demoBatches, demoLab } from '#demo'
import type { Entry } from '#core/journal'

/** The Bench of a lab with 2 000 open batches: its briefs made anew, and looks at it. */
const CLIENTS = 8
const url = new URL(process.env.ZIP_LEDGER_URL!)
const db = knex({ client: 'pg', connection: process.env.DATABASE_URL!, pool: { min: CLIENTS, max: CLIENTS } })
const agent = new Agent({ keepAlive: true, maxSockets: CLIENTS })
const [person] = demoLab.people

const entryOf = (text: string): Entry => ({
  kind: 'observation',
  id: randomUUID(),
  at: new Date().toISOString(),
  by: person.id,
  stage: 's1',
  text,
})
const stepOf = ({ id: step, words }: { id: string; words: string }): Entry => ({
  kind: 'step',
  id: randomUUID(),
  at: new Date().toISOString(),
  by: person.id,
  stage: 's1',
  step,
  what: 'begun',
  words,
})
/** Everybody of the bench is somebody of the demo. */
const begun = await fetch(`${url.origin}/api/session/demo`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ person: person.id }),
})
const cookie = (begun.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
const TEXT = 'the filtrate is clear, rose red'

const send = (method: string, path: string, body?: string): Promise<{ status: number; length: number }> =>
  new Promise((resolve, reject) => {
    const sent = request(
      {
        host: url.hostname,
        port: url.port,
        path,
        method,
        agent,
        headers: {
          cookie,
          ...(body && { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) }),
        },
      },
      answer => {
        let length = 0
        answer.on('data', (piece: Buffer) => (length += piece.length))
        answer.on('end', () => resolve({ status: answer.statusCode ?? 0, length }))
      },
    )
    sent.on('error', reject)
    sent.end(body)
  })

console.log('\nThe Bench with 2 000 open batches and 200 000 entries')
await db.raw('truncate briefs')
const { document } = demoBatches(new Date()).find(({ code }) => code === 'ZN-021')!
const steps = document.procedures![0]!.steps
const MANY = 2000
for (let from = 0; from < MANY; from += 50) {
  const batches = Array.from({ length: 50 }, (_, i) => ({
    id: randomUUID(),
    lab_id: demoLab.id,
    code: `ZN-${1000 + from + i}`,
    document: JSON.stringify(document),
  }))
  await db('batches').insert(batches)
  for (const { code } of batches) {
    const entries = Array.from({ length: 100 }, (_, i): Entry => {
      const step = steps[i % 12]!
      return i < 12 && i % 3 !== 2 ? stepOf(step) : entryOf(`${TEXT} ${i}`)
    })
    const { status } = await send('POST', `/api/batches/${code}/entries`, JSON.stringify({ entries }))
    if (status !== 201) throw new Error(`the API answered ${status}`)
  }
}
await db.raw('analyze')
const cold = performance.now()
for (;;) {
  const [{ count }] = (await db('briefs').count('* as count')) as unknown as { count: string }[]
  if (Number(count) >= MANY) break
  await send('GET', '/api/bench')
  await new Promise(resolve => setTimeout(resolve, 50))
}
console.log(
  `every brief made anew, as after an update      ${((performance.now() - cold) / 1000).toFixed(1)} s, in the background`,
)
const percentile = (times: number[], share: number): number =>
  times.toSorted((a, b) => a - b)[Math.floor(times.length * share)]!
async function ask(path: string, times: number, before?: () => Promise<unknown>): Promise<number[]> {
  const list: number[] = []
  for (let i = 0; i < times; i++) {
    await before?.()
    const begun = performance.now()
    const { status } = await send('GET', path)
    if (status !== 200) throw new Error(`${path} answered ${status}`)
    list.push(performance.now() - begun)
  }
  return list
}
const tell = (name: string, times: number[]): void =>
  console.log(
    `${name.padEnd(46)} median ${percentile(times, 0.5).toFixed(0)} ms, 95th percentile ${percentile(times, 0.95).toFixed(0)} ms (150 wanted)`,
  )
tell('the Bench, quiet', await ask('/api/bench', 200))
let turn = 0
const writeOne = (): Promise<unknown> =>
  send('POST', `/api/batches/ZN-${1000 + (turn++ % MANY)}/entries`, JSON.stringify({ entries: [entryOf(TEXT)] }))
tell('the Bench, an entry before each look', await ask('/api/bench', 200, writeOne))
tell('all batches, listed', await ask('/api/batches', 60))
await db.destroy()
agent.destroy()
