import type { Knex } from 'knex'
import * as skeleton from './migrations/001-skeleton'
import * as ownRows from './migrations/002-own-rows'
import * as bench from './migrations/003-bench'
import * as assays from './migrations/004-assays'
import * as chain from './migrations/005-chain'
import * as byLab from './migrations/006-by-lab'
import * as people from './migrations/007-people'
import * as revisions from './migrations/008-revisions'
import * as append from './migrations/009-append'
import * as record from './migrations/010-record'
import * as stamps from './migrations/011-stamps'
import * as shelf from './migrations/012-shelf'
import * as drills from './migrations/013-drills'
import * as classes from './migrations/014-class'
import * as practice from './migrations/015-practice'
import * as manyLabs from './migrations/016-many-labs'
import * as appendsInPlace from './migrations/017-appends-in-place'
import * as toldHowFar from './migrations/018-told-how-far'

interface Migration {
  readonly name: string
  readonly up: (db: Knex) => Promise<void>
}

const migrations: readonly Migration[] = [
  { name: '001-skeleton', up: skeleton.up },
  { name: '002-own-rows', up: ownRows.up },
  { name: '003-bench', up: bench.up },
  { name: '004-assays', up: assays.up },
  { name: '005-chain', up: chain.up },
  { name: '006-by-lab', up: byLab.up },
  { name: '007-people', up: people.up },
  { name: '008-revisions', up: revisions.up },
  { name: '009-append', up: append.up },
  { name: '010-record', up: record.up },
  { name: '011-stamps', up: stamps.up },
  { name: '012-shelf', up: shelf.up },
  { name: '013-drills', up: drills.up },
  { name: '014-class', up: classes.up },
  { name: '015-practice', up: practice.up },
  { name: '016-many-labs', up: manyLabs.up },
  { name: '017-appends-in-place', up: appendsInPlace.up },
  { name: '018-told-how-far', up: toldHowFar.up },
]

/** How the tables of a database stand to this code: up to date, behind by some migrations, empty, or made by a newer version. */
export async function standOf(
  db: Knex,
): Promise<{ readonly is: 'current' | 'empty' } | { readonly is: 'behind' | 'newer'; readonly by: readonly string[] }> {
  if (!(await db.schema.hasTable('knex_migrations'))) return { is: 'empty' }
  const done: string[] = (await db('knex_migrations').orderBy('id').select('name')).map(({ name }) => name)
  const known = migrations.map(({ name }) => name)
  const strange = done.filter(name => !known.includes(name))
  if (strange.length > 0 && !(await fitsNewer(db, known))) return { is: 'newer', by: strange }
  const pending = known.filter(name => !done.includes(name))
  return pending.length > 0 ? { is: 'behind', by: pending } : { is: 'current' }
}

/** Whether a newer version left the tables so that this one still works on them: a migration only adds, and one that takes away says from which version on. */
async function fitsNewer(db: Knex, known: readonly string[]): Promise<boolean> {
  if (!(await db.schema.hasTable('fits'))) return false
  const fits: { since: string } | undefined = await db('fits').first('since')
  return fits !== undefined && known.includes(fits.since)
}

export const newerText = (by: readonly string[]): string =>
  `This database was changed by a newer version (${by.join(', ')}). Start that version, or load a dump that was made before.`

/** Any number that nothing else in this database locks on. */
const MIGRATING = 7_416_021

/**
 * Brings the schema up to date; migrations only go forward. Several processes may call it at once: Knex's own lock is a table
 * that two of them would race to create, so they queue on a lock of the database first.
 */
export const migrate = (db: Knex): Promise<unknown> =>
  db.transaction(async trx => {
    await trx.raw('select pg_advisory_xact_lock(?)', [MIGRATING])
    if ((await standOf(db)).is !== 'current') await latest(db)
  })

const latest = (db: Knex): Promise<unknown> =>
  db.migrate.latest({
    migrationSource: {
      getMigrations: async () => [...migrations],
      getMigrationName: (migration: Migration) => migration.name,
      getMigration: async (migration: Migration) => ({
        up: migration.up,
        down: async () => {
          throw new Error('Migrations only go forward.')
        },
      }),
    },
  })
