import type { Knex } from 'knex'
import type { Worksheet } from '#core/assay'

export interface StoredAssay {
  readonly version: number
  readonly worksheet: Worksheet
}

export const listAssays = (db: Knex, labId: string): Promise<StoredAssay[]> =>
  db('assays').where({ lab_id: labId }).orderBy('changed_at', 'desc').select('version', 'worksheet')

/** Saves a worksheet made from a version, 0 for a new one; undefined where that is no longer the last. */
export async function saveAssay(
  db: Knex,
  labId: string,
  by: string,
  version: number,
  worksheet: Worksheet,
): Promise<number | undefined> {
  const body = { worksheet: JSON.stringify(worksheet), changed_by: by, changed_at: db.fn.now(), version: version + 1 }
  const key = { lab_id: labId, id: worksheet.id }
  const rows =
    version === 0
      ? await db('assays')
          .insert({ ...key, ...body })
          .onConflict(['lab_id', 'id'])
          .ignore()
          .returning('version')
      : await db('assays')
          .where({ ...key, version })
          .update(body)
          .returning('version')
  return (rows as { version: number }[])[0]?.version
}

export const findAssay = async (db: Knex, labId: string, id: string): Promise<StoredAssay | undefined> =>
  db('assays').where({ lab_id: labId, id }).first('version', 'worksheet')

/** True if there was such a worksheet. */
export const deleteAssay = async (db: Knex, labId: string, id: string): Promise<boolean> =>
  (await db('assays').where({ lab_id: labId, id }).delete()) > 0
