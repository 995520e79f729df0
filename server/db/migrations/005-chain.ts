import type { Knex } from 'knex'
import { checkpointOf, GENESIS, type ChainRow } from '../chain'

/**
 * The hash of an entry covers all of it from here on; what stands is closed by a checkpoint over all of its columns. Beside the batches a list
 * of their chains' ends is kept, so that a batch that is gone, or a journal whose end was cut off, is missed.
 */
export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('entries', table => {
    table.smallint('hash_version').notNullable().defaultTo(1)
  })
  await db.schema.createTable('chain_ends', table => {
    table.uuid('batch_id').primary()
    table.uuid('lab_id').notNullable()
    table.text('code').notNullable()
    table.integer('seq').notNullable()
    table.text('hash').notNullable()
  })
  await db.raw(`
    create trigger chain_ends_stay before delete on chain_ends for each row execute function refuse_change();
    create trigger chain_ends_never_emptied before truncate on chain_ends for each statement execute function refuse_change();
  `)
  const batches: { id: string; lab_id: string; code: string; last_hash: string }[] = await db('batches')
  for (const { id, lab_id, code, last_hash } of batches) {
    const rows: ChainRow[] = await db('entries').where({ batch_id: id }).orderBy('seq')
    const hash = rows.length === 0 ? GENESIS : checkpointOf(last_hash, rows)
    await db('batches').where({ id }).update({ last_hash: hash })
    await db('chain_ends').insert({ batch_id: id, lab_id, code, seq: rows.length, hash })
  }
}
