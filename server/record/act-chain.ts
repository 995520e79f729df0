import type { Act, NewAct } from '#core/record'
import { GENESIS } from '../db/chain'
import { canonical, sha256Of } from './canonical'
import { isSignedBy, signText, type KeyPair } from './keys'

/** What an act's hash covers: the hash before it, and all of it. */
const actHash = (previous: string, act: NewAct): string => sha256Of(`${previous}\nact\n${canonical(act)}`)

/** An act chained to the one before in its batch and signed: over its hash, by which it covers all that went before. */
export function actAfter(last: Act | undefined, act: NewAct, key: KeyPair): Act {
  const previousHash = last?.hash ?? GENESIS
  const hash = actHash(previousHash, act)
  return { ...act, previousHash, hash, key: key.id, signature: signText(key.privateKey, hash) }
}

export interface ActBreak {
  readonly number: number
  readonly why: string
}

/** The first act that does not follow, was altered, or is signed by none of these keys; undefined where all hold. */
export function findActBreak(acts: readonly Act[], keys: Readonly<Record<string, string>>): ActBreak | undefined {
  let previous = GENESIS
  for (const [i, act] of acts.entries()) {
    const { previousHash, hash, key, signature, ...rest } = act
    const number = i + 1
    if (act.number !== number)
      return { number, why: acts.some(one => one.number === number) ? 'acts were re-ordered' : 'an act was removed' }
    if (previousHash !== previous) return { number, why: 'it does not follow the one before' }
    if (actHash(previous, rest) !== hash) return { number, why: 'it was altered' }
    const publicKey = keys[key]
    if (publicKey === undefined)
      return { number, why: `it is signed by the key ${key}, which is not one of those given` }
    if (!isSignedBy(publicKey, hash, signature)) return { number, why: 'its signature is not by the key that it names' }
    previous = hash
  }
  return undefined
}
