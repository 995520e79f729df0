import type { Knex } from 'knex'

/** The lab's own rows of the reference tables: substances, solubility curves, ligands. */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('own_rows', table => {
    table.uuid('id').primary()
    table.uuid('lab_id').notNullable().references('labs.id')
    table.text('kind').notNullable()
    table.text('key').notNullable()
    table.jsonb('body').notNullable()
    table.uuid('added_by').notNullable().references('people.id')
    table.timestamp('added_at').notNullable().defaultTo(db.fn.now())
    table.unique(['lab_id', 'kind', 'key'])
  })
}
