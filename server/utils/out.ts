import { Readable } from 'node:stream'
import type { H3Event } from 'h3'
import type { Knex } from 'knex'
import type { RecordPage } from '#core/record'
import type { Access } from '../access/access'
import { listActs } from '../db/acts'
import { findBatch, isUnread, type Batch } from '../db/batches'
import { signingKey } from '../db/keyring'
import { thingsOf } from '../db/lab-things'
import { tellProgress } from '../db/exports'
import { findLab } from '../db/people'
import { recordSource } from '../db/record-source'
import { recordApart } from '../jobs/records'
import { filesOf, LAB } from '../record/files'
import type { OutFile } from '../record/tables'
import { zipOf, zipped } from '../record/zip'
import { shelfCsv } from './shelf-out'

export interface Wanted {
  /** With the record on paper. */
  readonly hasPaper: boolean
  /** Without the explanations of the yield, which take longest. */
  readonly isQuick: boolean
}

/** A batch with its record, ready to be taken out. */
interface Ready {
  readonly batch: Batch
  readonly page: RecordPage
}
async function readyOf(db: Knex, access: Access, batch: Batch, isQuick: boolean): Promise<Ready> {
  return { batch, page: await pageOf(await recordSource(db, access, batch), isQuick) }
}

/** Every file of a batch as it is taken out. */
export async function* batchFiles(
  event: H3Event,
  db: Knex,
  access: Access,
  batch: Batch,
  { hasPaper, isQuick }: Wanted,
): AsyncGenerator<OutFile> {
  const at = new Date()
  const ready = await readyOf(db, access, batch, isQuick)
  const pdf = hasPaper ? await paperFor(event, db, access, ready, at) : undefined
  yield* readyFiles(db, access, ready, at, pdf)
}

async function* readyFiles(
  db: Knex,
  access: Access,
  { batch, page }: Ready,
  at: Date,
  pdf?: Uint8Array,
): AsyncGenerator<OutFile> {
  const pool = useDatabase()
  const [lab, key] = await Promise.all([findLab(db, access), signingKey(pool)])
  yield* filesOf({ db, pool, access, lab: { id: access.lab, name: lab?.name ?? '' }, batch, key, page, pdf, at })
}

async function paperFor(
  event: H3Event,
  db: Knex,
  access: Access,
  { batch, page }: Ready,
  at: Date,
): Promise<Uint8Array> {
  const [acts, photos] = await Promise.all([
    listActs(db, access, batch.id),
    picturesFor(db, access, batch.id, batch.document.record ?? {}),
  ])
  const stamps = await shownStamps(db, access, batch.id, acts)
  return recordApart({ do: 'paper', paper: { is: 'record', page, acts, stamps, photos, reader: readerOf(event), at } })
}

/** Sends files as one archive, which is written while it is sent. */
export function sendZip(event: H3Event, name: string, files: AsyncIterable<OutFile>): Promise<void> {
  setResponseHeaders(event, {
    'content-type': 'application/zip',
    'content-disposition': `attachment; filename="${name}"`,
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
  })
  return sendStream(event, Readable.from(zipped(files)))
}

/** Told so often, ms, and at the end: each telling is a commit. */
const TOLD = 500

/** All of a lab’s batches, each an archive of its own that proves itself, one after the other: no more than two of them lie in memory, one that is written and one whose record is worked out meanwhile. What cannot be understood is told in a file of its own. */
export async function* labFiles(
  db: Knex,
  access: Access,
  codes: readonly string[],
  name: string,
): AsyncGenerator<OutFile> {
  const missing: string[] = []
  const at = new Date()
  const prepare = async (code: string | undefined): Promise<Ready | undefined> => {
    const batch = code === undefined ? undefined : await findBatch(db, access, code)
    if (batch && !isUnread(batch)) return readyOf(db, access, batch, true)
    if (code !== undefined) missing.push(`${code}: ${batch ? batch.why : 'it is gone'}`)
    return undefined
  }
  let next = prepare(codes[0])
  let toldAt = 0
  for (const [i, code] of codes.entries()) {
    if (name !== '' && (i === 0 || performance.now() - toldAt > TOLD)) {
      toldAt = performance.now()
      await tellProgress(db, access, name, i, codes.length)
    }
    const ready = await next
    next = prepare(codes[i + 1])
    // One that fails is told where it is waited for.
    next.catch(() => {})
    if (!ready) continue
    yield {
      path: `batches/${code}.zip`,
      type: 'application/zip',
      title: code,
      data: await zipOf(readyFiles(db, access, ready, at)),
    }
  }
  yield* labTables(db, access)
  if (missing.length > 0)
    yield {
      path: 'not-taken-out.txt',
      type: 'text/plain',
      title: 'What could not be taken out',
      data: missing.join('\n'),
    }
  if (name !== '') await tellProgress(db, access, name, codes.length, codes.length)
}

/** Who the lab is, to be read; and what it keeps beside its batches, to be brought in again. */
async function* labTables(db: Knex, access: Access): AsyncGenerator<OutFile> {
  const lab = await findLab(db, access)
  const people = lab?.people.map(({ id, name, role }) => ({ id, name, role }))
  const about = { id: access.lab, name: lab?.name, settings: lab?.settings, people }
  for (const [path, body] of Object.entries({ 'lab.json': about, [LAB]: await thingsOf(db, access) }))
    yield { path, type: 'application/json', title: path, data: JSON.stringify(body, null, 2) }
  yield { path: 'shelf.csv', type: 'text/csv', title: 'The shelf', data: await shelfCsv(db, access) }
}
