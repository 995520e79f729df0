import pg from 'pg'

/** A batch that changed. */
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
/** More of a lab at once is “everything”. */
const MOST = 200

/** How far a batch has come: its last entry's number and its document's together, and when it was touched, ms by the database's clock. Neither goes down while it is changed. */
interface Stand {
  readonly step: number
  readonly ms: number
}
type Touched = Change & Stand
/** Some process of the version before tells of a batch and not how far it has come. */
function readNotice(payload: string): (Change & Partial<Stand>)[] {
  return payload.split(',').flatMap(place => {
    const [lab, code, step, ms] = place.split(' ')
    return lab && code ? [{ lab, code, ...(step && ms && { step: Number(step), ms: Number(ms) }) }] : []
  })
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
  /** By the database's clock, ms. */
  let until: number | undefined
  /** How far each batch had come when it was told of. */
  const told = new Map<string, Stand>()
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
      const changes = readNotice(payload)
      for (const { lab, code, step, ms } of changes)
        if (step !== undefined && ms !== undefined) tell({ lab, code, step, ms })
      hear(changes.map(({ lab, code }) => ({ lab, code })))
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
    const { rows } = await mine.query<Touched>('select lab, code, step, ms from touched_since($1, $2, $3)', [
      asked,
      since,
      MOST,
    ])
    for (const row of rows) if (!known.has(row.lab)) tell(row)
    hear(missed(rows.filter(({ lab }) => known.has(lab))))
    known = new Set(asked)
    until = clock[0]!.at.getTime()
    for (const [place, { ms }] of told) if (ms < until - 2 * OVERLAP) told.delete(place)
    if (client === mine) later(() => void look(mine).catch(() => drop(mine)), every)
  }
  /** Notes how far a batch had come when it was told of; false where that was told before. */
  function tell({ lab, code, step, ms }: Touched): boolean {
    const place = `${lab} ${code}`
    const before = told.get(place)
    if (before && before.step >= step && before.ms >= ms) return false
    told.set(place, { step: Math.max(step, before?.step ?? 0), ms: Math.max(ms, before?.ms ?? 0) })
    return true
  }
  /** What was touched and not told; everything of a lab of which more was touched than is listed. */
  function missed(rows: readonly Touched[]): Change[] {
    const counts = new Map<string, number>()
    for (const { lab } of rows) counts.set(lab, (counts.get(lab) ?? 0) + 1)
    const isMuch = (lab: string): boolean => (counts.get(lab) ?? 0) >= MOST
    const changes = rows.flatMap(row => (!isMuch(row.lab) && tell(row) ? [{ lab: row.lab, code: row.code }] : []))
    return [...changes, ...[...counts.keys()].filter(isMuch).map(lab => ({ lab, code: '*' }))]
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
