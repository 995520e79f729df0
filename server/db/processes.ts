import type { Knex } from 'knex'
import * as z from 'zod'

const count = z.number().nonnegative()
const slow = z.object({ sql: z.string(), count, total: count, longest: count })

/** What a process tells of itself every few seconds, for whoever looks after the installation; it names nobody and no lab. */
export const toldSchema = z.object({
  host: z.string(),
  pid: count,
  builtAt: count,
  memory: count,
  lag: count,
  streams: count,
  waiting: count,
  jobs: count,
  connections: z.object({ busy: count, free: count, wanted: count }),
  answers: z.object({ count, failed: count, median: count, slowest20th: count, seconds: count }),
  disk: z.object({ free: count, total: count }).optional(),
  isStopping: z.boolean(),
  slow: z.array(slow),
})
export type Told = z.infer<typeof toldSchema>
export interface Process extends Told {
  readonly id: string
  readonly begunAt: string
  readonly seenAt: string
}

/** A process that says nothing for longer is gone, s. */
const GONE = 45

/** Tells; answers how many processes there are now, this one with them. */
export async function tellProcess(db: Knex, id: string, told: Told): Promise<number> {
  await db('processes')
    .insert({ id, body: JSON.stringify(told) })
    .onConflict('id')
    .merge({ body: JSON.stringify(told), seen_at: db.fn.now() })
  const row = await alive(db).count<{ count: string }[]>('* as count')
  return Number(row[0]?.count ?? 1)
}
export const forgetProcess = (db: Knex, id: string): Promise<number> => db('processes').where({ id }).delete()

const alive = (db: Knex): Knex.QueryBuilder => db('processes').whereRaw(`seen_at > now() - interval '${GONE} seconds'`)

/** The processes that live, the oldest first; what another version tells in another form is left out. */
export async function listProcesses(db: Knex): Promise<Process[]> {
  const rows: { id: string; begun_at: Date; seen_at: Date; body: unknown }[] = await alive(db)
    .orderBy('begun_at')
    .select('id', 'begun_at', 'seen_at', 'body')
  return rows.flatMap(({ id, begun_at, seen_at, body }) => {
    const read = toldSchema.safeParse(body)
    return read.success ? [{ ...read.data, id, begunAt: begun_at.toISOString(), seenAt: seen_at.toISOString() }] : []
  })
}
