import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import type { OwnRow } from '#core/document'

export type StoredOwnRow = OwnRow & { readonly id: string; readonly addedAt: string }

interface Row {
  id: string
  kind: string
  body: unknown
  added_at: Date
}
const columns = ['id', 'kind', 'body', 'added_at'] as const
const storedOf = ({ id, kind, body, added_at }: Row): StoredOwnRow =>
  ({ id, kind, body, addedAt: added_at.toISOString() }) as StoredOwnRow

/** The lab's own rows, in the order they were added. */
export async function listOwnRows(db: Knex, labId: string): Promise<StoredOwnRow[]> {
  const rows: Row[] = await db('own_rows')
    .where({ lab_id: labId })
    .orderBy('added_at')
    .select(...columns)
  return rows.map(storedOf)
}

/** Adds a row, or puts it in place of the one that the lab has under the same key. */
export async function putOwnRow(
  db: Knex,
  labId: string,
  by: string,
  key: string,
  { kind, body }: OwnRow,
): Promise<StoredOwnRow> {
  const [row] = await db('own_rows')
    .insert({ id: randomUUID(), lab_id: labId, kind, key, body: JSON.stringify(body), added_by: by })
    .onConflict(['lab_id', 'kind', 'key'])
    .merge(['body', 'added_by'])
    .returning([...columns])
  return storedOf(row as Row)
}

/** True if there was such a row. */
export const deleteOwnRow = async (db: Knex, labId: string, id: string): Promise<boolean> =>
  (await db('own_rows').where({ lab_id: labId, id }).delete()) > 0

/** Changes when any of the lab's own rows does. */
export async function stampOfOwnRows(db: Knex, labId: string): Promise<string> {
  const { rows } = await db.raw<{ rows: { stamp: string | null }[] }>(
    "select md5(string_agg(id::text || body::text, ',' order by id)) as stamp from own_rows where lab_id = ?",
    [labId],
  )
  return rows[0]?.stamp ?? ''
}
