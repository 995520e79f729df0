import type { Knex } from 'knex'
import { onlyOwnLab } from './006-by-lab'

/** Bottles with what is written on them, what happened to each, what batches took; and what each holds, kept beside the facts so that a shelf of thousands is read at once. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table bottles (
      lab_id uuid not null references labs,
      code text not null,
      number integer not null,
      label jsonb not null,
      version integer not null default 1,
      formula text not null,
      place text not null default '',
      words text not null,
      amount double precision,
      spread double precision,
      unit text not null,
      standing jsonb not null,
      is_empty boolean not null default false,
      last_fact integer not null default 0,
      primary key (lab_id, code),
      unique (lab_id, number)
    );
    create index bottles_by_formula on bottles (lab_id, formula);
    create table bottle_facts (
      lab_id uuid not null,
      bottle text not null,
      seq integer not null,
      id uuid not null,
      body jsonb not null,
      person_id uuid not null,
      recorded_at timestamptz not null default now(),
      primary key (lab_id, bottle, seq),
      unique (lab_id, id),
      foreign key (lab_id, bottle) references bottles (lab_id, code),
      foreign key (lab_id, person_id) references people (lab_id, id)
    );
    create table draws (
      lab_id uuid not null,
      bottle text not null,
      batch_id uuid not null,
      body jsonb not null,
      primary key (lab_id, bottle, batch_id),
      foreign key (lab_id, batch_id) references batches (lab_id, id)
    );
    alter table batches add column brought_seq integer not null default 0;
    create index draws_by_batch on draws (lab_id, batch_id);
    create trigger bottle_facts_stay before update or delete on bottle_facts for each row execute function refuse_change();
    create trigger bottle_facts_never_emptied before truncate on bottle_facts for each statement execute function refuse_change();
  `)
  for (const table of ['bottles', 'bottle_facts', 'draws']) await onlyOwnLab(db, table)
}
