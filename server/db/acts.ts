import type { Knex } from 'knex'
import type { Act, ActKind, Manifest, NewAct } from '#core/record'
import type { Access } from '../access/access'
import { canonical, digestOf, sha256Of } from '../record/canonical'
import { actAfter } from '../record/act-chain'
import type { KeyPair } from '../record/keys'
import { TOUCHED } from './batches'

/** What was done to the record of a batch, in order. */
export async function listActs(db: Knex, { lab }: Pick<Access, 'lab'>, batchId: string): Promise<Act[]> {
  const rows: { body: Act }[] = await db('acts')
    .where({ lab_id: lab, batch_id: batchId })
    .orderBy('number')
    .select('body')
  return rows.map(({ body }) => body)
}

/** Texts that were signed, by their SHA-256. */
export async function partsOf(
  db: Knex,
  { lab }: Pick<Access, 'lab'>,
  names: readonly string[],
): Promise<Map<string, string>> {
  const rows: { sha256: string; body: string }[] = await db('parts')
    .where({ lab_id: lab })
    .whereIn('sha256', [...names])
    .select('sha256', 'body')
  return new Map(rows.map(({ sha256, body }) => [sha256, body]))
}

/** What the plan and the journal of a batch are at this moment, by hash. */
export interface State {
  readonly document: string
  readonly revisions: { readonly number: number; readonly hash: string }
  readonly journal: { readonly seq: number; readonly hash: string }
  readonly photos: readonly string[]
}

export async function stateOf(
  db: Knex,
  { lab }: Pick<Access, 'lab'>,
  batchId: string,
  document: unknown,
): Promise<State> {
  const [head, revision, photos] = await Promise.all([
    db('batches').where({ lab_id: lab, id: batchId }).first('last_seq', 'last_hash'),
    db('revisions')
      .where({ lab_id: lab, kind: 'batch', subject: batchId })
      .orderBy('number', 'desc')
      .first('number', 'hash'),
    db('entries').where({ lab_id: lab, batch_id: batchId, kind: 'photo' }).orderBy('seq').select('body') as Promise<
      { body: { photo: string } }[]
    >,
  ])
  return {
    document: digestOf(document),
    revisions: { number: revision?.number ?? 0, hash: revision?.hash ?? '' },
    journal: { seq: head?.last_seq ?? 0, hash: head?.last_hash ?? '' },
    photos: photos.map(({ body }) => body.photo),
  }
}

/** Whether a manifest still says what stands there. */
export const isStateOf = (manifest: Manifest, { document, revisions, journal }: State): boolean =>
  manifest.document === document &&
  manifest.revisions.number === revisions.number &&
  manifest.revisions.hash === revisions.hash &&
  manifest.journal.seq === journal.seq &&
  manifest.journal.hash === journal.hash

/** Texts to keep with an act, so that what was signed can be read as it was. */
export interface Signed {
  readonly manifest: Manifest
  readonly page: unknown
  readonly tables: unknown
}
export const manifestFor = (
  batch: { readonly lab: string; readonly id: string; readonly code: string },
  state: State,
  page: unknown,
  tables: unknown,
): Signed => ({
  manifest: {
    format: 'zip-ledger/manifest',
    version: 1,
    lab: batch.lab,
    batch: batch.id,
    code: batch.code,
    ...state,
    page: digestOf(page),
    tables: digestOf(tables),
  },
  page,
  tables,
})

export interface Acting {
  readonly access: Access
  readonly batch: { readonly id: string; readonly version: number }
  readonly act: Omit<NewAct, 'number' | 'batch' | 'manifest'>
  readonly signed?: Signed | undefined
  readonly key: KeyPair
  /** Looked at once more with the batch held: why it may not be done. */
  readonly refuse: (acts: readonly Act[]) => string | undefined
}

/** Adds an act to the record of a batch, with the batch held meanwhile: refused where its plan or journal moved since the manifest was made, or where it may not be done any more. */
export const addAct = (
  db: Knex,
  { access, batch, act, signed, key, refuse }: Acting,
): Promise<{ act: Act } | { refused: string }> =>
  db.transaction(async trx => {
    const head = await trx('batches')
      .where({ lab_id: access.lab, id: batch.id })
      .forUpdate()
      .first('version', 'last_seq', 'last_hash')
    const acts = await listActs(trx, access, batch.id)
    const why = refuse(acts)
    if (why !== undefined) return { refused: why }
    if (signed && (head.version !== batch.version || head.last_hash !== signed.manifest.journal.hash))
      return { refused: 'Something was saved or recorded while you signed. Look at it, and sign again.' }
    const made = actAfter(
      acts.at(-1),
      { ...act, batch: batch.id, number: acts.length + 1, ...(signed && { manifest: digestOf(signed.manifest) }) },
      key,
    )
    if (signed) await keepParts(trx, access, [signed.manifest, signed.page, signed.tables].map(canonical))
    await trx('acts').insert({
      lab_id: access.lab,
      batch_id: batch.id,
      number: made.number,
      body: JSON.stringify(made),
    })
    await trx('batches')
      .where({ lab_id: access.lab, id: batch.id })
      .update({ touched_at: trx.raw(TOUCHED), ...(sealing.includes(act.kind) && { sealed_at: act.at }) })
    return { act: made }
  })
const sealing: readonly ActKind[] = ['sealed']

export async function keepParts(trx: Knex, { lab }: Pick<Access, 'lab'>, texts: readonly string[]): Promise<void> {
  await trx('parts')
    .insert(texts.map(body => ({ lab_id: lab, sha256: sha256Of(body), body })))
    .onConflict(['lab_id', 'sha256'])
    .ignore()
}

/** Whether somebody recorded something of a batch, or saved a plan of it. */
export async function hasPartIn(db: Knex, { lab, person }: Access, batchId: string): Promise<boolean> {
  const [entry, revision] = await Promise.all([
    db('entries').where({ lab_id: lab, batch_id: batchId, person_id: person }).first('id'),
    db('revisions').where({ lab_id: lab, kind: 'batch', subject: batchId, person_id: person }).first('number'),
  ])
  return entry !== undefined || revision !== undefined
}
