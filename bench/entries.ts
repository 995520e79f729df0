import { spawnSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { connect, type Socket } from 'node:net'
import knex from 'knex'
import { demoBatches, demoLab } from '#demo'
import type { Entry } from '#core/journal'

/*
 * Durable entries a second through the API: 8 and 64 clients, one process and two, direct and through PgBouncer, beside pgbench in the same run; and how long an append takes at half of the full load.
 * DATABASE_URL (the tables' owner), DIRECT and POOLED with two addresses each, PGBENCH, WORK.
 */
const SECONDS = Number(process.env.BENCH_SECONDS ?? 2)
const ROUNDS = Number(process.env.BENCH_ROUNDS ?? 6)
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

/** Entries of a client before it goes on to its next batch: a bench’s journals are seldom longer, and one from five hundred on is told anew when it rests, in a thread beside. */
const A_JOURNAL = 100
/** Entries a second; each client writes to batches of its own, and stays with one process, as a browser does. */
async function rate(urls: readonly URL[], codes: readonly string[], clients: number, atOnce: number): Promise<number> {
  let count = 0
  const from = performance.now()
  const until = from + SECONDS * 1000
  await Promise.all(
    Array.from({ length: clients }, async (_, client) => {
      let sent = 0
      while (performance.now() < until) {
        const entries = Array.from({ length: atOnce }, (_, i) => entryOf(`${TEXT} ${i}`))
        const mine = Math.floor(sent / A_JOURNAL) * clients + client
        await post(urls[client % urls.length]!, codes[mine % codes.length]!, entries)
        sent += atOnce
        count += atOnce
      }
    }),
  )
  return count / ((performance.now() - from) / 1000)
}
/** How long each append takes from when it was due, ms, at so many a second. */
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
        post(urls[i % urls.length]!, codes[i % codes.length]!, [entryOf(TEXT)]).then(
          () => void times.push(performance.now() - dueAt),
        ),
      )
    }
    await new Promise(resolve => setTimeout(resolve, 1))
  }
  await Promise.all(sent)
  return times
}

const { ids } = await newBatches('RAW')
await db.raw('create sequence raw_seq')
writeFileSync(
  `${process.env.WORK}/insert.sql`,
  `insert into entries (id, lab_id, batch_id, seq, person_id, kind, at, body, previous_hash, hash) values (gen_random_uuid(), '${demoLab.id}', (array['${ids.join("','")}']::uuid[])[:client_id + 1], nextval('raw_seq'), '${person.id}', 'observation', now(), '${JSON.stringify(entryOf(TEXT))}', '${'0'.repeat(64)}', '${'f'.repeat(64)}');\n`,
)
/** Inserts a second by pgbench; at so many a second also how long each took from when it was due, ms. */
function pgbench(clients: number, perSecond?: number): { readonly rate: number; readonly times: readonly number[] } {
  const log = `${process.env.WORK}/pgbench-log`
  const paced = perSecond === undefined ? [] : ['-R', String(Math.ceil(perSecond)), '-l', '--log-prefix', log]
  const how = ['-n', '-c', String(clients), '-j', '2', '-T', String(SECONDS), ...paced]
  const all = [...how, '-f', `${process.env.WORK}/insert.sql`, process.env.DATABASE_URL!]
  const { stdout, stderr } = spawnSync(process.env.PGBENCH!, all, { encoding: 'utf8' })
  const [, tps] = /tps = ([\d.]+)/.exec(stdout) ?? []
  if (!tps) throw new Error(stderr)
  const logs = readdirSync(process.env.WORK!).filter(name => name.startsWith('pgbench-log'))
  const times = logs.flatMap(name => {
    const text = readFileSync(`${process.env.WORK}/${name}`, 'utf8')
    rmSync(`${process.env.WORK}/${name}`)
    return text
      .trimEnd()
      .split('\n')
      .flatMap(line => Number(line.split(' ')[2]) / 1000 || [])
  })
  return { rate: Number(tps), times }
}

let made = 0
const freshCodes = async (): Promise<readonly string[]> => (await newBatches(`B${made++}`)).codes

const WAYS = [
  { name: 'direct', of: direct },
  { name: 'through PgBouncer', of: pooled },
] as const
const PROCESSES = [1, 2] as const
const nameOf = (way: string, processes: number): string =>
  `${way}, ${processes === 1 ? 'one process' : 'two processes'}`
const CASES = [
  { clients: 8, atOnce: 1 },
  { clients: 64, atOnce: 1 },
  { clients: 8, atOnce: 500 },
] as const

