import type { Knex } from 'knex'
import * as z from 'zod'
import { batchFileSchema } from '#core/document'
import type { RecordPage } from '#core/record'
import type { Access } from '../access/access'
import type { Batch } from '../db/batches'
import { findPhoto } from '../db/photos'
import { takeOut, type TakenOut } from './batch-file'
import { canonical, sha256Of } from './canonical'
import { crateOf, type Described } from './crate'
import { signText, type KeyPair } from './keys'
import { curveFiles, journalFiles, recordTables, type OutFile } from './tables'

/** The published schema of `batch.json` (JSON Schema 2020-12), made from the one that reads it. */
export const batchFileJsonSchema = (): object =>
  (schema ??= {
    $id: 'https://zip-ledger.invalid/batch-file/1',
    title: 'A batch of Zip Ledger, version 1',
    ...z.toJSONSchema(batchFileSchema, { io: 'input' }),
  })
let schema: object | undefined

/** What was in the file when it was written: every file by its hash, the chains by the hash of each link, signed by a key of the installation. */
export interface Listing {
  readonly format: 'zip-ledger/files'
  readonly version: 1
  readonly batch: string
  readonly code: string
  readonly at: string
  readonly files: Readonly<Record<string, string>>
  readonly journal: readonly string[]
  readonly revisions: readonly string[]
  readonly acts: readonly string[]
}
export interface SignedListing {
  readonly listing: Listing
  readonly key: string
  readonly signature: string
}
export const LISTING = 'proof/files.json'
export const PROOF = 'proof/proof.json'
/** What a lab keeps beside its batches, in an archive of all of it. */
export const LAB = 'lab-tables.json'
export const BATCH = 'batch.json'
export const METADATA = 'ro-crate-metadata.json'

export interface Taking {
  readonly db: Knex
  readonly pool: Knex
  readonly access: Access
  readonly lab: { readonly id: string; readonly name: string }
  readonly batch: Batch
  readonly key: KeyPair
  readonly page: RecordPage
  /** The record on paper; left out where nobody asks for it. */
  readonly pdf?: Uint8Array | undefined
  readonly at: Date
}

const extensions = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' } as const

/** Every file of a batch, one after the other, pictures not before they are asked for: what it says, what proves it, and, last, the list of all that went before. */
export async function* filesOf(taking: Taking): AsyncGenerator<OutFile> {
  const { db, pool, access, lab, batch, key, page, pdf, at } = taking
  const taken = await takeOut(db, pool, access, lab, batch)
  const described: Described[] = []
  const tell = (one: OutFile): OutFile => {
    described.push({
      path: one.path,
      type: one.type,
      title: one.title,
      size: typeof one.data === 'string' ? Buffer.byteLength(one.data) : one.data.length,
      sha256: sha256Of(one.data),
    })
    return one
  }
  for (const one of plainFiles(taken, page)) yield tell(one)
  if (pdf) yield tell({ path: 'record.pdf', type: 'application/pdf', title: 'The record', data: pdf })
  for (const { sha256, type } of taken.file.photos) {
    const photo = await findPhoto(db, access, batch.id, sha256)
    if (photo) yield tell({ path: `photos/${sha256}.${extensions[type]}`, type, title: 'Picture', data: photo.data })
  }
  yield tell({
    path: METADATA,
    type: 'application/ld+json',
    title: 'What is in here (RO-Crate)',
    data: JSON.stringify(crateOf(taken.file, taken.proof, page, [...described, LISTED], at.toISOString()), null, 2),
  })
  yield listed(taken, described, key, at)
}

function plainFiles({ file, proof }: TakenOut, page: RecordPage): OutFile[] {
  return [
    { path: BATCH, type: 'application/json', title: 'The batch: plan, revisions, journal', data: canonical(file) },
    {
      path: 'batch.schema.json',
      type: 'application/schema+json',
      title: 'The schema of batch.json',
      data: JSON.stringify(batchFileJsonSchema(), null, 2),
    },
    { path: 'record.json', type: 'application/json', title: 'The record as it reads', data: canonical(page) },
    {
      path: PROOF,
      type: 'application/json',
      title: 'What proves it: chains, signatures, keys',
      data: canonical(proof),
    },
    ...journalFiles(file),
    ...recordTables(page),
    ...curveFiles((file.document.assays ?? []) as Parameters<typeof curveFiles>[0]),
  ]
}

const LISTED = { path: LISTING, type: 'application/json', title: 'All files by their hash, signed' } as const
function listed({ file, proof }: TakenOut, described: readonly Described[], key: KeyPair, at: Date): OutFile {
  const listing: Listing = {
    format: 'zip-ledger/files',
    version: 1,
    batch: file.id,
    code: file.code,
    at: at.toISOString(),
    files: Object.fromEntries(described.map(({ path, sha256 = '' }) => [path, sha256])),
    journal: proof.journal.map(({ hash }) => hash),
    revisions: proof.revisions.map(({ hash }) => hash),
    acts: proof.acts.map(({ hash }) => hash),
  }
  const signed: SignedListing = { listing, key: key.id, signature: signText(key.privateKey, canonical(listing)) }
  return { ...LISTED, data: canonical(signed) }
}
