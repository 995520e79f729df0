import type { H3Event } from 'h3'
import type { Knex } from 'knex'
import { refusedAction, type Access, type Rule } from '../access/access'
import { forAccess } from '../db/connect'
import type { Session } from '../db/sessions'

/** What a route of a lab’s data works with: who asks, and the database as that lab sees it. */
export interface Asked {
  readonly access: Access
  readonly db: Knex
}

/** A route of a lab’s data, answered to whoever may do what it asks for. Every file under `server/api` is made by this, `answerSelf` or `answerAnyone`; a test walks them. */
export const answer = <T>(rule: Rule, handle: (event: H3Event, asked: Asked) => T | Promise<T>) =>
  defineEventHandler(async event => {
    const pool = useDatabase()
    await requireTables(pool)
    const access = (rule === 'calendar' ? await accessOfAddress(event) : undefined) ?? (await accessOf(event))
    if (!access) throw notIn()
    const why = refusedAction(access, rule)
    if (why) throw refusal(403, why, [{ code: codeOf(access, rule), why }])
    await requireMeasure(event, access)
    return handle(event, { access, db: forAccess(pool, access) })
  })

/** Says which of the refusals can be mended at once: by a second factor. */
const codeOf = (access: Access, rule: Rule): string =>
  refusedAction({ ...access, isStrong: true }, rule) === undefined ? 'access.factor' : 'access.role'

/** A route of somebody’s own account, answered to whoever is signed in by name. */
export const answerSelf = <T>(
  handle: (event: H3Event, asked: { session: Session; account: string; db: Knex }) => T | Promise<T>,
) =>
  defineEventHandler(async event => {
    const db = useDatabase()
    await requireTables(db)
    const session = await sessionOf(event)
    if (!session) throw notIn()
    const { account, access } = session
    if (account === undefined || access.via !== 'sign-in')
      throw refusal(403, 'This is done where you signed in by your name: not in the demo, and not at the tablet.')
    await requireMeasure(event, access)
    setResponseHeader(event, 'cache-control', 'no-store')
    return handle(event, { session, account, db })
  })

/** A route of the door, answered to anyone. */
export const answerAnyone = <T>(handle: (event: H3Event, db: Knex) => T | Promise<T>) =>
  defineEventHandler(async event => {
    const db = useDatabase()
    await requireTables(db)
    return handle(event, db)
  })

const notIn = () =>
  refusal(401, 'Sign in first. What you typed is kept.', [{ code: 'access.nobody', why: 'Nobody is signed in here.' }])
