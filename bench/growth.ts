import { createHash } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import { Agent, request } from 'node:http'

import { demoBatches, demoBottles } from '#demo'
import type { Entry } from '#core/journal'
import { NO_TABLES } from '#core/solution'
import { briefOf, plainWords } from '#core/overview'
import { connect } from '../server/db/connect'
import { beginSession } from '../server/db/sessions'
import { pictureOf } from './growth-picture'

/*
 * How the time of each route grows with the labs of an installation, with the batches of one lab, and with the entries of one batch. The rows are written by the database itself, in the form in which the
 * application would have; their hashes are no chain, which no route that is timed here reads. ZIP_LEDGER_URL, DATABASE_URL (the tables' owner), SERVER_PID; GROWTH=small for a look whether it runs, GROWTH=lab for one lab’s batches alone; FOLDER to write the table and
 * the picture into.
 */
const isSmall = process.env.GROWTH === 'small'
const isLab = process.env.GROWTH === 'lab'
const A_LAB = 100
const A_BATCH = 200
const LABS = isLab ? [] : isSmall ? [5, 10] : [10, 100, 1000]
const IN_ONE_LAB = isSmall ? [100, 300] : [100, 1000, 10_000, 100_000]
const IN_ONE_BATCH = isLab ? [] : isSmall ? [200, 400] : [200, 2000, 20_000]
const TIMES = isSmall ? 5 : 60

const url = new URL(process.env.ZIP_LEDGER_URL ?? '')
const db = connect(process.env.DATABASE_URL ?? '', { long: true })
const say = (text: string): void => console.log(text)
const uuidOf = (text: string): string => {
  const plain = createHash('md5').update(text).digest('hex')
  const hash = `${plain.slice(0, 12)}4${plain.slice(13, 16)}8${plain.slice(17)}`
  return [hash.slice(0, 8), hash.slice(8, 12), hash.slice(12, 16), hash.slice(16, 20), hash.slice(20)].join('-')
}
/** The same in the database. */
const UUID = (text: string): string => `overlay(overlay(md5(${text}) placing '4' from 13) placing '8' from 17)::uuid`

const demo = demoBatches(new Date()).find(({ code }) => code === 'ZN-021')!
const { lane, ...brief } = briefOf(demo.document, demo.entries, NO_TABLES)
const [bottle] = demoBottles(new Date())

interface Piece {
  /** The labs from one number to another, by a word. */
  readonly word: string
  readonly labs: readonly [number, number]
  readonly batches: readonly [number, number]
  readonly entries: number
}

/** From so many entries on it is worth making the keys anew. */
const MUCH = 1_000_000
/** Takes the journal's keys away while it is filled, since they are made in one go far sooner; gives back how to put them back. */
async function withoutIndexes(): Promise<() => Promise<void>> {
  const { rows } = await db.raw<{ rows: { name: string; definition: string }[] }>(
    `select conname as name, pg_get_constraintdef(oid) as definition from pg_constraint
     where conrelid = 'entries'::regclass and (contype in ('p', 'u') or confrelid = 'entries'::regclass) order by contype = 'f' desc, contype desc`,
  )
  for (const { name } of rows) await db.raw('alter table entries drop constraint ??', [name])
  return async () => {
    await db.raw("set maintenance_work_mem = '1GB'")
    for (const { name, definition } of rows.toReversed())
      await db.raw(`alter table entries add constraint ?? ${definition}`, [name])
  }
}

