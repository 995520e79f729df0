import type { Knex } from 'knex'

/**
 * A notice says how far its batch had come, and so does who looks for what was touched: then a look knows what was told and what was not, though a batch that is written to many times a second
 * keeps the time of its touch. How far is the number of its last entry and of its document together, neither of which ever goes down. Processes of the version before read the same
 * columns, and the first two words of a notice.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    drop function touched_since(uuid[], timestamptz, integer);
    create function touched_since(labs uuid[], since timestamptz, most integer)
      returns table (lab uuid, code text, at timestamptz, step integer, ms float8)
      language sql stable security definer set search_path = public as $touched$
      select one.id, b.code, b.touched_at, b.last_seq + b.version, floor(extract(epoch from b.touched_at) * 1000)::float8 from unnest(labs) as one(id), lateral (
        select batches.code, batches.touched_at, batches.last_seq, batches.version from batches where batches.lab_id = one.id and batches.touched_at > since
        order by batches.touched_at desc limit most) b $touched$;

    create function tell_changed(channel text, labs uuid[], codes text[]) returns void
      language sql volatile security definer set search_path = public set enable_seqscan = off set enable_hashjoin = off set enable_mergejoin = off as $tell$
      select pg_notify(channel, string_agg(concat_ws(' ', one.lab, one.code, b.last_seq + b.version, floor(extract(epoch from b.touched_at) * 1000)), ','))
      from unnest(labs, codes) as one(lab, code) left join batches b on b.lab_id = one.lab and b.code = one.code $tell$;
  `)
}
