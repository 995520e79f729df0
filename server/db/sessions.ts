import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { makeAccess, type Access, type Via } from '../access/access'
import { markHash, newMark } from '../access/secrets'
import { needsSecondFactor, type Role } from '#core/people'

const MINUTE = 60_000
const HOUR = 60 * MINUTE
const DAY = 24 * HOUR

/**
 * How long somebody stays in: idle, and at all. A day at the bench is twelve hours with meals in it, and what is recorded is worth more than a session that ends
 * in the middle of a crystallisation; the tablet, which anybody can walk up to, is left after ten minutes, and whoever decides about others is out sooner.
 */
const LASTS: Readonly<Record<Exclude<Via, 'key' | 'setup'>, { readonly idle: number; readonly all: number }>> = {
  'sign-in': { idle: 12 * HOUR, all: 7 * DAY },
  tablet: { idle: 10 * MINUTE, all: 12 * HOUR },
  demo: { idle: 7 * DAY, all: 30 * DAY },
}
const DECIDING_IDLE = HOUR
/** A mark is given anew after so long. The one before goes on until the new one is used a moment later: other tabs have it still, and an answer may be lost on its way. */
const TURN = HOUR
const GRACE = MINUTE
/** A session is noted as seen once in so long. */
const SEEN = MINUTE

export interface NewSession {
  readonly via: keyof typeof LASTS
  readonly lab: string
  readonly person: string
  readonly account?: string | undefined
  readonly device?: string | undefined
  readonly isStrong: boolean
  /** The browser, as it names itself. */
  readonly about: string
}

/** Begins a session; answers its mark, which is kept nowhere else, and how many seconds it may last. */
export async function beginSession(db: Knex, session: NewSession): Promise<{ mark: string; seconds: number }> {
  const mark = newMark()
  const { all } = LASTS[session.via]
  await db('sessions').insert({
    id: randomUUID(),
    hash: markHash(mark),
    kind: session.via,
    lab_id: session.lab,
    person_id: session.person,
    account_id: session.account ?? null,
    device_id: session.device ?? null,
    is_strong: session.isStrong,
    about: session.about.slice(0, 200),
    ends_at: new Date(Date.now() + all),
  })
  return { mark, seconds: all / 1000 }
}

export interface Session {
  readonly id: string
  readonly access: Access
  readonly account: string | undefined
  readonly device: string | undefined
  readonly begunAt: Date
  /** ms from now that it may still last. */
  readonly left: number
  /** Due for a new mark. */
  readonly isOld: boolean
}

interface Row {
  readonly id: string
  readonly hash: string
  readonly earlier_hash: string | null
  readonly kind: keyof typeof LASTS
  readonly lab_id: string
  readonly person_id: string
  readonly account_id: string | null
  readonly device_id: string | null
  readonly is_strong: boolean
  readonly role: Role
  readonly closed_at: Date | null
  readonly device_closed_at: Date | null
  readonly begun_at: Date
  readonly seen_at: Date
  readonly turned_at: Date
  readonly ends_at: Date
}

const withHolder = (db: Knex): Knex.QueryBuilder =>
  db('sessions')
    .join('people', { 'people.lab_id': 'sessions.lab_id', 'people.id': 'sessions.person_id' })
    .leftJoin('devices', 'devices.id', 'sessions.device_id')
const held = ['sessions.*', 'people.role', 'people.closed_at', 'devices.closed_at as device_closed_at'] as const

/** Whether a session goes on: neither it nor whoever holds it has ended, and it was not idle for too long. */
function goesOn(row: Row, now: number): boolean {
  if (row.closed_at || row.device_closed_at) return false
  const idle = row.kind === 'sign-in' && needsSecondFactor(row.role) ? DECIDING_IDLE : LASTS[row.kind].idle
  return now <= row.ends_at.getTime() && now <= row.seen_at.getTime() + idle
}

/** Of some marks those whose sessions go on. Whoever only listens is nobody at work: that keeps no session from ending. */
export async function stillIn(db: Knex, marks: readonly string[]): Promise<Set<string>> {
  const byHash = new Map(marks.map(mark => [markHash(mark), mark]))
  const hashes = [...byHash.keys()]
  const rows: Row[] = await withHolder(db)
    .whereIn('sessions.hash', hashes)
    .orWhereIn('sessions.earlier_hash', hashes)
    .select(...held)
  const now = Date.now()
  return new Set(
    rows
      .filter(row => goesOn(row, now))
      .flatMap(({ hash, earlier_hash }) => [hash, earlier_hash ?? ''])
      .flatMap(hash => byHash.get(hash) ?? []),
  )
}

/** The session of a mark; undefined where it is none, has ended, or is of somebody who is closed. */
export async function findSession(db: Knex, mark: string): Promise<Session | undefined> {
  const hash = markHash(mark)
  const row: Row | undefined = await withHolder(db)
    .where('sessions.hash', hash)
    .orWhere('sessions.earlier_hash', hash)
    .first(...held)
  const now = Date.now()
  if (!row || !goesOn(row, now)) return undefined
  const isNew = row.hash === hash
  if (now > row.seen_at.getTime() + SEEN)
    await db('sessions')
      .where({ id: row.id })
      .update({ seen_at: new Date(now) })
  if (isNew && row.earlier_hash && now > row.turned_at.getTime() + GRACE)
    await db('sessions').where({ id: row.id }).update({ earlier_hash: null })
  return {
    id: row.id,
    access: makeAccess({
      lab: row.lab_id,
      person: row.person_id,
      role: row.role,
      via: row.kind,
      isStrong: row.is_strong,
    }),
    account: row.account_id ?? undefined,
    device: row.device_id ?? undefined,
    begunAt: row.begun_at,
    left: row.ends_at.getTime() - now,
    isOld: isNew && now > row.turned_at.getTime() + TURN,
  }
}

/** Gives a session another mark; undefined where another request did so first. */
export async function turnSession(db: Knex, id: string, mark: string): Promise<string | undefined> {
  const fresh = newMark()
  const hash = markHash(mark)
  const turned = await db('sessions')
    .where({ id, hash })
    .update({ hash: markHash(fresh), earlier_hash: hash, turned_at: new Date() })
  return turned > 0 ? fresh : undefined
}

/** Ends sessions: one, all of an account but one, or all of a person in a lab. */
export const endSession = (db: Knex, id: string): Promise<number> => db('sessions').where({ id }).delete()
export const endOthers = (db: Knex, account: string, but?: string): Promise<number> =>
  db('sessions')
    .where({ account_id: account })
    .modify(query => (but ? query.whereNot({ id: but }) : query))
    .delete()
export const endAllOf = (db: Knex, { lab }: Pick<Access, 'lab'>, person: string): Promise<number> =>
  db('sessions').where({ lab_id: lab, person_id: person }).delete()

/** What an account has open, the last seen first. */
export const listSessions = (
  db: Knex,
  account: string,
): Promise<{ id: string; about: string; begun_at: Date; seen_at: Date; kind: string }[]> =>
  db('sessions')
    .where({ account_id: account })
    .orderBy('seen_at', 'desc')
    .select('id', 'about', 'begun_at', 'seen_at', 'kind')

/** Takes away what has ended. */
export const sweepSessions = (db: Knex): Promise<number> =>
  db('sessions')
    .where('ends_at', '<', new Date())
    .orWhere('seen_at', '<', new Date(Date.now() - 30 * DAY))
    .delete()