/** Labs with their people, batches, briefs and journals. What checks each row as it comes is left out, since all of them are made alike. */
async function load({ word, labs: [from, to], batches: [first, last], entries }: Piece): Promise<void> {
  const begun = performance.now()
  const isMuch = (to - from + 1) * (last - first + 1) * entries > MUCH
  const putBack = isMuch ? await withoutIndexes() : undefined
  await db.transaction(async trx => {
    await trx.raw('set local session_replication_role = replica')
    await trx.raw('set local synchronous_commit = off')
    const bind = {
      ...{ word, from, to, first, last, entries },
      document: JSON.stringify(demo.document),
      brief: JSON.stringify(brief),
      lane: JSON.stringify(lane),
      product: plainWords(`${brief.title}|${brief.product}`),
    }
    const LAB = UUID(':word || l')
    const BATCH = UUID(":word || l || '/' || b")
    const CODE = "'ZN-' || lpad(b::text, greatest(3, length(b::text)), '0')"
    await trx.raw(
      `insert into labs (id, name) select ${LAB}, initcap(:word) || ' ' || l from generate_series(:from::int, :to::int) l on conflict do nothing`,
      bind,
    )
    await trx.raw(
      `insert into people (id, lab_id, name, role) select ${UUID(":word || l || 'p'")}, ${LAB}, 'Somebody ' || l, 'chemist' from generate_series(:from::int, :to::int) l on conflict do nothing`,
      bind,
    )
    await trx.raw(
      `insert into batches (id, lab_id, code, document, last_seq, last_hash, touched_at)
       select ${BATCH}, ${LAB}, ${CODE}, :document::jsonb, :entries::int, repeat('f', 64), now() - b * interval '1 minute' - interval '1 hour'
       from generate_series(:from::int, :to::int) l, generate_series(:first::int, :last::int) b`,
      bind,
    )
    await trx.raw(
      `insert into chain_ends (batch_id, lab_id, code, seq, hash, anchored)
       select ${BATCH}, ${LAB}, ${CODE}, :entries::int, repeat('f', 64), repeat('f', 64) from generate_series(:from::int, :to::int) l, generate_series(:first::int, :last::int) b`,
      bind,
    )
    // One in twenty is under way, one in twenty planned, the others are done; a newer build’s briefs are left alone.
    await trx.raw(
      `insert into briefs (batch_id, lab_id, version, seq, made_by, built_at, is_done, is_fresh, has_timers, due_at, brief, lane, batch_code, batch_touched_at, words)
       select ${BATCH}, ${LAB}, 1, :entries::int, '', 9e15::bigint, b % 20 > 1, b % 20 = 1, b % 40 = 0, case when b % 40 = 0 then now() + b * interval '1 minute' end, :brief, :lane, ${CODE},
         now() - b * interval '1 minute' - interval '1 hour', lower(replace(${CODE}, '-', '')) || '|' || :product
       from generate_series(:from::int, :to::int) l, generate_series(:first::int, :last::int) b`,
      bind,
    )
    await trx.raw(
      `insert into brief_marks (lab_id, until) select ${LAB}, now() from generate_series(:from::int, :to::int) l on conflict (lab_id) do update set until = excluded.until`,
      bind,
    )
    await trx.raw(
      `insert into entries (id, lab_id, batch_id, seq, person_id, kind, at, body, previous_hash, hash, hash_version)
       select id, lab, batch, e, person, 'note', now(),
         jsonb_build_object('id', id, 'at', '2026-05-04T09:00:00Z', 'by', person, 'kind', 'note', 'stage', 's1', 'text', 'the filtrate is clear, rose red'), repeat('0', 64), repeat('f', 64), 2
       from (select ${LAB} as lab, ${BATCH} as batch, ${UUID(":word || l || 'p'")} as person
               from generate_series(:from::int, :to::int) l, generate_series(:first::int, :last::int) b offset 0) made,
         generate_series(1, :entries::int) e, lateral (select ${UUID("batch || '/' || e")} as id) ids`,
      bind,
    )
    await trx.raw(
      `insert into bottles (lab_id, code, number, label, formula, place, words, amount, spread, unit, standing, last_fact)
       select ${LAB}, 'B-' || lpad(n::text, 4, '0'), n, :label::jsonb, 'NaCl', 'Cabinet 1', lower('B-' || lpad(n::text, 4, '0')) || ' nacl sodium chloride cabinet 1', 450, 1, 'g',
         '{"comes":{"kind":"solid","assay":"98 %"},"known":"label"}'::jsonb, 0
       from generate_series(:from::int, :to::int) l, generate_series(1, 50) n on conflict do nothing`,
      { ...bind, label: JSON.stringify(bottle!.label) },
    )
  })
  await putBack?.()
  await db.raw('vacuum analyze')
  say(
    `  ${word}: ${to - from + 1} labs, ${last - first + 1} batches each, ${entries} entries each, written in ${((performance.now() - begun) / 1000).toFixed(0)} s`,
  )
}

const agent = new Agent({ keepAlive: true, maxSockets: 4 })
const send = (cookie: string, method: string, path: string, body?: object): Promise<{ status: number; ms: number }> =>
  new Promise((resolve, reject) => {
    const text = body && JSON.stringify(body)
    const begun = performance.now()
    const sent = request(
      {
        host: url.hostname,
        port: url.port,
        path,
        method,
        agent,
        headers: {
          cookie,
          ...(text && { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) }),
        },
      },
      answer => {
        answer.resume()
        answer.on('end', () => resolve({ status: answer.statusCode ?? 0, ms: performance.now() - begun }))
      },
    )
    sent.on('error', reject)
    sent.end(text)
  })

