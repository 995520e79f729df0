import { describe, expect, it } from 'vitest'
import { canonical, digestOf } from './canonical'
import { isSignedBy, keyName, makeKeyPair, signText } from './keys'

describe('the canonical form', () => {
  // RFC 8785, section 3.2.2 and 3.2.3, and appendix B (from memory).
  it('writes numbers, texts and keys as the standard’s own example does', () => {
    const example = {
      numbers: [333333333.33333329, 1e30, 4.5, 2e-3, 0.000000000000000000000000001],
      string: '\u20ac$\u000F\u000aA\'\u0042\u0022\u005c\\\"\/',
      literals: [null, true, false],
    }
    expect(canonical(example)).toBe(
      '{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}',
    )
  })
  it('puts keys in the order of their UTF-16 code units', () => {
    const keys = { '\u20ac': 1, '\r': 2, '\ufb33': 3, '1': 4, '\u{1f600}': 5, '\u0080': 6, '\u00f6': 7 }
    expect([...canonical(keys).matchAll(/:(\d)/g)].map(([, n]) => Number(n))).toEqual([2, 4, 6, 7, 1, 5, 3])
  })
  it('is the same whatever the order in which a value was made, and another for another value', () => {
    expect(digestOf({ a: 1, b: [{ c: 2, d: 3 }] })).toBe(digestOf({ b: [{ d: 3, c: 2 }], a: 1 }))
    expect(digestOf({ a: [1, 2] })).not.toBe(digestOf({ a: [2, 1] }))
    expect(() => canonical(undefined)).toThrow()
  })
})

describe('a key of the installation', () => {
  // RFC 8032, section 7.1, test 2 (from memory): the public key of that secret, and its signature of one byte.
  it('signs as the standard’s own vector says', async () => {
    const { createPrivateKey, sign } = await import('node:crypto')
    const secret = Buffer.from('4ccd089b28ff96da9db6c346ec114e0f5b8a319f35aba624da8cf6ed4fb8a6fb', 'hex')
    const key = createPrivateKey({
      key: Buffer.concat([Buffer.from('302e020100300506032b657004220420', 'hex'), secret]),
      format: 'der',
      type: 'pkcs8',
    })
    expect(sign(null, Buffer.from([0x72]), key).toString('hex')).toBe(
      '92a009a9f0d4cab8720e820b5f642540a2b27b5416503f8fb3762223ebdb69da085ac1e43e15996e458f3613d0f11d8c387b2eaeb4302aeeb00d291612bb0c00',
    )
    const pem = key.export({ type: 'pkcs8', format: 'pem' }).toString()
    expect(signText(pem, 'r')).toBe(sign(null, Buffer.from('r'), key).toString('base64'))
  })
  it('proves its own texts and no other, and takes no text for a signature', () => {
    const [one, two] = [makeKeyPair(), makeKeyPair()]
    const signature = signText(one.privateKey, 'a text')
    expect(isSignedBy(one.publicKey, 'a text', signature)).toBe(true)
    expect(isSignedBy(one.publicKey, 'another text', signature)).toBe(false)
    expect(isSignedBy(two.publicKey, 'a text', signature)).toBe(false)
    expect(isSignedBy(one.publicKey, 'a text', 'no signature')).toBe(false)
    expect(isSignedBy('no key', 'a text', signature)).toBe(false)
    expect(keyName(one.publicKey)).toBe(one.id)
    expect(one.id).not.toBe(two.id)
  })
})
