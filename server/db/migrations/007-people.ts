import type { Knex } from 'knex'
import { onlyOwnLab } from './006-by-lab'

/**
 * Who somebody is (an account of the installation), what they are in each lab (a person, with a role), and by what they are known: a password, passkeys, a second
 * factor, a PIN, a session. What is secret is kept as a hash only, but for the secret of codes by the clock, which both sides must know; a link, a session, a key or a device's mark are long and random, so that a plain hash will do.
 * Nobody is deleted who wrote something: they are closed.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table labs add column is_demo boolean not null default false;

    create table accounts (
      id uuid primary key,
      name text not null,
      address text,
      password text,
      totp_secret text,
      totp_since timestamptz,
      totp_last bigint not null default 0,
      created_at timestamptz not null default now()
    );
    create unique index accounts_name on accounts (lower(name));
    create unique index accounts_address on accounts (lower(address));

    alter table people add column account_id uuid references accounts, add column role text not null default 'chemist',
      add column closed_at timestamptz, add column pin text, add column badge text;
    create unique index people_account on people (lab_id, account_id);
    create unique index people_badge on people (badge);

    create table passkeys (
      id text primary key,
      account_id uuid not null references accounts,
      name text not null,
      public_key bytea not null,
      counter bigint not null,
      transports jsonb not null default '[]',
      added_at timestamptz not null default now(),
      used_at timestamptz
    );
    create table recovery_codes (
      account_id uuid not null references accounts,
      hash text not null,
      used_at timestamptz,
      primary key (account_id, hash)
    );
    create table devices (
      id uuid primary key,
      lab_id uuid not null references labs,
      hash text not null unique,
      name text not null,
      added_by uuid not null,
      added_at timestamptz not null default now(),
      closed_at timestamptz,
      foreign key (lab_id, added_by) references people (lab_id, id)
    );
    create table sessions (
      id uuid primary key,
      hash text not null unique,
      earlier_hash text unique,
      turned_at timestamptz not null default now(),
      kind text not null,
      lab_id uuid not null references labs,
      person_id uuid not null,
      account_id uuid references accounts,
      device_id uuid references devices,
      is_strong boolean not null default false,
      about text not null,
      begun_at timestamptz not null default now(),
      seen_at timestamptz not null default now(),
      ends_at timestamptz not null,
      foreign key (lab_id, person_id) references people (lab_id, id)
    );
    create index sessions_account on sessions (account_id);
    create index sessions_person on sessions (lab_id, person_id);
    create table links (
      hash text primary key,
      kind text not null,
      lab_id uuid references labs,
      role text,
      account_id uuid references accounts,
      name text,
      made_by uuid,
      made_at timestamptz not null default now(),
      ends_at timestamptz not null,
      used_at timestamptz
    );
    create table challenges (
      id text primary key,
      account_id uuid,
      challenge text not null,
      ends_at timestamptz not null
    );
    create table keys (
      lab_id uuid not null references labs,
      id uuid not null,
      hash text not null unique,
      name text not null,
      scopes jsonb not null,
      person_id uuid not null,
      made_at timestamptz not null default now(),
      used_at timestamptz,
      ends_at timestamptz,
      closed_at timestamptz,
      primary key (lab_id, id),
      foreign key (lab_id, person_id) references people (lab_id, id)
    );
    create table attempts (key varchar(255) primary key, points integer not null default 0, expire bigint);

    create table happenings (
      lab_id uuid not null references labs,
      number bigint generated always as identity,
      at timestamptz not null default now(),
      person_id uuid,
      what text not null,
      about text not null default '',
      primary key (lab_id, number)
    );
    create trigger happenings_stay before update or delete on happenings for each row execute function refuse_change();
    create trigger happenings_never_emptied before truncate on happenings for each statement execute function refuse_change();
  `)
  await onlyOwnLab(db, 'happenings')
  // The door knows the people of all labs, before it is known who comes; behind it there are those of one.
  for (const [table, lab] of [
    ['people', 'lab_id'],
    ['labs', 'id'],
  ] as const)
    await db.raw(
      `alter table ?? enable row level security; create policy own_lab on ?? using ((select own_lab()) is null or ${lab} = (select own_lab()))`,
      [table, table],
    )
}
