import { createHash, randomBytes } from 'node:crypto'
import { hash, verify } from '@node-rs/argon2'
import { dictionary } from '@zxcvbn-ts/language-common'
import { Busy } from '../busy'

/** OWASP’s first choice for argon2id (Password Storage Cheat Sheet): 19 MiB, two passes, one lane. Argon2id is the package’s own default kind. */
export const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const
/** So many at once: each takes 19 MB and a core, and entries are to be taken meanwhile. */
const AT_ONCE = 2
let busy = 0
/** A hall of tablets that signs in at once waits some seconds; beyond it somebody hammers at the door. */
const MOST_WAITING = 100
const queue: (() => void)[] = []

/** Hashing waits its turn, so that a crowd that signs in starves nobody at the bench. */
async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (queue.length >= MOST_WAITING) throw new Busy('Many sign in just now.')
  if (busy >= AT_ONCE) await new Promise<void>(resolve => queue.push(resolve))
  busy += 1
  try {
    return await work()
  } finally {
    busy -= 1
    queue.shift()?.()
  }
}

export const hashSlowly = (secret: string): Promise<string> => inTurn(() => hash(secret.normalize('NFKC'), ARGON))

/** Whether a secret is the one of a hash; without a hash it takes as long and is not, so that nobody learns which names there are. */
export async function fits(secret: string, kept: string | null | undefined): Promise<boolean> {
  const against = kept ?? (await nobody())
  const isIt = await inTurn(() => verify(against, secret.normalize('NFKC')).catch(() => false))
  return isIt && kept !== null && kept !== undefined
}
let none: Promise<string> | undefined
const nobody = (): Promise<string> => (none ??= hashSlowly(randomBytes(16).toString('hex')))

/** A long random mark, for a cookie or a link. */
export const newMark = (): string => randomBytes(32).toString('base64url')
/** What is kept of a long random mark: a plain hash will do, since nobody can guess through 256 bits. */
export const markHash = (mark: string): string => createHash('sha256').update(mark).digest('base64url')

/** Letters and digits that are not taken for each other, for what is read from paper. */
const PLAIN = 'abcdefghjkmnpqrstuvwxyz23456789'
/** A code to write down: so many groups of four. */
export const newCode = (groups: number): string =>
  Array.from({ length: groups }, () => [...randomBytes(4)].map(byte => PLAIN[byte % PLAIN.length]).join('')).join('-')

export const SHORTEST_PASSWORD = 12
const LONGEST_PASSWORD = 200
let common: ReadonlySet<string> | undefined

/** Why a password will not do; undefined for one that will. Its length counts, not what it is composed of (NIST SP 800-63B, OWASP ASVS 2.1). */
export function passwordProblem(password: string, names: readonly string[]): string | undefined {
  const { length } = [...password.normalize('NFKC')]
  if (length < SHORTEST_PASSWORD)
    return `It has ${length} characters; it takes ${SHORTEST_PASSWORD}. A few words in a row will do.`
  if (length > LONGEST_PASSWORD) return `It has more than ${LONGEST_PASSWORD} characters.`
  common ??= new Set(dictionary['passwords-common'])
  const plain = password.toLowerCase()
  const stem = plain.replace(/[^\p{L}]+$/u, '').replace(/^[^\p{L}]+/u, '')
  if (common.has(plain) || common.has(stem) || new Set(plain).size < 5)
    return 'It is among the passwords that are tried first. Take a few words that have nothing to do with each other.'
  if (names.some(name => name.length > 3 && plain.replaceAll(' ', '').includes(name.toLowerCase().replaceAll(' ', ''))))
    return 'It contains your name or the lab’s. Take something that nobody would connect with you.'
  return undefined
}
