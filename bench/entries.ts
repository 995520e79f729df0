import { spawnSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { writeFileSync } from 'node:fs'
import { connect, type Socket } from 'node:net'
import knex from 'knex'
import { demoBatches, demoLab } from '#demo'
import type { Entry } from '#core/journal'

/*
 * Durable entries a second through the API: 8 and 64 clients, one process and two, direct and through PgBouncer, beside pgbench in the same run; and how long an append takes at half of the full load.
 * DATABASE_URL (the tables' owner), DIRECT and POOLED with two addresses each, PGBENCH, WORK.
 */
const SECONDS = Number(process.env.BENCH_SECONDS ?? 4)
const ROUNDS = Number(process.env.BENCH_ROUNDS ?? 3)
const direct = (process.env.DIRECT ?? '').split(' ').map(one => new URL(one))
const pooled = (process.env.POOLED ?? '').split(' ').map(one => new URL(one))
const MOST = 64
const db = knex({ client: 'pg', connection: process.env.DATABASE_URL! })
const [person] = demoLab.people
const TEXT = 'the filtrate is clear, rose red'
const entryOf = (text: string): Entry => ({
  kind: 'observation',
  id: randomUUID(),
  at: new Date().toISOString(),
  by: person.id,
  stage: 's1',
  text,
})

const begun = await fetch(`${direct[0]!.origin}/api/session/demo`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ person: person.id }),
})
const cookie = (begun.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
/** A connection that is kept, and does as little as it can: on these cores whoever asks takes time from whoever answers, as pgbench takes almost none. */
interface Line {
  readonly socket: Socket
  /** What came of the answer so far. */
  heard: string
  settle: ((error?: Error) => void) | undefined
}
const lines = new Map<string, Line[]>()
function openLine(url: URL): Line {
  const socket = connect(Number(url.port), url.hostname).setNoDelay().setEncoding('latin1')
  const line: Line = { socket, heard: '', settle: undefined }
  const end = (error?: Error): void => {
    const { settle } = line
    line.settle = undefined
    settle?.(error)
  }
  socket.on('data', (part: string) => {
    line.heard += part
    const head = line.heard.indexOf('\r\n\r\n')
    if (head < 0) return
    const [, length] = /\r\ncontent-length: (\d+)/i.exec(line.heard) ?? []
    if (length === undefined) return end(new Error(`an answer without its length: ${line.heard.slice(0, 200)}`))
    if (line.heard.length < head + 4 + Number(length)) return
    const isKept = line.heard.startsWith('HTTP/1.1 201')
    const answer = line.heard.slice(0, 200)
    line.heard = ''
    end(isKept ? undefined : new Error(`the API answered ${answer}`))
  })
  socket.on('error', end)
  socket.on('close', () => end(new Error('the connection was closed')))
  return line
}
async function post(url: URL, code: string, entries: readonly Entry[]): Promise<void> {
  const body = JSON.stringify({ entries })
  const free = lines.get(url.host) ?? []
  lines.set(url.host, free)
  const found = free.pop()
  const line = found && !found.socket.destroyed ? found : openLine(url)
  await new Promise<void>((resolve, reject) => {
    line.settle = error => (error ? reject(error) : resolve())
    line.socket.write(
      `POST /api/batches/${code}/entries HTTP/1.1\r\nhost: ${url.host}\r\ncookie: ${cookie}\r\ncontent-type: application/json\r\ncontent-length: ${Buffer.byteLength(body)}\r\n\r\n${body}`,
    )
  })
  free.push(line)
}

const document = JSON.stringify(demoBatches(new Date())[0]!.document)
async function newBatches(prefix: string): Promise<{ ids: string[]; codes: string[] }> {
  const rows = Array.from({ length: MOST }, (_, i) => ({ id: randomUUID(), code: `${prefix}-${i + 1}` }))
  await db('batches').insert(rows.map(row => ({ ...row, lab_id: demoLab.id, document })))
  return { ids: rows.map(({ id }) => id), codes: rows.map(({ code }) => code) }
}

/** Entries a second; each client writes to a batch of its own, and stays with one process, as a browser does. */
async function rate(urls: readonly URL[], codes: readonly string[], clients: number, atOnce: number): Promise<number> {
  let count = 0
  const from = performance.now()
  const until = from + SECONDS * 1000
  await Promise.all(
    Array.from({ length: clients }, async (_, client) => {
      while (performance.now() < until) {
        const entries = Array.from({ length: atOnce }, (_, i) => entryOf(`${TEXT} ${i}`))
        await post(urls[client % urls.length]!, codes[client]!, entries)
        count += atOnce
      }
    }),
  )
  return count / ((performance.now() - from) / 1000)
}
/** 99th percentile of an append, ms, from when it was due, at so many a second. */
async function waits(urls: readonly URL[], codes: readonly string[], perSecond: number): Promise<number[]> {
  const times: number[] = []
  const sent: Promise<void>[] = []
  const from = performance.now()
  const all = Math.floor(perSecond * SECONDS)
  for (let i = 0; i < all;) {
    const due = Math.min(all, Math.floor(((performance.now() - from) / 1000) * perSecond) + 1)
    for (; i < due; i++) {
      const dueAt = from + (i * 1000) / perSecond
      sent.push(
        post(urls[i % urls.length]!, codes[i % 8]!, [entryOf(TEXT)]).then(
          () => void times.push(performance.now() - dueAt),
        ),
      )
    }
    await new Promise(resolve => setTimeout(resolve, 1))
  }
  await Promise.all(sent)
  return times.toSorted((a, b) => a - b)
}

const { ids } = await newBatches('RAW')
await db.raw('create sequence raw_seq')
writeFileSync(
  `${process.env.WORK}/insert.sql`,
  `insert into entries (id, lab_id, batch_id, seq, person_id, kind, at, body, previous_hash, hash) values (gen_random_uuid(), '${demoLab.id}', (array['${ids.join("','")}']::uuid[])[:client_id + 1], nextval('raw_seq'), '${person.id}', 'observation', now(), '${JSON.stringify(entryOf(TEXT))}', '${'0'.repeat(64)}', '${'f'.repeat(64)}');\n`,
)
function pgbench(clients: number): number {
  const how = ['-n', '-c', String(clients), '-j', '2', '-T', String(SECONDS), '-f', `${process.env.WORK}/insert.sql`]
  const { stdout, stderr } = spawnSync(process.env.PGBENCH!, [...how, process.env.DATABASE_URL!], { encoding: 'utf8' })
  const [, tps] = /tps = ([\d.]+)/.exec(stdout) ?? []
  if (!tps) throw new Error(stderr)
  return Number(tps)
}

const settings = [
  { name: 'direct, one process', urls: direct.slice(0, 1) },
  { name: 'direct, two processes', urls: direct },
  { name: 'through PgBouncer, one process', urls: pooled.slice(0, 1) },
  { name: 'through PgBouncer, two processes', urls: pooled },
] as const
/** New batches each time, so that journals have the length that a bench’s have: one from five hundred entries on is told anew when it rests, in a thread beside. */
let made = 0
const freshCodes = async (): Promise<readonly string[]> => (await newBatches(`B${made++}`)).codes

const CASES = [
  { clients: 8, atOnce: 1 },
  { clients: 64, atOnce: 1 },
  { clients: 8, atOnce: 500 },
] as const
const keyOf = (name: string, { clients, atOnce }: (typeof CASES)[number]): string => `${name} ${clients} ${atOnce}`
const found = new Map<string, number[]>()
const keep = (key: string, value: number): void => void found.set(key, [...(found.get(key) ?? []), value])
const middle = (key: string): number => {
  const values = (found.get(key) ?? []).toSorted((a, b) => a - b)
  return values[Math.floor(values.length / 2)] ?? 0
}

console.log(`\nDurable entries a second, ${SECONDS} s each, in ${ROUNDS} rounds, the median of each`)
for (const { urls } of settings) await rate(urls, await freshCodes(), 8, 1)
async function measure(cases: readonly (typeof CASES)[number][]): Promise<void> {
  for (let round = 0; round < ROUNDS; round++)
    for (const one of cases) {
      if (one.atOnce === 1) keep(`pgbench ${one.clients}`, pgbench(one.clients))
      for (const { name, urls } of settings)
        keep(keyOf(name, one), await rate(urls, await freshCodes(), one.clients, one.atOnce))
    }
}
await measure(CASES.filter(({ atOnce }) => atOnce === 1))
// What the full load left to do for the disk is no part of half of it.
await db.raw('checkpoint')
await new Promise(resolve => setTimeout(resolve, 5000))
const atHalf: { readonly name: string; readonly half: number; readonly times: readonly number[] }[] = []
for (const { name, urls } of settings) {
  const codes = await freshCodes()
  const half = middle(keyOf(name, CASES[0])) / 2
  await waits(urls, codes, half / 4)
  atHalf.push({ name, half, times: await waits(urls, codes, half) })
}
await measure(CASES.filter(({ atOnce }) => atOnce > 1))
for (const clients of [8, 64])
  console.log(
    `${`pgbench, one insert of the row, ${clients} clients`.padEnd(62)} ${middle(`pgbench ${clients}`).toFixed(0).padStart(7)}`,
  )
for (const one of CASES)
  for (const { name } of settings) {
    const value = middle(keyOf(name, one))
    const label = `${name}, ${one.clients} clients, ${one.atOnce === 1 ? 'one entry' : `${one.atOnce} entries`} a request`
    const beside = value / middle(`pgbench ${one.clients}`)
    const directly = value / middle(keyOf(name.replace('through PgBouncer', 'direct'), one))
    const through = name.startsWith('through') ? `, ${directly.toFixed(2)} of direct` : ''
    console.log(`${label.padEnd(62)} ${value.toFixed(0).padStart(7)}  ${beside.toFixed(2)} of pgbench${through}`)
  }
console.log(
  'Wanted: 0.30 of pgbench direct at 8 clients, 0.80 of that through PgBouncer, 2.5 times pgbench at 500 a request',
)
for (const { name, half, times } of atHalf) {
  const at = (share: number): string => times[Math.min(times.length - 1, Math.floor(times.length * share))]!.toFixed(1)
  console.log(
    `${`${name}, at half of the full load (${half.toFixed(0)} a second)`.padEnd(62)} median ${at(0.5)} ms, p99 ${at(0.99)} ms (40 wanted)`,
  )
}
await db.destroy()
for (const { socket } of [...lines.values()].flat()) socket.destroy()
