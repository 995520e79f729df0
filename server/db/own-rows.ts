import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import type { OwnRow } from '#core/document'
import type { Access } from '../access/access'
import { revise } from './revisions'

export type StoredOwnRow = OwnRow & { readonly id: string; readonly key: string; readonly addedAt: string }

interface Row {
  id: string
  kind: string
  key: string
  body: unknown
  added_at: Date
}
const columns = ['id', 'kind', 'key', 'body', 'added_at'] as const
const storedOf = ({ id, kind, key, body, added_at }: Row): StoredOwnRow =>
  ({ id, kind, key, body, addedAt: added_at.toISOString() }) as StoredOwnRow

/** The lab's own rows, in the order they were added. */
export async function listOwnRows(db: Knex, { lab }: Pick<Access, 'lab'>): Promise<StoredOwnRow[]> {
  const rows: Row[] = await db('own_rows')
    .where({ lab_id: lab })
    .orderBy('added_at')
    .select(...columns)
  return rows.map(storedOf)
}

/** Adds a row, or puts it in place of the one that the lab has under the same key; what it said before stays among its revisions. */
export const putOwnRow = (db: Knex, access: Access, key: string, { kind, body }: OwnRow): Promise<StoredOwnRow> =>
  db.transaction(async trx => {
    const [row] = await trx('own_rows')
      .insert({
        id: randomUUID(),
        lab_id: access.lab,
        kind,
        key,
        body: JSON.stringify(body),
        added_by: access.person,
      })
      .onConflict(['lab_id', 'kind', 'key'])
      .merge(['body', 'added_by'])
      .returning([...columns])
    await revise(trx, access, { kind: 'own-row', subject: `${kind} ${key}` }, body)
    return storedOf(row as Row)
  })

/** True if there was such a row. */
export const deleteOwnRow = (db: Knex, access: Access, id: string): Promise<boolean> =>
  db.transaction(async trx => {
    const [row] = await trx('own_rows').where({ lab_id: access.lab, id }).delete().returning(['kind', 'key'])
    if (row) await revise(trx, access, { kind: 'own-row', subject: `${row.kind} ${row.key}` }, null)
    return row !== undefined
  })

/** Changes when any of the lab's own rows does. */
export async function stampOfOwnRows(db: Knex, { lab }: Pick<Access, 'lab'>): Promise<string> {
  const { rows } = await db.raw<{ rows: { stamp: string | null }[] }>(
    "select md5(string_agg(id::text || body::text, ',' order by id)) as stamp from own_rows where lab_id = ?",
    [lab],
  )
  return rows[0]?.stamp ?? ''
}
