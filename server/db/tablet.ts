import type { Knex } from 'knex'
import type { Access } from '../access/access'

interface AtTheTablet {
  readonly id: string
  readonly pin: string | null
  readonly account_id: string | null
}
const columns = ['id', 'pin', 'account_id'] as const

export const personByPin = (db: Knex, lab: string, id: string): Promise<AtTheTablet | undefined> =>
  db('people')
    .where({ lab_id: lab, id })
    .whereNull('closed_at')
    .first(...columns)
export const personByBadge = (db: Knex, lab: string, badge: string): Promise<AtTheTablet | undefined> =>
  db('people')
    .where({ lab_id: lab, badge })
    .whereNull('closed_at')
    .first(...columns)

/** Who can come in on the lab’s tablet by a PIN. */
export const peopleWithPin = (db: Knex, lab: string): Promise<{ id: string; name: string }[]> =>
  db('people').where({ lab_id: lab }).whereNull('closed_at').whereNotNull('pin').orderBy('name').select('id', 'name')

export const setPin = (db: Knex, { lab, person }: Access, pin: string): Promise<number> =>
  db('people').where({ lab_id: lab, id: person }).update({ pin })
export const setBadge = (db: Knex, { lab, person }: Access, badge: string): Promise<number> =>
  db('people').where({ lab_id: lab, id: person }).update({ badge })

export async function badgeAndPin(db: Knex, { lab, person }: Access): Promise<{ hasPin: boolean; hasBadge: boolean }> {
  const row = await db('people').where({ lab_id: lab, id: person }).first('pin', 'badge')
  return { hasPin: row?.pin != null, hasBadge: row?.badge != null }
}

/** The account of a person of a lab. */
export async function accountOf(db: Knex, { lab }: Access, id: string): Promise<string | undefined> {
  const row = await db('people').where({ lab_id: lab, id }).first('account_id')
  return row?.account_id ?? undefined
}
