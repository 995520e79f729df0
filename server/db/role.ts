import type { Knex } from 'knex'

/** The role under which the application works: it reads and writes rows, and changes no table, no role and no file. */
export const APP_ROLE = 'zip_ledger_app'

/** What the application does with each table, and nothing besides: the journal, its chain, pictures, revisions and what happened at the door are only added to. A table that is not here is not touched. */
export const grants: Readonly<Record<string, readonly ('select' | 'insert' | 'update' | 'delete')[]>> = {
  labs: ['select', 'insert', 'update'],
  people: ['select', 'insert', 'update'],
  batches: ['select', 'insert', 'update'],
  entries: ['select', 'insert'],
  chain_ends: ['select', 'insert', 'update'],
  photos: ['select', 'insert'],
  own_rows: ['select', 'insert', 'update', 'delete'],
  templates: ['select', 'insert', 'update', 'delete'],
  assays: ['select', 'insert', 'update', 'delete'],
  briefs: ['select', 'insert', 'update', 'delete'],
  revisions: ['select', 'insert'],
  accounts: ['select', 'insert', 'update'],
  passkeys: ['select', 'insert', 'update', 'delete'],
  recovery_codes: ['select', 'insert', 'update', 'delete'],
  sessions: ['select', 'insert', 'update', 'delete'],
  links: ['select', 'insert', 'update', 'delete'],
  challenges: ['select', 'insert', 'delete'],
  devices: ['select', 'insert', 'update'],
  keys: ['select', 'insert', 'update'],
  attempts: ['select', 'insert', 'update', 'delete'],
  happenings: ['select', 'insert'],
  acts: ['select', 'insert'],
  parts: ['select', 'insert'],
  origins: ['select', 'insert'],
  installation_keys: ['select', 'insert'],
  anchors: ['select', 'insert'],
  stamps: ['select', 'insert'],
  bottles: ['select', 'insert', 'update'],
  bottle_facts: ['select', 'insert'],
  draws: ['select', 'insert', 'delete'],
  drill_answers: ['select', 'insert'],
  classes: ['select', 'insert', 'update'],
  class_keys: ['select', 'insert'],
  class_groups: ['select', 'insert', 'update'],
  class_members: ['select', 'insert', 'update', 'delete'],
  class_answers: ['select', 'insert'],
  class_marks: ['select', 'insert'],
  practice_runs: ['select', 'insert'],
  stand_ins: ['select', 'insert'],
  brief_marks: ['select', 'insert', 'update'],
  exports: ['select', 'insert', 'update', 'delete'],
  processes: ['select', 'insert', 'update', 'delete'],
  backups: ['select'],
  fits: ['select'],
  knex_migrations: ['select'],
}

/**
 * How long the database lets the application's statements run, and its transactions stand idle: what is longer is stuck, and others wait for its locks. They are of the role, since a
 * pooler lends connections and takes no settings along. The application gives up as late as the first, ms.
 */
const LIMITS = { statement_timeout: 8000, idle_in_transaction_session_timeout: 20_000 } as const
/** Statements here are short: to compile one takes longer than to run it. */
const SETTINGS = { ...LIMITS, jit: 'off' } as const

/** Makes the application's role with this password, or gives it a new one, and grants it what it needs, as whoever owns the tables. Refuses a password that is not letters, digits, `-` or `_`. */
export async function grantApp(db: Knex, password: string): Promise<void> {
  if (!/^[\w-]{16,}$/.test(password))
    throw new Error('The password of the application’s role is 16 plain characters at least.')
  const { rows } = await db.raw<{ rows: unknown[] }>('select 1 from pg_roles where rolname = ?', [APP_ROLE])
  const settings = `login nosuperuser nocreatedb nocreaterole noinherit noreplication password '${password}'`
  // In one go: who works meanwhile under the role is never without what it may.
  await db.transaction(trx => grantIn(trx, rows.length > 0, settings))
}

async function grantIn(db: Knex, isThere: boolean, settings: string): Promise<void> {
  await db.raw(`${isThere ? 'alter' : 'create'} role ${APP_ROLE} ${settings}`)
  for (const [name, value] of Object.entries(SETTINGS)) await db.raw(`alter role ${APP_ROLE} set ${name} = ${value}`)
  await db.raw('revoke create on schema public from public')
  await db.raw(`revoke all on all tables in schema public from ${APP_ROLE}`)
  await db.raw(`grant usage on schema public to ${APP_ROLE}`)
  for (const [table, may] of Object.entries(grants)) await db.raw(`grant ${may.join(', ')} on ${table} to ${APP_ROLE}`)
}
