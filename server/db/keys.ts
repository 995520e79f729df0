import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { makeAccess, type Access, type Scope } from '../access/access'
import { markHash, newMark } from '../access/secrets'
import type { Role } from '#core/people'

/** A script's key begins so, that it is known for one where it turns up. */
const BEGIN = 'zlk_'
const SEEN = 60_000

export interface KeyLine {
  readonly id: string
  readonly name: string
  readonly scopes: readonly Scope[]
  readonly person: string
  readonly madeAt: string
  readonly usedAt?: string
  readonly endsAt?: string
}

/** Makes a key in somebody's name; answers it once, and keeps its hash. */
export async function makeKey(
  db: Knex,
  { lab, person }: Access,
  { name, scopes, days }: { name: string; scopes: readonly Scope[]; days: number },
): Promise<string> {
  const mark = `${BEGIN}${newMark()}`
  await db('keys').insert({
    lab_id: lab,
    id: randomUUID(),
    hash: markHash(mark),
    name,
    scopes: JSON.stringify(scopes),
    person_id: person,
    ends_at: new Date(Date.now() + days * 86_400_000),
  })
  return mark
}

/** What a key may do; undefined where it is none, is closed or over, its maker is closed, or it is the demo’s and that is not open to who asks. */
export async function accessOfKey(db: Knex, mark: string, isDemoOpen: boolean): Promise<Access | undefined> {
  if (!mark.startsWith(BEGIN)) return undefined
  const row:
    { lab_id: string; id: string; person_id: string; role: Role; scopes: Scope[]; used_at: Date | null } | undefined =
    await db('keys')
      .join('people', { 'people.lab_id': 'keys.lab_id', 'people.id': 'keys.person_id' })
      .join('labs', 'labs.id', 'keys.lab_id')
      .modify(query => (isDemoOpen ? query : query.where('labs.is_demo', false)))
      .where('keys.hash', markHash(mark))
      .whereNull('keys.closed_at')
      .whereNull('people.closed_at')
      .whereRaw('(keys.ends_at is null or keys.ends_at > now())')
      .first('keys.lab_id', 'keys.id', 'keys.person_id', 'keys.scopes', 'keys.used_at', 'people.role')
  if (!row) return undefined
  if (!row.used_at || Date.now() > row.used_at.getTime() + SEEN)
    await db('keys').where({ lab_id: row.lab_id, id: row.id }).update({ used_at: new Date() })
  const { lab_id: lab, person_id: person, role, scopes } = row
  return makeAccess({ lab, person, role, via: 'key', isStrong: false, scopes })
}

/** The keys that are open; those of one person, or of the lab. */
export async function listKeys(db: Knex, { lab }: Access, person?: string): Promise<KeyLine[]> {
  const rows: {
    id: string
    name: string
    scopes: Scope[]
    person_id: string
    made_at: Date
    used_at: Date | null
    ends_at: Date | null
  }[] = await db('keys')
    .where({ lab_id: lab, ...(person && { person_id: person }) })
    .whereNull('closed_at')
    .orderBy('made_at')
  return rows.map(({ id, name, scopes, person_id, made_at, used_at, ends_at }) => ({
    id,
    name,
    scopes,
    person: person_id,
    madeAt: made_at.toISOString(),
    ...(used_at && { usedAt: used_at.toISOString() }),
    ...(ends_at && { endsAt: ends_at.toISOString() }),
  }))
}

/** Closes a key; undefined where there is none that is open. */
export async function closeKey(db: Knex, { lab }: Access, id: string, person?: string): Promise<string | undefined> {
  const [row] = await db('keys')
    .where({ lab_id: lab, id, ...(person && { person_id: person }) })
    .whereNull('closed_at')
    .update({ closed_at: new Date() })
    .returning('name')
  return row?.name
}
