import type { Knex } from 'knex'

/** Labs, their people, their batches, and the journal that the database itself keeps from being changed. */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('labs', table => {
    table.uuid('id').primary()
    table.text('name').notNullable()
  })
  await db.schema.createTable('people', table => {
    table.uuid('id').primary()
    table.uuid('lab_id').notNullable().references('labs.id')
    table.text('name').notNullable()
  })
  await db.schema.createTable('batches', table => {
    table.uuid('id').primary()
    table.uuid('lab_id').notNullable().references('labs.id')
    table.text('code').notNullable()
    table.jsonb('document').notNullable()
    table.integer('version').notNullable().defaultTo(1)
    table.timestamp('created_at').notNullable().defaultTo(db.fn.now())
    table.timestamp('touched_at').notNullable().defaultTo(db.fn.now())
    table.unique(['lab_id', 'code'])
  })
  await db.schema.createTable('entries', table => {
    table.uuid('id').primary()
    table.uuid('lab_id').notNullable().references('labs.id')
    table.uuid('batch_id').notNullable().references('batches.id')
    table.integer('seq').notNullable()
    table.uuid('person_id').notNullable().references('people.id')
    table.text('kind').notNullable()
    table.timestamp('at').notNullable()
    table.timestamp('recorded_at').notNullable().defaultTo(db.fn.now())
    table.decimal('value', null).nullable()
    table.text('unit').nullable()
    table.text('instrument').nullable()
    table.boolean('typed').nullable()
    table.uuid('corrects').nullable().references('entries.id')
    table.jsonb('body').notNullable()
    table.text('previous_hash').notNullable()
    table.text('hash').notNullable()
    table.unique(['batch_id', 'seq'])
  })
  await db.raw(`
    create function refuse_change() returns trigger language plpgsql as $$
    begin raise exception 'The journal is append-only: a correction is a new entry.'; end $$;
    create trigger entries_append_only before update or delete on entries for each row execute function refuse_change();
    create trigger entries_never_emptied before truncate on entries for each statement execute function refuse_change();
  `)
}