const found = new Map<string, number[]>()
const keep = (key: string, ...values: number[]): void => void found.set(key, [...(found.get(key) ?? []), ...values])
/** So great a share of the values lies below this. */
function quantile(of: readonly number[], share: number): number {
  const values = of.toSorted((a, b) => a - b)
  return values[Math.min(values.length - 1, Math.floor(values.length * share))] ?? 0
}
const at = (key: string, share: number): number => quantile(found.get(key) ?? [], share)
/** Of all rounds together, and of each: a disk that stands still for half a second in one of them makes the tail of all. */
function keepWaits(key: string, times: readonly number[]): void {
  keep(`${key} waits`, ...times)
  keep(`${key} tails`, quantile(times, 0.99))
}
const middle = (key: string): number => at(key, 0.5)

/**
 * The machine’s own speed changes from one moment to the next: what is compared is measured within seconds, pgbench, direct and pooled, and it is the ratios of
 * which the median is told.
 */
async function measure({ clients, atOnce }: (typeof CASES)[number]): Promise<void> {
  for (const processes of PROCESSES) {
    const raw = pgbench(clients).rate
    keep(`pgbench ${clients}`, raw)
    const rates: number[] = []
    for (const { name, of } of WAYS) {
      const value = await rate(of.slice(0, processes), await freshCodes(), clients, atOnce)
      const key = `${nameOf(name, processes)} ${clients} ${atOnce}`
      keep(key, value)
      keep(`${key} of pgbench`, value / raw)
      if (rates[0]) keep(`${key} of direct`, value / rates[0])
      rates.push(value)
    }
  }
}

console.log(
  `\nDurable entries a second, ${SECONDS} s each, in ${ROUNDS} rounds: medians, also of the ratios within a round`,
)
for (const processes of PROCESSES)
  for (const { of } of WAYS) await rate(of.slice(0, processes), await freshCodes(), 8, 1)
const [one, many, together] = CASES
for (let round = 0; round < ROUNDS; round++) for (const each of [one, many]) await measure(each)
// What the full load left to do for the disk is no part of half of it.
await db.raw('checkpoint')
await new Promise(resolve => setTimeout(resolve, 5000))
const halves = new Map(
  PROCESSES.flatMap(processes =>
    WAYS.map(({ name }) => [nameOf(name, processes), middle(`${nameOf(name, processes)} 8 1`) / 2] as const),
  ),
)
const half = Math.max(...halves.values())
for (let round = 0; round < ROUNDS; round++) {
  keepWaits('pgbench', pgbench(8, half).times)
  for (const processes of PROCESSES)
    for (const { name, of } of WAYS) {
      const key = nameOf(name, processes)
      const urls = of.slice(0, processes)
      const codes = await freshCodes()
      // A process looks a batch up once; on a bench it knows the batches that are worked on.
      for (const url of urls) await Promise.all(codes.map(code => post(url, code, [entryOf(TEXT)])))
      keepWaits(key, await waits(urls, codes, halves.get(key)!))
    }
}
for (let round = 0; round < ROUNDS; round++) await measure(together)

const tell = (label: string, value: string): void => console.log(`${label.padEnd(62)} ${value}`)
for (const clients of [8, 64])
  tell(`pgbench, one insert of the row, ${clients} clients`, middle(`pgbench ${clients}`).toFixed(0).padStart(7))
for (const { clients, atOnce } of CASES)
  for (const processes of PROCESSES)
    for (const { name } of WAYS) {
      const key = `${nameOf(name, processes)} ${clients} ${atOnce}`
      const label = `${nameOf(name, processes)}, ${clients} clients, ${atOnce === 1 ? 'one entry' : `${atOnce} entries`} a request`
      const [low, mid, high] = [0.1, 0.5, 0.9].map(share => at(`${key} of pgbench`, share).toFixed(2))
      const through = name === 'direct' ? '' : `, ${middle(`${key} of direct`).toFixed(2)} of direct`
      tell(label, `${middle(key).toFixed(0).padStart(7)}  ${mid} of pgbench (${low} to ${high})${through}`)
    }
console.log(
  'Wanted: 0.30 of pgbench direct at 8 clients, 0.80 of that through PgBouncer, 2.5 times pgbench at 500 a request',
)
const waited = (key: string): string =>
  `median ${at(`${key} waits`, 0.5).toFixed(1)} ms, p99 ${middle(`${key} tails`).toFixed(1)} ms in the middle round, ${at(`${key} waits`, 0.99).toFixed(1)} ms of all`
tell(`pgbench, ${half.toFixed(0)} a second`, waited('pgbench'))
for (const [key, perSecond] of halves)
  tell(`${key}, at half of the full load (${perSecond.toFixed(0)} a second)`, `${waited(key)} (40 wanted)`)
await db.destroy()
for (const { socket } of [...lines.values()].flat()) socket.destroy()
