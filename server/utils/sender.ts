import { isIP } from 'node:net'
import type { H3Event } from 'h3'

const LOOPBACK = /^(127\.|::1$|::ffff:127\.)/

/** Proxies that this server believes what they say of who asks, by their addresses. */
const proxies = (process.env.ZIP_LEDGER_PROXY ?? '')
  .split(',')
  .map(address => address.trim())
  .filter(address => isIP(address) > 0)

const plain = (address: string): string => address.replace(/^::ffff:/, '')
const socketOf = (event: H3Event): string => plain(event.node.req.socket.remoteAddress ?? '')
const isProxied = (event: H3Event): boolean => proxies.includes(socketOf(event))

/** The address that a request comes from: the one that a named proxy saw last, or the connection’s own. What anybody else says in a header is not believed. */
export function addressOf(event: H3Event): string {
  const own = socketOf(event)
  if (!isProxied(event)) return own
  const last = (getHeader(event, 'x-forwarded-for') ?? '').split(',').at(-1)?.trim() ?? ''
  return isIP(last) > 0 ? plain(last) : own
}

/** Whether it came over TLS, as a named proxy says: this server itself speaks none. */
export const isSecure = (event: H3Event): boolean =>
  isProxied(event) && getHeader(event, 'x-forwarded-proto') === 'https'

/** The name that it was sent to, as a named proxy says or as the request does. */
export const hostOf = (event: H3Event): string | undefined =>
  (isProxied(event) ? getHeader(event, 'x-forwarded-host') : undefined) ?? getHeader(event, 'host')

export const originOf = (event: H3Event): string => `${isSecure(event) ? 'https' : 'http'}://${hostOf(event) ?? ''}`

/** Somebody at this machine itself, with nothing in between. */
export const isHere = (event: H3Event): boolean =>
  LOOPBACK.test(socketOf(event)) &&
  getHeader(event, 'x-forwarded-for') === undefined &&
  getHeader(event, 'forwarded') === undefined

/** Whether people of the demo are chosen from a list: only where the start command said so, and only at the machine itself. */
export const isDemoOpen = (event: H3Event): boolean => process.env.ZIP_LEDGER_DEMO === '1' && isHere(event)
