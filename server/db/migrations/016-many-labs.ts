import type { Knex } from 'knex'
import { APP_ROLE } from '../role'
import { onlyOwnLab } from './006-by-lab'

/** As many parts as a machine of the largest kind has cores for, and few enough that one lab's plan looks at one. A judgement; it is not changed later without copying all. */
const PARTS = 16
const parts = Array.from({ length: PARTS }, (_, i) => `entries_p${String(i).padStart(2, '0')}`)

/**
 * For many labs: entries lie in parts by their lab; what the Bench and the lists show stands in the briefs with the indexes that it is read by; up to when a lab's briefs were looked through is kept, so
 * that a look costs what changed since; and tables for what processes, exports and backups tell of themselves. The code before works on these tables too: what is added to the briefs has names that its joins do not know.
 */
export async function up(db: Knex): Promise<void> {
  await partEntries(db)
  await db.raw(`
    create extension if not exists pg_trgm;
    create index people_by_account on people (account_id) where account_id is not null;
    create index batches_by_touched on batches (lab_id, touched_at desc);

    alter table briefs add column batch_code text, add column batch_touched_at timestamptz, add column batch_class_id uuid,
      add column batch_is_practice boolean not null default false, add column words text not null default '';
    update briefs set batch_code = b.code, batch_touched_at = b.touched_at, batch_class_id = b.class_id, batch_is_practice = b.is_practice
      from batches b where b.lab_id = briefs.lab_id and b.id = briefs.batch_id;
    create index briefs_under_way on briefs (lab_id, ((has_timers or due_at is not null)) desc, due_at asc nulls last, batch_touched_at desc, batch_code)
      where not is_done and not is_fresh and not batch_is_practice;
    create index briefs_planned on briefs (lab_id, batch_touched_at desc) where not is_done and is_fresh and not batch_is_practice;
    create index briefs_by_touched on briefs (lab_id, batch_touched_at desc) where not batch_is_practice;
    create index briefs_counted on briefs (lab_id, is_done, is_fresh) include (batch_class_id, batch_id) where not batch_is_practice and batch_code is not null;
    create index briefs_open on briefs (lab_id, batch_touched_at desc) where not is_done;
    create index briefs_by_maker on briefs (lab_id, built_at, made_by);
    create index briefs_words on briefs using gin (words gin_trgm_ops);
    create function find_batches(part text, most integer) returns setof uuid language sql stable security definer set search_path = public as $find$
      select batch_id from briefs where lab_id = own_lab() and words like part order by batch_touched_at desc limit most $find$;

    create function touched_since(labs uuid[], since timestamptz, most integer) returns table (lab uuid, code text, at timestamptz)
      language sql stable security definer set search_path = public as $touched$
      select one.id, b.code, b.touched_at from unnest(labs) as one(id), lateral (
        select batches.code, batches.touched_at from batches where batches.lab_id = one.id and batches.touched_at > since
        order by batches.touched_at desc limit most) b $touched$;

    create table brief_marks (
      lab_id uuid primary key references labs,
      until timestamptz not null
    );
    create table exports (
      lab_id uuid not null,
      person_id uuid not null,
      name text not null,
      done integer not null,
      total integer not null,
      at timestamptz not null default now(),
      primary key (lab_id, person_id, name),
      foreign key (lab_id, person_id) references people (lab_id, id)
    );
    create table processes (
      id uuid primary key,
      begun_at timestamptz not null default now(),
      seen_at timestamptz not null default now(),
      body jsonb not null
    );
    create table backups (
      at timestamptz primary key default now(),
      bytes bigint not null,
      sha256 text not null
    );
    alter table chain_ends add column anchored text;
    create index chain_ends_to_anchor on chain_ends (lab_id, batch_id) where seq > 0 and anchored is distinct from hash;

    create table fits (is_one boolean primary key default true check (is_one), since text not null);
    insert into fits (since) values ('015-practice');
  `)
  for (const table of ['brief_marks', 'exports']) await onlyOwnLab(db, table)
  // Processes of the version before go on while this one's begin: they find the journal as they left it.
  const { rows } = await db.raw<{ rows: unknown[] }>('select 1 from pg_roles where rolname = ?', [APP_ROLE])
  if (rows.length > 0) await db.raw(`grant select, insert on entries to ${APP_ROLE}`)
}

/** The journal once more, in parts by lab; what was recorded is copied as it is, in its order, and bound as before. */
async function partEntries(db: Knex): Promise<void> {
  await db.raw(`
    alter table entries rename to entries_before;
    create table entries (like entries_before including defaults) partition by hash (lab_id);
    ${parts.map((part, i) => `create table ${part} partition of entries for values with (modulus ${PARTS}, remainder ${i});`).join('\n')}
    insert into entries select * from entries_before order by lab_id, batch_id, seq;
    drop table entries_before;
    alter table entries add primary key (lab_id, id), add unique (lab_id, batch_id, seq);
    alter table entries add foreign key (lab_id, batch_id) references batches (lab_id, id);
    alter table entries add foreign key (lab_id, person_id) references people (lab_id, id);
    alter table entries add foreign key (lab_id, corrects) references entries (lab_id, id);
    create trigger entries_append_only before update or delete on entries for each row execute function refuse_change();
    create trigger entries_never_emptied before truncate on entries for each statement execute function refuse_change();
    ${parts.map(part => `create trigger ${part}_never_emptied before truncate on ${part} for each statement execute function refuse_change();`).join('\n')}
  `)
  await onlyOwnLab(db, 'entries')
  await db.raw(
    `create policy own_run on entries as restrictive using ((select own_student()) is null or exists (select 1 from batches b where b.lab_id = entries.lab_id and b.id = entries.batch_id))`,
  )
}
