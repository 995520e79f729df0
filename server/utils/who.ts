import type { H3Event } from 'h3'
import type { Access } from '../access/access'
import { markHash } from '../access/secrets'
import { accessOfKey } from '../db/keys'
import { findDevice, type Device } from '../db/devices'
import { beginSession, endSession, findSession, turnSession, type NewSession, type Session } from '../db/sessions'

const NAME = 'zip-ledger'
const DEVICE = 'zip-ledger-tablet'
/** A browser in which an account has signed in before: it is not kept out when others try the account’s name elsewhere. */
const KNOWN = 'zip-ledger-known'
const YEAR = 365 * 86_400

/** Over TLS a cookie’s name binds it to this host. */
const named = (event: H3Event, name: string): string => (isSecure(event) ? `__Host-${name}` : name)
const settings = (event: H3Event, maxAge: number) =>
  ({ httpOnly: true, sameSite: 'strict', secure: isSecure(event), path: '/', maxAge }) as const

/** A session that was looked up serves for so many ms: one that is ended elsewhere lives so much longer in another process. */
const FRESH = 3000
const MOST = 2000
const known = new Map<string, { readonly session: Session; readonly until: number }>()
const remember = (hash: string, session: Session): void => {
  if (known.size > MOST) known.clear()
  known.set(hash, { session, until: performance.now() + FRESH })
}
/** Forgets what was looked up: somebody was let in otherwise, or out. */
export const forgetSessions = (): void => known.clear()

/** Begins a session in the browser that asks, in place of the one it had. */
export async function letIn(event: H3Event, session: Omit<NewSession, 'about'>): Promise<void> {
  const db = useDatabase()
  const before = await sessionOf(event)
  if (before) await endSession(db, before.id)
  forgetSessions()
  const about = browserOf(getHeader(event, 'user-agent') ?? '')
  const { mark, seconds } = await beginSession(db, { ...session, about })
  setCookie(event, named(event, NAME), mark, settings(event, seconds))
  if (session.account && session.via === 'sign-in')
    setCookie(event, named(event, KNOWN), markHash(`known ${session.account}`), settings(event, YEAR))
}

export async function letOut(event: H3Event): Promise<void> {
  const session = await sessionOf(event)
  if (session) await endSession(useDatabase(), session.id)
  forgetSessions()
  deleteCookie(event, named(event, NAME), settings(event, 0))
}

/** The session of a request; undefined for nobody. Of a demo only at the machine itself. */
export async function sessionOf(event: H3Event): Promise<Session | undefined> {
  const mark = getCookie(event, named(event, NAME))
  if (!mark || mark.length > 100) return undefined
  const hash = markHash(mark)
  const kept = known.get(hash)
  if (kept && kept.until > performance.now()) return isFor(event, kept.session) ? kept.session : undefined
  const db = useDatabase()
  const session = await findSession(db, mark)
  if (!session || !isFor(event, session)) return undefined
  if (session.isOld) {
    const fresh = await turnSession(db, session.id, mark)
    if (fresh) setCookie(event, named(event, NAME), fresh, settings(event, Math.round(session.left / 1000)))
  } else remember(hash, session)
  return session
}
const isFor = (event: H3Event, { access }: Session): boolean => access.via !== 'demo' || isDemoOpen(event)

/** What a request may do: by its session, or by the key that a script sends. */
export async function accessOf(event: H3Event): Promise<Access | undefined> {
  const [, mark] = /^Bearer (\S{10,100})$/.exec(getHeader(event, 'authorization') ?? '') ?? []
  if (mark) return accessOfKey(useDatabase(), mark, isDemoOpen(event))
  return (await sessionOf(event))?.access
}

/** The mark by which a browser is in, as it sends it. */
export const markOf = (event: H3Event): string | undefined => getCookie(event, named(event, NAME))

/** A calendar that subscribes sends nothing but the address: its key stands there, and opens the calendar alone. */
export async function accessOfAddress(event: H3Event): Promise<Access | undefined> {
  const { key } = getQuery(event)
  const access =
    typeof key === 'string' && key.length < 100 ? await accessOfKey(useDatabase(), key, isDemoOpen(event)) : undefined
  return access?.scopes?.every(scope => scope === 'calendar') ? access : undefined
}

/** The lab’s tablet that asks, where it is one. */
export async function deviceOf(event: H3Event): Promise<Device | undefined> {
  const mark = getCookie(event, named(event, DEVICE))
  return mark && mark.length < 100 ? findDevice(useDatabase(), mark) : undefined
}
export const markDevice = (event: H3Event, mark: string): void =>
  setCookie(event, named(event, DEVICE), mark, settings(event, 2 * YEAR))

export const isKnownBrowser = (event: H3Event, account: string): boolean =>
  getCookie(event, named(event, KNOWN)) === markHash(`known ${account}`)

/** A browser in words, for the list of what is open. */
export function browserOf(agent: string): string {
  const browser = /(Edg|OPR|Firefox|Chrome|Safari)\/(\d+)/.exec(agent)
  const system = /(Android|iPhone|iPad|Windows|Mac OS X|Linux|CrOS)/.exec(agent)
  const names: Record<string, string> = { Edg: 'Edge', OPR: 'Opera', 'Mac OS X': 'macOS', CrOS: 'ChromeOS' }
  const say = (name: string | undefined): string | undefined => name && (names[name] ?? name)
  return [say(browser?.[1]) ?? 'Some program', browser?.[2], system && `on ${say(system[1])}`].filter(Boolean).join(' ')
}
