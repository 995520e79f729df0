import type { Knex } from 'knex'
import { onlyOwnLab } from './006-by-lab'

/** Time stamps on what was done to records, as an authority gave them; and what stand-ins for outside services keep of their own. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table stamps (
      lab_id uuid not null,
      batch_id uuid not null,
      number integer not null,
      token bytea not null,
      primary key (lab_id, batch_id, number),
      foreign key (lab_id, batch_id, number) references acts (lab_id, batch_id, number)
    );
    create table stand_ins (
      name text primary key,
      body jsonb not null
    );
  `)
  for (const table of ['stamps', 'stand_ins'])
    await db.raw(
      `create trigger ${table}_stay before update or delete on ${table} for each row execute function refuse_change();
       create trigger ${table}_never_emptied before truncate on ${table} for each statement execute function refuse_change()`,
    )
  await onlyOwnLab(db, 'stamps')
}
