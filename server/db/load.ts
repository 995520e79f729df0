import type { Knex } from 'knex'
import { queueNames, type QueueName } from '../jobs/queue'

/** How the database of an installation stands, as far as the application may see; no lab’s rows are read. */
export interface DatabaseLoad {
  /** Bytes of all tables. */
  readonly size: number
  readonly tables: readonly { readonly name: string; readonly bytes: number; readonly rows: number }[]
  readonly connections: { readonly all: number; readonly busy: number; readonly most: number }
  /** Seconds of the oldest transaction that is open. */
  readonly oldest: number
  /** Machines that follow this one. */
  readonly followers: number
  readonly labs: number
  readonly queue: Readonly<
    Record<QueueName, { readonly waiting: number; readonly running: number; readonly failed: number }>
  >
  readonly backup?: { readonly at: string; readonly bytes: number }
  readonly anchor?: { readonly day: string; readonly key: string }
}

const LARGEST = 8

export async function databaseLoad(db: Knex): Promise<DatabaseLoad> {
  const [sizes, tables, backends, labs, jobs, backup, anchor] = await Promise.all([
    db.raw<{ rows: { size: string }[] }>('select pg_database_size(current_database()) as size'),
    db.raw<{ rows: { name: string; bytes: string; rows: string }[] }>(
      // A table in parts is told as one.
      `select coalesce(parent.relname, c.relname) as name, sum(pg_total_relation_size(c.oid)) as bytes, sum(coalesce(pg_stat_get_live_tuples(c.oid), 0))::bigint as rows
       from pg_class c left join pg_inherits i on i.inhrelid = c.oid left join pg_class parent on parent.oid = i.inhparent
       where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace group by 1 order by 2 desc limit ${LARGEST}`,
    ),
    db.raw<{ rows: { all: string; busy: string; oldest: string; most: string; followers: string }[] }>(
      `select count(*) as "all", count(*) filter (where state <> 'idle') as busy,
         coalesce(extract(epoch from max(now() - xact_start)), 0) as oldest,
         current_setting('max_connections') as most, (select count(*) from pg_stat_replication) as followers
       from pg_stat_activity where datname = current_database()`,
    ),
    db('labs').count<{ count: string }[]>('* as count'),
    db.raw<{ rows: { name: string; state: string; count: string }[] }>(
      'select name, state::text, count(*) from pgboss.job where name = any(?) group by 1, 2',
      [queueNames],
    ),
    db('backups').orderBy('at', 'desc').first('at', 'bytes') as Promise<{ at: Date; bytes: string } | undefined>,
    db('anchors').orderBy('day', 'desc').first(db.raw('day::text as day'), 'key') as Promise<
      { day: string; key: string } | undefined
    >,
  ])
  const [activity] = backends.rows
  const jobsOf = (name: string, ...states: string[]): number =>
    jobs.rows
      .filter(row => row.name === name && states.includes(row.state))
      .reduce((sum, row) => sum + Number(row.count), 0)
  return {
    size: Number(sizes.rows[0]?.size ?? 0),
    tables: tables.rows.map(({ name, bytes, rows }) => ({ name, bytes: Number(bytes), rows: Number(rows) })),
    connections: {
      all: Number(activity?.all ?? 0),
      busy: Number(activity?.busy ?? 0),
      most: Number(activity?.most ?? 0),
    },
    oldest: Number(activity?.oldest ?? 0),
    followers: Number(activity?.followers ?? 0),
    labs: Number(labs[0]?.count ?? 0),
    queue: Object.fromEntries(
      queueNames.map(name => [
        name,
        {
          waiting: jobsOf(name, 'created', 'retry'),
          running: jobsOf(name, 'active'),
          failed: jobsOf(name, 'failed'),
        },
      ]),
    ) as DatabaseLoad['queue'],
    ...(backup && { backup: { at: backup.at.toISOString(), bytes: Number(backup.bytes) } }),
    ...(anchor && { anchor }),
  }
}

/** When the last backup was made. */
export const lastBackup = async (db: Knex): Promise<Date | undefined> =>
  ((await db('backups').orderBy('at', 'desc').first('at')) as { at: Date } | undefined)?.at

/** Jobs of each queue that failed for good and are still kept. */
export async function failedJobs(db: Knex): Promise<Record<QueueName, number>> {
  const { rows } = await db.raw<{ rows: { name: string; count: string }[] }>(
    "select name, count(*) from pgboss.job where name = any(?) and state = 'failed' group by 1",
    [queueNames],
  )
  const counts = new Map(rows.map(({ name, count }) => [name, Number(count)]))
  return Object.fromEntries(queueNames.map(name => [name, counts.get(name) ?? 0])) as Record<QueueName, number>
}
