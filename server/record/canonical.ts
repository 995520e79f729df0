import { createHash } from 'node:crypto'
import canonicalize from 'canonicalize'

/** The one way in which a value is written as JSON (RFC 8785, JSON Canonicalization Scheme): keys in order, numbers as ECMAScript writes them, nothing between. */
export function canonical(value: unknown): string {
  const text = canonicalize(value)
  if (text === undefined) throw new Error('This has no JSON form.')
  return text
}
export const sha256Of = (text: string | Uint8Array): string => createHash('sha256').update(text).digest('hex')
/** SHA-256 of the canonical form. */
export const digestOf = (value: unknown): string => sha256Of(canonical(value))
