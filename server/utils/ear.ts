import pg from 'pg'

/** A batch that changed: its lab, its code, and when, by the database's clock, where that is known. */
export interface Change {
  readonly lab: string
  readonly code: string
}
export interface Ear {
  /** By the database's clock, ms: what changed until then was told. */
  heardUntil(): number | undefined
  close(): void
}

export const CHANNEL = 'changed'
/** ms. A connection that is lost is made anew after so long. */
const RETRY = 1000
/** ms. So often it is looked whether a notice was lost, and whether the connection lives: a process may end between its write and its notice, a leader with all its connections. */
const LOOK = 5000
/** ms. Transactions that began before a look may end after it, and no statement of the application lasts longer than eight seconds. */
const OVERLAP = 15_000
/** ms. A notice is sent 60 ms after its write, so that what was touched half as long before it came is what it told of. A batch that is written to many times a second bears the time of up to 200 ms before. */
const SURE = 30
/** More of a lab at once is “everything”. */
const MOST = 200

interface Touched {
  readonly lab: string
  readonly code: string
  readonly at: Date
}

/**
 * The one connection of a process that hears of changes. What came while it was cut, through a failover too, is looked up by when batches were touched; so is a notice that was never sent.
 * It goes to the database itself and not through a pooler, which keeps nobody listening.
 */
export function openEar(
  url: string,
  labs: () => readonly string[],
  hear: (changes: readonly Change[]) => void,
  every = LOOK,
): Ear {
  let client: pg.Client | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let isClosed = false
  /** By the database's clock, ms; and what it is ahead of this machine's. */
  let until: number | undefined
  let ahead = 0
  const told = new Map<string, number>()
  /** Labs that were looked at before: what changed before the first look at one, its pages have read. */
  let known: ReadonlySet<string> = new Set()

  const later = (what: () => void, wait: number): void => {
    clearTimeout(timer)
    if (!isClosed) timer = setTimeout(what, wait)
  }
  function drop(mine: pg.Client): void {
    if (client !== mine) return
    client = undefined
    void mine.end().catch(() => {})
    later(connect, RETRY)
  }
  function connect(): void {
    // Behind a cut nothing counts as told: of two changes at nearly one time one notice may have come through.
    told.clear()
    const mine = new pg.Client({
      connectionString: url,
      connectionTimeoutMillis: 3000,
      query_timeout: LOOK,
      keepAlive: true,
    })
    client = mine
    mine.on('error', () => drop(mine))
    mine.on('end', () => drop(mine))
    mine.on('notification', ({ payload = '' }) => {
      const changes = payload.split(',').flatMap(place => {
        const [lab, code] = place.split(' ')
        return lab && code ? [{ lab, code }] : []
      })
      for (const { lab, code } of changes) told.set(`${lab} ${code}`, Date.now() + ahead - SURE)
      hear(changes)
    })
    mine
      .connect()
      .then(() => mine.query(`listen ${CHANNEL}`))
      .then(() => look(mine))
      .catch(() => drop(mine))
  }
  async function look(mine: pg.Client): Promise<void> {
    const since = new Date((until ?? Date.now()) - OVERLAP)
    const asked = labs()
    const { rows: clock } = await mine.query<{ at: Date }>('select now() as at')
    const { rows } = await mine.query<Touched>('select lab, code, at from touched_since($1, $2, $3)', [
      asked,
      since,
      MOST,
    ])
    for (const { lab, code, at } of rows) if (!known.has(lab)) told.set(`${lab} ${code}`, at.getTime())
    hear(missed(rows.filter(({ lab }) => known.has(lab))))
    known = new Set(asked)
    until = clock[0]!.at.getTime()
    ahead = until - Date.now()
    for (const [place, at] of told) if (at < until - 2 * OVERLAP) told.delete(place)
    if (client === mine) later(() => void look(mine).catch(() => drop(mine)), every)
  }
  /** What was touched and not told; everything of a lab of which more was touched than is listed. */
  function missed(rows: readonly Touched[]): Change[] {
    const counts = new Map<string, number>()
    for (const { lab } of rows) counts.set(lab, (counts.get(lab) ?? 0) + 1)
    const changes = rows.flatMap(({ lab, code, at }) => {
      if ((counts.get(lab) ?? 0) >= MOST || (told.get(`${lab} ${code}`) ?? 0) >= at.getTime()) return []
      told.set(`${lab} ${code}`, at.getTime())
      return [{ lab, code }]
    })
    return [...changes, ...[...counts].flatMap(([lab, count]) => (count >= MOST ? [{ lab, code: '*' }] : []))]
  }

  connect()
  return {
    heardUntil: () => until,
    close() {
      isClosed = true
      clearTimeout(timer)
      const mine = client
      client = undefined
      void mine?.end().catch(() => {})
    },
  }
}
