import type { Knex } from 'knex'

/** Worksheets that stand alone, outside any batch. */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('assays', table => {
    table.uuid('lab_id').notNullable().references('labs.id')
    table.text('id').notNullable()
    table.integer('version').notNullable()
    table.jsonb('worksheet').notNullable()
    table.uuid('changed_by').notNullable().references('people.id')
    table.timestamp('changed_at').notNullable().defaultTo(db.fn.now())
    table.primary(['lab_id', 'id'])
  })
}
