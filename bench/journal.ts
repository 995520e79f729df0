import { spawnSync } from 'node:child_process'
import { createHash, randomUUID } from 'node:crypto'
import { writeFileSync } from 'node:fs'
import { Agent, request } from 'node:http'
import knex from 'knex'
import { demoBatches, demoLab } from '#demo'
import type { Entry } from '#core/journal'

/** Durable entries a second through the API at 8 clients, beside the bare transaction and pgbench; then the Bench with 2 000 batches. */
const CLIENTS = 8
const SECONDS = Number(process.env.BENCH_SECONDS ?? 4)
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

async function rate(one: (client: number) => Promise<number>): Promise<number> {
  let count = 0
  const until = performance.now() + SECONDS * 1000
  const begun = performance.now()
  await Promise.all(
    Array.from({ length: CLIENTS }, async (_, client) => {
      while (performance.now() < until) {
        const done = await one(client)
        count += done
      }
    }),
  )
  return count / ((performance.now() - begun) / 1000)
}
const say = (name: string, perSecond: number, beside = ''): void =>
  console.log(`${name.padEnd(58)} ${perSecond.toFixed(0).padStart(7)} entries/s  ${beside}`)

async function newBatch(code: string): Promise<string> {
  const [row] = await db('batches')
    .insert({
      id: randomUUID(),
      lab_id: demoLab.id,
      code,
      document: JSON.stringify(demoBatches(new Date())[0]!.document),
    })
    .returning('id')
  return row.id as string
}

const codes = Array.from({ length: CLIENTS }, (_, i) => `AP-${String(i + 1).padStart(3, '0')}`)
for (const code of codes) await newBatch(code)
const bare = await Promise.all(codes.map((_, i) => newBatch(`BA-${i}`)))
const raw = await Promise.all(codes.map((_, i) => newBatch(`RA-${i}`)))

const apiOnce = async (client: number): Promise<number> => {
  const { status } = await send(
    'POST',
    `/api/batches/${codes[client]}/entries`,
    JSON.stringify({ entries: [entryOf(TEXT)] }),
  )
  if (status !== 201) throw new Error(`the API answered ${status}`)
  return 1
}
const seqs = bare.map(() => 0)
const bareOnce = async (client: number): Promise<number> => {
  const entry = entryOf(TEXT)
  const seq = ++seqs[client]!
  await db.transaction(trx =>
    trx('entries').insert({
      id: entry.id,
      lab_id: demoLab.id,
      batch_id: bare[client],
      seq,
      person_id: entry.by,
      kind: entry.kind,
      at: entry.at,
      body: JSON.stringify(entry),
      previous_hash: '0'.repeat(64),
      hash: createHash('sha256').update(JSON.stringify(entry)).digest('hex'),
    }),
  )
  return 1
}

function pgbench(): number {
  const sample = entryOf(TEXT)
  writeFileSync(
    `${process.env.WORK}/insert.sql`,
    `insert into entries (id, lab_id, batch_id, seq, person_id, kind, at, body, previous_hash, hash) values (gen_random_uuid(), '${demoLab.id}', (array['${raw.join("','")}']::uuid[])[:client_id + 1], nextval('raw_seq'), '${person.id}', 'observation', now(), '${JSON.stringify(sample)}', '${'0'.repeat(64)}', '${'f'.repeat(64)}');\n`,
  )
  const { stdout, stderr } = spawnSync(
    process.env.PGBENCH!,
    [
      '-n',
      '-c',
      String(CLIENTS),
      '-j',
      '2',
      '-T',
      String(SECONDS),
      '-f',
      `${process.env.WORK}/insert.sql`,
      process.env.DATABASE_URL!,
    ],
    { encoding: 'utf8' },
  )
  const [, tps] = /tps = ([\d.]+)/.exec(stdout) ?? []
  if (!tps) throw new Error(stderr)
  return Number(tps)
}
await db.raw('create sequence raw_seq')

console.log(`\nDurable entries, ${CLIENTS} clients, ${SECONDS} s each`)
await rate(apiOnce)
const inOneGoOnce = async (client: number): Promise<number> => {
  const entries = Array.from({ length: 500 }, (_, i) => entryOf(`${TEXT} ${i}`))
  const { status } = await send('POST', `/api/batches/${codes[client]}/entries`, JSON.stringify({ entries }))
  if (status !== 201) throw new Error(`the API answered ${status}`)
  return entries.length
}
/** In turns, and the median of each: a disk has its moods. */
const turns = [1, 2, 3]
const rounds: Record<'pgbench' | 'bare' | 'api' | 'go', number>[] = []
for (const _ of turns)
  rounds.push({
    pgbench: pgbench(),
    bare: await rate(bareOnce),
    api: await rate(apiOnce),
    go: await rate(inOneGoOnce),
  })
const middle = (of: keyof (typeof rounds)[number]): number =>
  rounds.map(round => round[of]).sort((a, b) => a - b)[Math.floor(rounds.length / 2)]!
for (const [i, { pgbench, bare, api, go }] of rounds.entries())
  console.log(
    `round ${i + 1}: pgbench ${pgbench.toFixed(0)}, Knex ${bare.toFixed(0)}, API ${api.toFixed(0)}, in one go ${go.toFixed(0)}`,
  )
const [byPgbench, byBare, byApi, inOneGo] = [middle('pgbench'), middle('bare'), middle('api'), middle('go')]
say('pgbench, one insert of the row', byPgbench)
say('Knex, one transaction a row', byBare, `${(byBare / byPgbench).toFixed(2)} of pgbench`)
say('the API, one entry a request', byApi, `${(byApi / byBare).toFixed(2)} of the Knex transaction (0.6 wanted)`)
say('the API, 500 entries a request, after an outage', inOneGo, `${(inOneGo / byApi).toFixed(1)} times (8 wanted)`)

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
