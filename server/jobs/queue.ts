import type { Knex } from 'knex'
import PgBoss from 'pg-boss'
import type pg from 'pg'
import { APP_ROLE } from '../db/role'

/** What is done once, however many processes there are: by name, with how a job waits and how long one may take, s. */
const QUEUES = {
  /** Makes the briefs of a lab anew: one that waits and one that runs for each lab. */
  briefs: { policy: 'stately', expireInSeconds: 120, retryLimit: 5 },
  /** Publishes the ends of all chains, once a day. */
  anchors: { policy: 'stately', expireInSeconds: 900, retryLimit: 5, retryDelay: 60 },
  /** Takes away what has ended: sessions, links, challenges, tries at the door, processes that are gone. */
  tidy: { policy: 'stately', expireInSeconds: 300, retryLimit: 1 },
} as const satisfies Record<string, Omit<PgBoss.Queue, 'name'>>
export type QueueName = keyof typeof QUEUES
export const queueNames = Object.keys(QUEUES) as QueueName[]

/** When what is done by the clock begins, UTC: the day's anchors just after midnight, and once more at noon for a day on which nothing ran at midnight. */
const CLOCK: Partial<Record<QueueName, string>> = { anchors: '2 0,12 * * *', tidy: '17 * * * *' }

const common = { schema: 'pgboss', archiveCompletedAfterSeconds: 3600, deleteAfterDays: 7 } as const

/** Statements of the queue go through the application's own pool, and so through its pooler. */
const through = (db: Knex): PgBoss.Db => ({
  async executeSql(text, values) {
    const client = db.client as {
      acquireConnection(): Promise<pg.Client>
      releaseConnection(connection: pg.Client): Promise<void>
    }
    const connection = await client.acquireConnection()
    try {
      return await connection.query(text, values)
    } finally {
      await client.releaseConnection(connection)
    }
  },
})

/** The queue as a process uses it, which changes no table. */
export const queueOn = (db: Knex): PgBoss =>
  new PgBoss({
    ...common,
    db: through(db),
    migrate: false,
    maintenanceIntervalSeconds: 300,
    cronWorkerIntervalSeconds: 30,
  })

/** Makes the queue's tables, or brings them up to date, as whoever owns the database; and lets the application in where it has a role of its own. */
export async function prepareQueue(db: Knex): Promise<void> {
  const boss = new PgBoss({ ...common, db: through(db), supervise: false, schedule: false })
  await boss.start()
  // The clock's own queue is made here too: the application makes no tables.
  for (const [name, how] of [...Object.entries(QUEUES), ['__pgboss__send-it', {}] as const])
    await boss.createQueue(name, { name, ...how })
  for (const [name, cron] of Object.entries(CLOCK)) await boss.schedule(name, cron)
  await boss.stop({ graceful: false })
  const { rows } = await db.raw<{ rows: unknown[] }>('select 1 from pg_roles where rolname = ?', [APP_ROLE])
  if (rows.length === 0) return
  await db.raw(`grant usage on schema pgboss to ${APP_ROLE}`)
  await db.raw(`grant select, insert, update, delete on all tables in schema pgboss to ${APP_ROLE}`)
}
