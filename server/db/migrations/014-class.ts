import type { Knex } from 'knex'
import { onlyOwnLab } from './006-by-lab'

/** Tables whose rows are of one batch, by its id. */
const OF_A_BATCH = ['entries', 'photos', 'briefs', 'acts', 'stamps', 'chain_ends']

/**
 * Classes: their plan, their groups with a batch each, who is in which, the sealed key of their unknowns, answers and marks. And the wall between students: a connection that says for which
 * student it is sees no batch of another one, nor anything that hangs on such a batch.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table classes (
      lab_id uuid not null references labs,
      id uuid not null,
      code text not null,
      body jsonb not null,
      version integer not null default 1,
      made_by uuid not null,
      made_at timestamptz not null default now(),
      released_at timestamptz,
      primary key (lab_id, id),
      foreign key (lab_id, made_by) references people (lab_id, id)
    );
    create unique index classes_code on classes (code);
    create table class_keys (
      lab_id uuid not null,
      class_id uuid not null,
      body jsonb not null,
      primary key (lab_id, class_id),
      foreign key (lab_id, class_id) references classes (lab_id, id)
    );
    create table class_groups (
      lab_id uuid not null,
      class_id uuid not null,
      number integer not null,
      section text not null default '',
      batch_id uuid not null,
      help_at timestamptz,
      primary key (lab_id, class_id, number),
      foreign key (lab_id, class_id) references classes (lab_id, id),
      foreign key (lab_id, batch_id) references batches (lab_id, id)
    );
    create table class_members (
      lab_id uuid not null,
      class_id uuid not null,
      id uuid not null,
      number integer not null,
      name text not null,
      person_id uuid,
      primary key (lab_id, class_id, id),
      unique (lab_id, class_id, person_id),
      foreign key (lab_id, class_id, number) references class_groups (lab_id, class_id, number),
      foreign key (lab_id, person_id) references people (lab_id, id)
    );
    create index class_members_by_person on class_members (lab_id, person_id);
    create table class_answers (
      lab_id uuid not null,
      id uuid not null,
      batch_id uuid not null,
      question text not null,
      body text not null,
      person_id uuid not null,
      at timestamptz not null default now(),
      primary key (lab_id, id),
      foreign key (lab_id, batch_id) references batches (lab_id, id),
      foreign key (lab_id, person_id) references people (lab_id, id)
    );
    create index class_answers_by_batch on class_answers (lab_id, batch_id, at);
    create table class_marks (
      lab_id uuid not null,
      id uuid not null,
      batch_id uuid not null,
      criterion text not null,
      points numeric,
      comment text not null,
      person_id uuid not null,
      at timestamptz not null default now(),
      primary key (lab_id, id),
      foreign key (lab_id, batch_id) references batches (lab_id, id),
      foreign key (lab_id, person_id) references people (lab_id, id)
    );
    create index class_marks_by_batch on class_marks (lab_id, batch_id, at);
    create trigger class_answers_stay before update or delete on class_answers for each row execute function refuse_change();
    create trigger class_marks_stay before update or delete on class_marks for each row execute function refuse_change();

    alter table batches add column class_id uuid, add column student_id uuid;
    alter table assays add column student_id uuid;

    create function own_student() returns uuid language sql stable as $$ select nullif(current_setting('zip_ledger.student', true), '')::uuid $$;
    create function own_classes() returns setof uuid language sql stable security definer set search_path = public as $$
      select class_id from class_members where lab_id = own_lab() and person_id = own_student() $$;
    create function own_runs() returns setof uuid language sql stable security definer set search_path = public as $$
      select g.batch_id from class_members m join class_groups g using (lab_id, class_id, number) where m.lab_id = own_lab() and m.person_id = own_student() $$;
    create function codes_taken(lab uuid, prefix text) returns setof text language sql stable security definer set search_path = public as $$
      select code from batches where batches.lab_id = codes_taken.lab and (codes_taken.lab = own_lab() or session_user <> 'zip_ledger_app') and code like codes_taken.prefix || '-%' $$;

    create policy own_run on batches as restrictive using (
      (select own_student()) is null
      or (class_id is null and (student_id is null or student_id = (select own_student())))
      or id in (select own_runs()));
    create policy own_sheet on assays as restrictive using (
      (select own_student()) is null or student_id is null or student_id = (select own_student()));
    create policy own_run on revisions as restrictive using (
      (select own_student()) is null
      or kind not in ('batch', 'assay')
      or (kind = 'batch' and exists (select 1 from batches b where b.lab_id = revisions.lab_id and b.id::text = revisions.subject))
      or (kind = 'assay' and exists (select 1 from assays a where a.lab_id = revisions.lab_id and a.id::text = revisions.subject)))
      with check (true);
  `)
  for (const table of OF_A_BATCH)
    await db.raw(
      `create policy own_run on ?? as restrictive using ((select own_student()) is null or exists (select 1 from batches b where b.lab_id = ??.lab_id and b.id = ??.batch_id))`,
      [table, table, table],
    )
  for (const table of ['classes', 'class_keys', 'class_groups', 'class_members', 'class_answers', 'class_marks'])
    await onlyOwnLab(db, table)
  await db.raw(`
    create policy own_class on classes as restrictive using ((select own_student()) is null or id in (select own_classes()));
    create policy released on class_keys as restrictive using (
      (select own_student()) is null or exists (select 1 from classes c where c.lab_id = class_keys.lab_id and c.id = class_id and c.released_at is not null));
    create policy own_group on class_groups as restrictive using ((select own_student()) is null or batch_id in (select own_runs()));
    create policy own_group on class_members as restrictive using (
      (select own_student()) is null or exists (select 1 from class_groups g where g.lab_id = class_members.lab_id and g.class_id = class_members.class_id and g.number = class_members.number));
    create policy own_run on class_answers as restrictive using ((select own_student()) is null or batch_id in (select own_runs()));
    create policy own_run on class_marks as restrictive using ((select own_student()) is null or batch_id in (select own_runs()));
  `)
}
