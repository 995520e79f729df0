import type { H3Event } from 'h3'
import type { Knex } from 'knex'
import type { z } from 'zod'
import { findBatch, isUnread, type Batch } from '../db/batches'
import type { Access } from '../access/access'

export interface ProblemItem {
  readonly at?: string
  readonly code?: string
  readonly why: string
  readonly fix?: string
  readonly span?: readonly [number, number]
}

const titles: Record<number, string> = {
  400: 'Bad Request',
  401: 'Unauthorized',
  403: 'Forbidden',
  404: 'Not Found',
  405: 'Method Not Allowed',
  409: 'Conflict',
  413: 'Content Too Large',
  415: 'Unsupported Media Type',
  422: 'Unprocessable Content',
  429: 'Too Many Requests',
  502: 'Bad Gateway',
  503: 'Service Unavailable',
}

/** An error that the client gets as a problem document (RFC 9457) with these details. */
export const refusal = (status: number, detail: string, problems: readonly ProblemItem[] = [], more: object = {}) =>
  createError({
    statusCode: status,
    statusMessage: titles[status] ?? 'Error',
    message: detail,
    data: { problems, ...more },
  })

const MOST_BYTES = 1_000_000

/** The request body as `schema` describes it, or a 400 that names every field at fault. */
export async function readJson<S extends z.ZodType>(event: H3Event, schema: S): Promise<z.output<S>> {
  const raw = await readBytes(event, MOST_BYTES, 'The request is larger than 1 MB.')
  let body: unknown
  try {
    body = JSON.parse(raw.toString('utf8'))
  } catch {
    throw refusal(400, 'The body is not JSON.')
  }
  const read = schema.safeParse(body)
  if (read.success) return read.data
  const problems = read.error.issues.map(({ path, code, message }) => ({ at: path.join('.'), code, why: message }))
  throw refusal(400, 'The request does not have the shape this route reads.', problems)
}

/** The batch that the address names, or a 404. */
export async function requireBatch(event: H3Event, db: Knex, access: Access): Promise<Batch> {
  const code = requireCode(event)
  const batch = await findBatch(db, access, code)
  if (!batch) throw refusal(404, `There is no batch ${code}.`)
  if (isUnread(batch))
    throw refusal(
      422,
      `${code} is stored in a form that cannot be understood here. It is kept as it is: nothing was changed.`,
      [
        {
          at: batch.at,
          code: 'document.unreadable',
          why: batch.why,
          fix: 'Open it with the version of this app that wrote it, or ask who keeps the database.',
        },
      ],
    )
  return batch
}

/** The batch's code in the address, where it has the form of one. */
export function requireCode(event: H3Event): string {
  const code = getRouterParam(event, 'code') ?? ''
  if (/^[A-Za-z0-9-]{1,20}$/.test(code)) return code
  throw refusal(404, `There is no batch ${code.slice(0, 40)}.`)
}
