import { createHash, createPrivateKey, createPublicKey, generateKeyPairSync, sign, verify } from 'node:crypto'

/** A key pair of an installation: Ed25519 (RFC 8032), as PEM. Its name is the start of the SHA-256 of its public half. */
export interface KeyPair {
  readonly id: string
  readonly publicKey: string
  readonly privateKey: string
}

export const keyName = (publicKey: string): string =>
  createHash('sha256')
    .update(createPublicKey(publicKey).export({ type: 'spki', format: 'der' }))
    .digest('hex')
    .slice(0, 16)

export function makeKeyPair(): KeyPair {
  const { publicKey, privateKey } = generateKeyPairSync('ed25519')
  const text = publicKey.export({ type: 'spki', format: 'pem' }).toString()
  return {
    id: keyName(text),
    publicKey: text,
    privateKey: privateKey.export({ type: 'pkcs8', format: 'pem' }).toString(),
  }
}

export const signText = (privateKey: string, text: string): string =>
  sign(null, Buffer.from(text), createPrivateKey(privateKey)).toString('base64')

/** False for a signature that does not read as well. */
export function isSignedBy(publicKey: string, text: string, signature: string): boolean {
  try {
    return verify(null, Buffer.from(text), createPublicKey(publicKey), Buffer.from(signature, 'base64'))
  } catch {
    return false
  }
}
