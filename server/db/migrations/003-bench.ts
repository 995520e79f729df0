import type { Knex } from 'knex'

/**
 * The head of each batch's chain beside the batch, so that an append need not read the journal; photos; the lab's procedures and hours; and
 * what the Bench shows of each batch, kept so that it need not be worked out for every look. A brief says of which version, entry and build
 * it was made: any other is made again.
 */
export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('batches', table => {
    table.integer('last_seq').notNullable().defaultTo(0)
    table.text('last_hash').notNullable().defaultTo('0'.repeat(64))
  })
  await db.raw(`
    update batches set last_seq = e.seq, last_hash = e.hash
    from (select distinct on (batch_id) batch_id, seq, hash from entries order by batch_id, seq desc) e
    where e.batch_id = batches.id
  `)
  await db.schema.alterTable('labs', table => {
    table.jsonb('settings').notNullable().defaultTo('{}')
  })
  await db.schema.createTable('photos', table => {
    table.uuid('batch_id').notNullable().references('batches.id')
    table.text('sha256').notNullable()
    table.text('type').notNullable()
    table.binary('data').notNullable()
    table.timestamp('added_at').notNullable().defaultTo(db.fn.now())
    table.primary(['batch_id', 'sha256'])
  })
  await db.raw(`
    create trigger photos_never_changed before update or delete on photos for each row execute function refuse_change();
    create trigger photos_never_emptied before truncate on photos for each statement execute function refuse_change();
  `)
  await db.schema.createTable('templates', table => {
    table.uuid('id').primary()
    table.uuid('lab_id').notNullable().references('labs.id')
    table.text('name').notNullable()
    table.jsonb('steps').notNullable()
    table.uuid('added_by').notNullable().references('people.id')
    table.timestamp('added_at').notNullable().defaultTo(db.fn.now())
    table.unique(['lab_id', 'name'])
  })
  await db.schema.createTable('briefs', table => {
    table.uuid('batch_id').primary().references('batches.id')
    table.integer('version').notNullable()
    table.integer('seq').notNullable()
    table.text('made_by').notNullable()
    table.boolean('is_done').notNullable()
    table.boolean('is_fresh').notNullable()
    table.boolean('has_timers').notNullable()
    table.timestamp('due_at').nullable()
    table.text('brief').notNullable()
    table.text('lane').notNullable()
  })
}
