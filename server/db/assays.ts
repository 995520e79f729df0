import type { Knex } from 'knex'
import type { Worksheet } from '#core/assay'
import type { Access } from '../access/access'
import { revise } from './revisions'

export interface StoredAssay {
  readonly version: number
  readonly worksheet: Worksheet
}

export const listAssays = (db: Knex, { lab }: Access): Promise<StoredAssay[]> =>
  db('assays').where({ lab_id: lab }).orderBy('changed_at', 'desc').select('version', 'worksheet')

/** Saves a worksheet made from a version, 0 for a new one; undefined where that is no longer the last. */
export const saveAssay = (
  db: Knex,
  access: Access,
  version: number,
  worksheet: Worksheet,
): Promise<number | undefined> =>
  db.transaction(async trx => {
    const body = {
      worksheet: JSON.stringify(worksheet),
      changed_by: access.person,
      changed_at: trx.fn.now(),
      version: version + 1,
    }
    const key = { lab_id: access.lab, id: worksheet.id }
    const rows: { version: number }[] =
      version === 0
        ? await trx('assays')
            .insert({ ...key, ...body, ...(access.role === 'student' && { student_id: access.person }) })
            .onConflict(['lab_id', 'id'])
            .ignore()
            .returning('version')
        : await trx('assays')
            .where({ ...key, version })
            .update(body)
            .returning('version')
    if (rows[0]) await revise(trx, access, { kind: 'assay', subject: worksheet.id }, worksheet)
    return rows[0]?.version
  })

export const findAssay = async (db: Knex, { lab }: Access, id: string): Promise<StoredAssay | undefined> =>
  db('assays').where({ lab_id: lab, id }).first('version', 'worksheet')

/** True if there was such a worksheet; what it said stays among its revisions. */
export const deleteAssay = (db: Knex, access: Access, id: string): Promise<boolean> =>
  db.transaction(async trx => {
    const wasThere = (await trx('assays').where({ lab_id: access.lab, id }).delete()) > 0
    if (wasThere) await revise(trx, access, { kind: 'assay', subject: id }, null)
    return wasThere
  })
