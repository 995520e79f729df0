import type { Knex } from 'knex'
import { readDocument } from '#core/document'
import { followedPlans, type RecordSource, type SavedPlan } from '#core/record'
import type { Access } from '../access/access'
import type { Batch } from './batches'
import { ownTables } from './briefs'
import { listEntries } from './entries'
import { findLab } from './people'

interface Head {
  readonly number: number
  readonly at: Date
  readonly person_id: string | null
  readonly after_seq: number
}

/** All that a record of a batch is made of, with the bodies of those plans under which something was recorded. */
export async function recordSource(db: Knex, access: Access, batch: Batch): Promise<RecordSource> {
  const where = { lab_id: access.lab, kind: 'batch', subject: batch.id }
  const [lab, entries, heads, tables] = await Promise.all([
    findLab(db, access),
    listEntries(db, access, batch.id),
    db('revisions').where(where).orderBy('number').select('number', 'at', 'person_id', 'after_seq') as Promise<Head[]>,
    ownTables(db, access),
  ])
  const plans = heads.map(({ number, at, person_id, after_seq }): SavedPlan => ({
    number,
    at: at.toISOString(),
    by: person_id ?? undefined,
    afterSeq: after_seq,
  }))
  const followed = new Set(followedPlans(plans, entries.length).map(({ number }) => number))
  const bodies: { number: number; body: unknown }[] = await db('revisions')
    .where(where)
    .whereIn('number', [...followed])
    .select('number', 'body')
  const documents = new Map(
    bodies.flatMap(({ number, body }) => {
      const read = readDocument(body)
      return read.ok ? [[number, read.value] as const] : []
    }),
  )
  return {
    lab: lab?.name ?? '',
    code: batch.code,
    document: batch.document,
    journal: entries.map(({ seq, recordedAt, entry }) => ({ seq, recordedAt, entry })),
    revisions: plans.map(plan => {
      const document = documents.get(plan.number)
      return document ? { ...plan, document } : plan
    }),
    people: Object.fromEntries((lab?.people ?? []).map(({ id, name }) => [id, name])),
    tables,
  }
}