/** Somebody of a lab, by a session that was begun for them. */
async function cookieOf(word: string, lab: number): Promise<{ cookie: string; person: string }> {
  const person = uuidOf(`${word}${lab}p`)
  const { mark } = await beginSession(db, {
    via: 'sign-in',
    lab: uuidOf(`${word}${lab}`),
    person,
    isStrong: true,
    about: 'bench',
  })
  return { cookie: `zip-ledger=${mark}`, person }
}
const ROUTES = {
  Bench: '/api/bench',
  'Batches, the first 300': '/api/batches',
  'Batches, a search': '/api/batches?words=zn00',
  'A batch': '/api/batches/ZN-001',
  'Its journal, first 5000': '/api/batches/ZN-001/entries',
  'What is new in it': '/api/batches/ZN-001/entries?after=199',
  Shelf: '/api/bottles',
  'Shelf, a search': '/api/bottles?q=sodium',
  'What changed': '/api/changes',
} as const
type Name = keyof typeof ROUTES | 'An entry'
type Times = Record<Name, number>

const at = (times: number[], share: number): number =>
  times.toSorted((a, b) => a - b)[Math.floor(times.length * share)]!
/** 95th percentile of each route, ms, asked by somebody of one of some labs each time. */
async function timesOf(word: string, labs: readonly number[]): Promise<Times> {
  const people = await Promise.all(labs.map(lab => cookieOf(word, lab)))
  const found: Partial<Times> = {}
  for (const [name, path] of Object.entries(ROUTES)) {
    const times: number[] = []
    for (let i = 0; i < TIMES + 5; i++) {
      const { status, ms } = await send(people[i % people.length]!.cookie, 'GET', path)
      if (status !== 200) throw new Error(`${path} answered ${status}`)
      if (i >= 5) times.push(ms)
    }
    found[name as Name] = at(times, 0.95)
  }
  const times: number[] = []
  for (let i = 0; i < TIMES + 5; i++) {
    const { cookie, person } = people[i % people.length]!
    const id = crypto.randomUUID()
    const entry: Entry = { kind: 'note', id, at: new Date().toISOString(), by: person, stage: 's1', text: 'clear' }
    const { status, ms } = await send(cookie, 'POST', '/api/batches/ZN-002/entries', { entries: [entry] })
    if (status !== 201) throw new Error(`an entry was answered ${status}`)
    if (i >= 5) times.push(ms)
  }
  return { ...found, 'An entry': at(times, 0.95) } as Times
}

const plain = new Intl.NumberFormat('en')
interface Series {
  readonly title: string
  readonly of: string
  readonly points: { readonly x: number; readonly times: Times }[]
}
function tableOf({ title, of, points }: Series): string {
  const names = Object.keys(points[0]!.times) as Name[]
  return [
    `### ${title}`,
    '',
    `| 95th percentile, ms | ${points.map(({ x }) => `${plain.format(x)} ${of}`).join(' | ')} |`,
    `| --- |${' ---: |'.repeat(points.length)}`,
    ...names.map(name => `| ${name} | ${points.map(({ times }) => times[name].toFixed(1)).join(' | ')} |`),
    '',
  ].join('\n')
}
const labs: Series = { title: 'Labs of an installation', of: 'labs', points: [] }
const batches: Series = { title: 'Batches of one lab', of: 'batches', points: [] }
const entries: Series = { title: 'Entries of one batch', of: 'entries', points: [] }
const some = (most: number): number[] =>
  Array.from({ length: Math.min(most, 30) }, (_, i) => 1 + Math.floor((i * most) / Math.min(most, 30)))

let before = 0
for (const count of LABS) {
  await load({ word: 'station ', labs: [before + 1, count], batches: [1, A_LAB], entries: A_BATCH })
  before = count
  labs.points.push({ x: count, times: await timesOf('station ', some(count)) })
}
before = 0
for (const count of IN_ONE_LAB) {
  await load({ word: 'large ', labs: [1, 1], batches: [before + 1, count], entries: 2 })
  before = count
  batches.points.push({ x: count, times: await timesOf('large ', [1]) })
}
for (const [i, count] of IN_ONE_BATCH.entries()) {
  await load({ word: 'long ', labs: [i + 1, i + 1], batches: [1, 2], entries: count })
  entries.points.push({ x: count, times: await timesOf('long ', [i + 1]) })
}
const { rows } = await db.raw<{ rows: { entries: string; size: string }[] }>(
  'select (select count(*) from entries) as entries, pg_size_pretty(pg_database_size(current_database())) as size',
)
const memory =
  Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${process.env.SERVER_PID}/status`, 'utf8'))?.[1] ?? 0) / 1000
const all = [labs, batches, entries].filter(({ points }) => points.length > 0)
const summary = `${plain.format(Number(rows[0]!.entries))} entries in ${rows[0]!.size}; the process held ${memory.toFixed(0)} MB at most.`
const text = [...all.map(tableOf), summary, ''].join('\n')
say(text)
if (process.env.FOLDER) {
  writeFileSync(`${process.env.FOLDER}/growth.svg`, pictureOf(text))
  writeFileSync(`${process.env.FOLDER}/growth-table.md`, text)
}
await db.destroy()
agent.destroy()
