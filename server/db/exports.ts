import type { Knex } from 'knex'
import type { Access } from '../access/access'

/** How far an export is: for whoever asked for it, by the name that they gave it, in whatever process it is written. */
export interface Progress {
  readonly done: number
  readonly of: number
  readonly isOver: boolean
}
/** What was told of an export is kept for so long. */
const KEPT = '1 day'

export async function progressOf(db: Knex, { lab, person }: Access, name: string): Promise<Progress | undefined> {
  const row: { done: number; total: number } | undefined = await db('exports')
    .where({ lab_id: lab, person_id: person, name })
    .first('done', 'total')
  return row && { done: row.done, of: row.total, isOver: row.done >= row.total }
}

/** Tells how far an export is; its first telling takes what was told of old ones away. */
export async function tellProgress(
  db: Knex,
  { lab, person }: Access,
  name: string,
  done: number,
  total: number,
): Promise<void> {
  if (done === 0) await db('exports').where({ lab_id: lab }).whereRaw(`at < now() - interval '${KEPT}'`).delete()
  await db('exports')
    .insert({ lab_id: lab, person_id: person, name, done, total, at: db.fn.now() })
    .onConflict(['lab_id', 'person_id', 'name'])
    .merge()
}
