import type { Knex } from 'knex'

/** A batch that is written to many times a second says so once in so long: whoever looks for what changed looks back much further. */
const GRAIN = '200 ms'

/**
 * The hot append, so that what it rewrites stays where it lies: nothing that an index holds changes with each entry, and pages have room for the next version of a row. And it
 * reads batches by their key, however many there are: from a hundred moved rows, which is what the planner takes any list for, it would read the table of a middling lab from end to end each time.
 * What is to be anchored is looked for once a day, among a lab's chains.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    drop index chain_ends_to_anchor;
    alter table chain_ends set (fillfactor = 70);
    alter table batches set (fillfactor = 70);
    create or replace function append_entries(for_lab uuid, moves jsonb, fresh_rows jsonb) returns table (entry uuid, batch uuid)
    language plpgsql set enable_seqscan = off set enable_bitmapscan = off set enable_hashjoin = off set enable_mergejoin = off as $append$
    begin
      perform set_config('zip_ledger.lab', for_lab::text, true);
      return query
      with head as (
        select * from jsonb_to_recordset(moves) as head(id uuid, code text, old_seq integer, old_hash text, seq integer, hash text)),
      locked as (
        select batches.id, head.seq, head.hash from batches join head on batches.lab_id = for_lab and batches.id = head.id
        where batches.last_seq = head.old_seq and batches.last_hash = head.old_hash order by batches.id for update of batches),
      moved as (
        update batches set last_seq = locked.seq, last_hash = locked.hash,
          touched_at = case when batches.touched_at between now() - interval '${GRAIN}' and now() then batches.touched_at else now() end
        from locked where batches.lab_id = for_lab and batches.id = locked.id
        returning batches.id, batches.code, locked.seq, locked.hash),
      ended as (
        insert into chain_ends (batch_id, lab_id, code, seq, hash) select moved.id, for_lab, moved.code, moved.seq, moved.hash from moved
        on conflict (lab_id, batch_id) do update set seq = excluded.seq, hash = excluded.hash),
      written as (
        insert into entries (id, lab_id, batch_id, seq, person_id, kind, at, value, unit, instrument, typed, corrects, body, previous_hash, hash, recorded_at, hash_version)
        select id, for_lab, batch_id, seq, person_id, kind, at, value, unit, instrument, typed, corrects, body, previous_hash, hash, recorded_at, hash_version
        from jsonb_to_recordset(fresh_rows) as fresh(id uuid, batch_id uuid, seq integer, person_id uuid, kind text, at timestamptz, value numeric, unit text,
          instrument text, typed boolean, corrects uuid, body jsonb, previous_hash text, hash text, recorded_at timestamptz, hash_version smallint)
        where fresh.batch_id in (select moved.id from moved)
        returning entries.id, entries.batch_id)
      select written.id, written.batch_id from written;
    end $append$;
  `)
}
