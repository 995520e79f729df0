import type { Knex } from 'knex'

/** Tables of one lab's data, which nobody reads or writes who has not said which lab. */
const OF_A_LAB = ['batches', 'entries', 'chain_ends', 'photos', 'briefs', 'own_rows', 'templates', 'assays']

/**
 * Keys of what grows begin with the lab, so that it can be parted by it, and what belongs together is of one lab by its keys. A role that is not the owner sees
 * the rows of the lab that its connection names, and no others.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table photos disable trigger photos_never_changed;
    alter table photos add column lab_id uuid;
    update photos set lab_id = batches.lab_id from batches where batches.id = photos.batch_id;
    alter table photos alter column lab_id set not null;
    alter table photos enable trigger photos_never_changed;
    alter table briefs add column lab_id uuid;
    update briefs set lab_id = batches.lab_id from batches where batches.id = briefs.batch_id;
    alter table briefs alter column lab_id set not null;

    alter table entries drop constraint entries_corrects_foreign, drop constraint entries_batch_id_foreign, drop constraint entries_person_id_foreign,
      drop constraint entries_lab_id_foreign, drop constraint entries_batch_id_seq_unique, drop constraint entries_pkey;
    alter table photos drop constraint photos_batch_id_foreign, drop constraint photos_pkey;
    alter table briefs drop constraint briefs_batch_id_foreign, drop constraint briefs_pkey;
    alter table chain_ends drop constraint chain_ends_pkey;
    alter table batches drop constraint batches_pkey;

    alter table people add unique (lab_id, id);
    alter table batches add primary key (lab_id, id);
    alter table entries add primary key (lab_id, id), add unique (lab_id, batch_id, seq),
      add foreign key (lab_id, batch_id) references batches (lab_id, id),
      add foreign key (lab_id, person_id) references people (lab_id, id),
      add foreign key (lab_id, corrects) references entries (lab_id, id);
    alter table photos add primary key (lab_id, batch_id, sha256), add foreign key (lab_id, batch_id) references batches (lab_id, id);
    alter table briefs add primary key (lab_id, batch_id), add foreign key (lab_id, batch_id) references batches (lab_id, id);
    alter table chain_ends add primary key (lab_id, batch_id);

    create function own_lab() returns uuid language sql stable as $$ select nullif(current_setting('zip_ledger.lab', true), '')::uuid $$;
  `)
  for (const table of OF_A_LAB) await onlyOwnLab(db, table)
}

/** Rows of a table are there for the lab that the connection names, to read and to write. */
export const onlyOwnLab = (db: Knex, table: string): Promise<unknown> =>
  db.raw(
    `alter table ?? enable row level security; create policy own_lab on ?? using (lab_id = (select own_lab())) with check (lab_id = (select own_lab()))`,
    [table, table],
  )
