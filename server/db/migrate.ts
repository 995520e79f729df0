import type { Knex } from 'knex'
import * as skeleton from './migrations/001-skeleton'

interface Migration {
  readonly name: string
  readonly up: (db: Knex) => Promise<void>
}

const migrations: readonly Migration[] = [{ name: '001-skeleton', up: skeleton.up }]

/** Brings the schema up to date; several processes may call it at once. Migrations only go forward. */
export const migrate = (db: Knex): Promise<unknown> =>
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
