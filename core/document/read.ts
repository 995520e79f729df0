import type { z } from 'zod'
import { fail, ok, type Checked } from '#core/problem'
import type { Entry } from '#core/journal'
import { batchSchema, entrySchema, templateSchema, type BatchDocument, type Template } from './schema'
import { fromVersion1 } from './version-1'

/** What is stored and does not read: where in it, and why. */
export interface Unreadable {
  readonly code: 'document.unreadable'
  readonly path: readonly (string | number)[]
  readonly why: string
}

/** One small step a version, each from the one before it. */
const steps: Readonly<Record<number, (document: object) => object>> = { 1: fromVersion1 }

/** A batch document of any version as the newest one; what does not parse is said with its place, and changed in nothing. */
export function readDocument(stored: unknown): Checked<BatchDocument, Unreadable> {
  let now = stored
  for (let version = versionOf(now); version !== undefined && steps[version]; version = versionOf(now))
    now = steps[version]?.(now as object)
  return parsed(batchSchema, now) as Checked<BatchDocument, Unreadable>
}
const versionOf = (document: unknown): number | undefined =>
  typeof document === 'object' && document !== null && 'version' in document && typeof document.version === 'number'
    ? document.version
    : undefined

/** A template as it is stored. */
export const readTemplate = (stored: unknown): Checked<Template, Unreadable> =>
  parsed(templateSchema, stored) as Checked<Template, Unreadable>
/** An entry of a journal as it is stored. */
export const readEntry = (stored: unknown): Checked<Entry, Unreadable> =>
  parsed(entrySchema, stored) as Checked<Entry, Unreadable>

function parsed<T>(schema: z.ZodType<T>, stored: unknown): Checked<T, Unreadable> {
  const read = schema.safeParse(stored)
  if (read.success) return ok(read.data)
  const [issue] = read.error.issues
  return fail({
    code: 'document.unreadable',
    path: (issue?.path ?? []).map(part => (typeof part === 'symbol' ? String(part) : part)),
    why: issue?.message ?? 'It cannot be understood.',
  })
}
