import type { Knex } from 'knex'
import { onlyOwnLab } from './006-by-lab'

/** Practice runs: batches apart from the lab's own, each of one person, made from a batch and a seed. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table batches add column is_practice boolean not null default false;
    create table practice_runs (
      lab_id uuid not null,
      batch_id uuid not null,
      person_id uuid not null,
      made_from text not null,
      seed integer not null,
      starts_at timestamptz not null,
      made_at timestamptz not null default now(),
      primary key (lab_id, batch_id),
      foreign key (lab_id, batch_id) references batches (lab_id, id),
      foreign key (lab_id, person_id) references people (lab_id, id)
    );
    create index practice_runs_by_person on practice_runs (lab_id, person_id, made_at);
  `)
  await onlyOwnLab(db, 'practice_runs')
}
