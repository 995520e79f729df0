import type { Knex } from 'knex'
import { onlyOwnLab } from './006-by-lab'

/** Answers to practice questions: facts, only added to. How somebody stands is folded out of them. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table drill_answers (
      lab_id uuid not null,
      person_id uuid not null,
      id uuid not null,
      family text not null,
      level smallint not null,
      seed integer not null,
      typed text not null,
      outcome text not null,
      slips text[] not null,
      answered_at timestamptz not null,
      primary key (lab_id, id),
      foreign key (lab_id, person_id) references people (lab_id, id)
    );
    create index drill_answers_by_person on drill_answers (lab_id, person_id, answered_at);
    create trigger drill_answers_stay before update or delete on drill_answers for each row execute function refuse_change();
    create trigger drill_answers_never_emptied before truncate on drill_answers for each statement execute function refuse_change();
  `)
  await onlyOwnLab(db, 'drill_answers')
}
