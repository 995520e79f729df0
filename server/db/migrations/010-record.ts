import type { Knex } from 'knex'
import { onlyOwnLab } from './006-by-lab'

/**
 * What is done to records: signatures, remarks, seals, addenda, each chained and signed by a key of the installation; the texts that were signed, by their hash; what
 * a batch that was brought in had of its own; and each day the ends of all chains. A sealed batch changes no more, whoever asks: the database refuses it.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table acts (
      lab_id uuid not null,
      batch_id uuid not null,
      number integer not null,
      body jsonb not null,
      primary key (lab_id, batch_id, number),
      foreign key (lab_id, batch_id) references batches (lab_id, id)
    );
    create table parts (
      lab_id uuid not null references labs,
      sha256 text not null,
      body text not null,
      primary key (lab_id, sha256)
    );
    create table origins (
      lab_id uuid not null,
      batch_id uuid not null,
      body text not null,
      brought_by uuid not null,
      brought_at timestamptz not null default now(),
      primary key (lab_id, batch_id),
      foreign key (lab_id, batch_id) references batches (lab_id, id),
      foreign key (lab_id, brought_by) references people (lab_id, id)
    );
    create table installation_keys (
      id text primary key,
      public_key text not null,
      private_key text not null,
      made_at timestamptz not null default now()
    );
    create table anchors (
      day date primary key,
      body text not null,
      hash text not null,
      key text not null,
      signature text not null
    );
    alter table batches add column sealed_at timestamptz;

    create function refuse_sealed() returns trigger language plpgsql as $refuse$
    begin
      if old.sealed_at is not null and (new.document is distinct from old.document or new.last_seq <> old.last_seq or new.sealed_at is distinct from old.sealed_at) then
        raise exception 'This batch is sealed.' using errcode = 'ZL001';
      end if;
      return new;
    end $refuse$;
    create trigger batches_sealed before update on batches for each row when (old.sealed_at is not null) execute function refuse_sealed();
  `)
  for (const table of ['acts', 'parts', 'origins', 'installation_keys', 'anchors'])
    await db.raw(
      `create trigger ${table}_stay before update or delete on ${table} for each row execute function refuse_change();
       create trigger ${table}_never_emptied before truncate on ${table} for each statement execute function refuse_change()`,
    )
  for (const table of ['acts', 'parts', 'origins']) await onlyOwnLab(db, table)
}
