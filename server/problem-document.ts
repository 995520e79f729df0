import { setResponseHeader, setResponseStatus, send } from 'h3'
import type { H3Error, H3Event } from 'h3'
import { Busy } from './busy'
import { isAway } from './db/connect'

/** Every error leaves as a problem document (RFC 9457). A database that is away is a 503, so that the client tries again. */
export default function problemDocument(error: H3Error, event: H3Event) {
  const cause = error.cause ?? error
  const busy = cause instanceof Busy
  const away = isAway(cause)
  const refused = dataStatus(cause)
  const isData = !away && refused !== undefined
  const status = away || busy ? 503 : (refused ?? (error.statusCode || 500))
  if (status === 500) console.error(JSON.stringify({ request: event.context.requestId as string, stack: error.stack }))
  if (away || busy) setResponseHeader(event, 'retry-after', 1)
  const detail = away
    ? 'The database does not answer. What you typed is kept; it is saved when the database is back.'
    : busy
      ? cause.message
      : status === 500
        ? 'The server made a mistake. What you typed is kept.'
        : isData
          ? 'A value of the request cannot be kept: a date that does not exist, a number that is too large, a character that no text may hold, or an id that is taken.'
          : error.message
  const data = away || status === 500 ? {} : ((error.data as object | undefined) ?? {})
  setResponseHeader(event, 'content-type', 'application/problem+json')
  setResponseStatus(event, status)
  return send(
    event,
    JSON.stringify({
      type: 'about:blank',
      title: titleOf(status, error.statusMessage),
      status,
      detail,
      ...(status >= 500 && { request: event.context.requestId as string | undefined }),
      ...data,
    }),
  )
}

const titles: Readonly<Record<number, string>> = { 400: 'Bad Request', 409: 'Conflict', 503: 'Service Unavailable' }
const titleOf = (status: number, told: string | undefined): string => titles[status] ?? (told || 'Error')

/** Values that the database refuses are the request's fault: an impossible date, an id that is taken. */
function dataStatus(error: unknown): 400 | 409 | undefined {
  const { code } = error as { code?: string }
  if (typeof code !== 'string') return undefined
  if (/^22[0-9A-Z]{3}$/.test(code)) return 400
  return code === '23505' ? 409 : undefined
}
