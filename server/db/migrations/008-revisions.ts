import type { Knex } from 'knex'
import { GENESIS } from '../chain'
import { revisionHash } from '../revision-hash'
import { onlyOwnLab } from './006-by-lab'

/**
 * Every saved plan, worksheet, own row, template and setting, one after the other, by whom and when; each is chained to the one before and names where the
 * journal of its batch stood. What stands now is the first of each, by nobody that is known.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table revisions (
      lab_id uuid not null references labs,
      kind text not null,
      subject text not null,
      number integer not null,
      body jsonb,
      person_id uuid,
      at timestamptz not null,
      after_seq integer not null default 0,
      after_hash text not null default '${GENESIS}',
      previous_hash text not null,
      hash text not null,
      primary key (lab_id, kind, subject, number),
      foreign key (lab_id, person_id) references people (lab_id, id)
    );
    create trigger revisions_stay before update or delete on revisions for each row execute function refuse_change();
    create trigger revisions_never_emptied before truncate on revisions for each statement execute function refuse_change();
  `)
  const at = new Date()
  const first = async (kind: string, rows: readonly First[]): Promise<void> => {
    for (const { lab_id, subject, number = 1, body, after_seq = 0, after_hash = GENESIS } of rows) {
      const row = { lab_id, kind, subject, number, body, person_id: null, at, after_seq, after_hash }
      const hash = revisionHash(GENESIS, row)
      await db('revisions').insert({ ...row, body: JSON.stringify(body), previous_hash: GENESIS, hash })
    }
  }
  await first(
    'batch',
    await db('batches').select(
      'lab_id',
      'id as subject',
      'version as number',
      'document as body',
      'last_seq as after_seq',
      'last_hash as after_hash',
    ),
  )
  await first('assay', await db('assays').select('lab_id', 'id as subject', 'version as number', 'worksheet as body'))
  await first(
    'own-row',
    (await db('own_rows').select('lab_id', 'kind', 'key', 'body')).map(({ lab_id, kind, key, body }) => ({
      lab_id,
      subject: `${kind} ${key}`,
      body,
    })),
  )
  await first('template', await db('templates').select('lab_id', 'name as subject', 'steps as body'))
  await onlyOwnLab(db, 'revisions')
  // When the build that made a brief was made: of two at work on one database the newer one’s stand.
  await db.raw('alter table briefs add column built_at bigint not null default 0')
}

interface First {
  readonly lab_id: string
  readonly subject: string
  readonly number?: number
  readonly body: unknown
  readonly after_seq?: number
  readonly after_hash?: string
}
