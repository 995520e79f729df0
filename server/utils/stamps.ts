import type { Knex } from 'knex'
import type { Act, ActKind, ActStamp } from '#core/record'
import type { Access } from '../access/access'
import { keepStamp, listStamps, stampedOf, standInAuthority } from '../db/stamps'
import { checkStamp, stampQuery, tokenIn } from '../record/stamp'
import { answerStamp } from '../stand-ins/time-stamp'

/** What is stamped: what puts a name to a record or adds to it. */
const stamped: readonly ActKind[] = ['signed', 'countersigned', 'sealed', 'addendum', 'addendum-countersigned']
export const isStamped = ({ kind }: Act): boolean => stamped.includes(kind)

export const STAND_IN = 'stand-in'
/** Who is asked for time stamps (RFC 3161): an address, or the stand-in, which is asked in the demo where nobody is named. */
export const stampsBy = (): string | undefined =>
  process.env.ZIP_LEDGER_TIME_STAMP || (process.env.ZIP_LEDGER_DEMO === '1' ? STAND_IN : undefined)

const PATIENCE = 5000
const MOST_BYTES = 200_000
async function answerOf(by: string, query: Uint8Array): Promise<Uint8Array> {
  if (by === STAND_IN) return answerStamp(await standInAuthority(useDatabase()), query, new Date())
  const answer = await fetch(by, {
    method: 'POST',
    headers: { 'content-type': 'application/timestamp-query' },
    body: new Uint8Array(query),
    redirect: 'error',
    signal: AbortSignal.timeout(PATIENCE),
  })
  if (!answer.ok) throw new Error(`The authority answered ${answer.status}.`)
  if (!(answer.headers.get('content-type') ?? '').startsWith('application/timestamp-reply'))
    throw new Error('What answered is no authority for time stamps.')
  const data = new Uint8Array(await answer.arrayBuffer())
  if (data.length > MOST_BYTES) throw new Error('The authority’s answer is longer than any stamp.')
  return data
}

/** Has an act stamped and keeps the stamp; why there is none, where there is none. */
export async function stampAct(db: Knex, access: Access, batch: string, act: Act): Promise<string | undefined> {
  const by = stampsBy()
  if (by === undefined) return 'No authority for time stamps is named here.'
  const digest = stampedOf(act)
  try {
    const { query, nonce } = stampQuery(digest)
    const token = tokenIn(await answerOf(by, query), nonce)
    const checked = checkStamp(token, digest)
    if (!checked.ok) return `The authority’s answer does not hold: ${checked.why}.`
    await keepStamp(db, access, batch, { number: act.number, token })
    return undefined
  } catch (error) {
    const { name, message } = error as Error
    return name === 'TimeoutError' || name === 'TypeError' ? 'The authority for time stamps does not answer.' : message
  }
}

/** The stamps that hold, of these acts. */
export async function shownStamps(db: Knex, access: Access, batch: string, acts: readonly Act[]): Promise<ActStamp[]> {
  const stamps = await listStamps(db, access, batch)
  return stamps.flatMap(({ number, token }) => {
    const act = acts.find(one => one.number === number)
    const checked = act && checkStamp(token, stampedOf(act))
    return checked?.ok ? [{ number, at: checked.stamp.at, by: checked.stamp.by }] : []
  })
}
