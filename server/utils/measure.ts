import type { H3Event } from 'h3'
import { RateLimiterMemory, RateLimiterPostgres, type RateLimiterRes } from 'rate-limiter-flexible'
import type { Access } from '../access/access'

/**
 * So many requests a minute of one person, and so many that change something of one lab (`ZIP_LEDGER_REQUESTS_A_MINUTE` sets another measure): a page at its busiest sends a few a second, a lab of
 * thirty some tens. What asks for more is a script that has gone astray. Each process counts for itself, and lets through its share: a proxy gives each as much.
 */
const MINUTE = 60
const most = Number(process.env.ZIP_LEDGER_REQUESTS_A_MINUTE) || 6000
const aPerson = new RateLimiterMemory({ points: most, duration: MINUTE })
const aLab = new RateLimiterMemory({ points: 10 * most, duration: MINUTE })
/** A browser’s connection stays with one process for a while: a share is never smaller than what a page at its busiest asks for. */
const LEAST = 600

/** Shares the measure among so many processes. */
export function shareMeasure(processes: number): void {
  aPerson.points = Math.max(Math.min(LEAST, most), Math.ceil(most / Math.max(1, processes)))
  aLab.points = 10 * aPerson.points
}

/** Refuses who asks for more than any work needs, and says when to ask again. */
export async function requireMeasure(event: H3Event, { lab, person }: Access): Promise<void> {
  try {
    await aPerson.consume(`${lab} ${person}`)
    if (event.method !== 'GET') await aLab.consume(lab)
  } catch (left) {
    throw tooMany(event, left as RateLimiterRes, 'These are more requests than anybody’s work needs.')
  }
}

/** Pictures of one person an hour: at 6 MB each they would fill a disk before anybody looked. Three a minute, all hour long, is more than a bench takes. */
const PICTURES = 200
let pictures: RateLimiterPostgres | undefined
export async function requirePictureMeasure(event: H3Event, { lab, person }: Access): Promise<void> {
  try {
    await (pictures ??= limiter('pictures', PICTURES, 3600)).consume(`${lab} ${person}`)
  } catch (left) {
    // A database that is away says so itself.
    if (left instanceof Error) throw left
    throw tooMany(event, left as RateLimiterRes, `These are more than ${PICTURES} pictures in an hour.`)
  }
}

function tooMany(event: H3Event, { msBeforeNext }: RateLimiterRes, why: string) {
  const seconds = Math.max(1, Math.ceil(msBeforeNext / 1000))
  setResponseHeader(event, 'retry-after', seconds)
  const when = seconds < 90 ? `${seconds} seconds` : `${Math.ceil(seconds / 60)} minutes`
  return refusal(429, `${why} Try again in ${when}.`)
}

/** What may be tried at the door, in the database, so that all processes count together. */
const limiter = (keyPrefix: string, points: number, duration: number): RateLimiterPostgres =>
  new RateLimiterPostgres({
    storeClient: useDatabase(),
    storeType: 'knex',
    tableName: 'attempts',
    tableCreated: true,
    keyPrefix,
    points,
    duration,
    clearExpiredByTimeout: false,
  })

/**
 * Wrong ones: 10 a quarter of an hour from one address for one name, 60 from one address for any (a lab behind one address mistypes too), and 100 an hour for one
 * name from wherever, which a browser that was let in before does not count in: whoever tries another’s name cannot keep them out.
 */
type Door = Readonly<Record<'both' | 'address' | 'name', RateLimiterPostgres>>
let door: Door | undefined
const theDoor = (): Door =>
  (door ??= {
    both: limiter('both', 10, 900),
    address: limiter('address', 60, 900),
    name: limiter('name', 100, 3600),
  })

export interface Try {
  /** Whose secret is tried, as it was typed. */
  readonly name: string
  readonly isKnown: boolean
}
const keysOf = (event: H3Event, { name, isKnown }: Try): [keyof Door, string][] => {
  const address = addressOf(event)
  const who = name.toLowerCase().slice(0, 80)
  return [
    ['both', `${address} ${who}`],
    ['address', address],
    ...(isKnown ? [] : [['name', who] as [keyof Door, string]]),
  ]
}
const WAIT = 'Too many wrong tries.'

/** Refuses a try where too many went wrong before. */
export async function requireTries(event: H3Event, one: Try): Promise<void> {
  for (const [which, key] of keysOf(event, one)) {
    const limit = theDoor()[which]
    const left = await limit.get(key)
    if (left && left.consumedPoints >= limit.points) throw tooMany(event, left, WAIT)
  }
}
/** Counts a wrong one. */
export async function countWrong(event: H3Event, one: Try): Promise<void> {
  for (const [which, key] of keysOf(event, one))
    await theDoor()
      [which].consume(key)
      .catch(() => {})
}
/** Somebody came in: what they mistyped is forgotten. */
export async function forgetWrong(event: H3Event, one: Try): Promise<void> {
  await theDoor().both.delete(`${addressOf(event)} ${one.name.toLowerCase().slice(0, 80)}`)
}
