import { execFileSync } from 'node:child_process'
import { createHash, randomBytes } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { answerStamp, makeStandIn, type StandInAuthority } from '../stand-ins/time-stamp'
import { checkStamp, stampQuery, tokenIn } from './stamp'

const text = 'what was signed'
const digest = createHash('sha256').update(text).digest()
const NOW = new Date('2026-11-12T09:00:00Z')

/** OpenSSL is the other side: what it asks is answered here, what it stamps is proven here, and the other way round. */
const hasOpenssl = (() => {
  try {
    return execFileSync('openssl', ['version']).length > 0
  } catch {
    return false
  }
})()

describe('a time stamp', () => {
  let standIn: StandInAuthority
  let token: Uint8Array
  beforeAll(async () => {
    standIn = await makeStandIn(NOW)
    const { query, nonce } = stampQuery(digest)
    token = tokenIn(await answerStamp(standIn, query, NOW), nonce)
  })

  it('says when, by whom, and whether that was vouched for', () => {
    expect(checkStamp(token, digest)).toMatchObject({
      ok: true,
      stamp: { at: NOW.toISOString(), by: 'Stand-in for a time-stamp authority', isVouched: false },
    })
    expect(checkStamp(token, digest, [standIn.certificate])).toMatchObject({ ok: true, stamp: { isVouched: true } })
  })

  it('is of one thing only, and by none but who is trusted', async () => {
    expect(checkStamp(token, createHash('sha256').update('else').digest())).toMatchObject({ ok: false })
    const other = await makeStandIn(NOW)
    expect(checkStamp(token, digest, [other.certificate])).toEqual({
      ok: false,
      why: 'the stamp is by a certificate for which none of those given vouches',
    })
  })

  it('does not hold where a byte of it was changed', () => {
    for (let i = 0; i < token.length; i += 5) {
      const changed = Uint8Array.from(token)
      changed[i]! ^= 1
      const checked = checkStamp(changed, digest, [standIn.certificate])
      if (!checked.ok) continue
      // Fields that no signature covers say nothing of the time or of who.
      expect(checked.stamp, `byte ${i}`).toMatchObject({ at: NOW.toISOString(), isVouched: true })
    }
  })

  it('is refused where its certificate did not hold then', async () => {
    const { query, nonce } = stampQuery(digest)
    const early = tokenIn(await answerStamp(standIn, query, new Date('2020-01-01T00:00:00Z')), nonce)
    expect(checkStamp(early, digest)).toMatchObject({
      ok: false,
      why: expect.stringContaining('did not hold') as string,
    })
  })

  it('is taken of its own question only, and not where it was refused', async () => {
    const { query } = stampQuery(digest)
    const answer = await answerStamp(standIn, query, NOW)
    expect(() => tokenIn(answer, '4000000000000000')).toThrow('another question')
    const no = await answerStamp(standIn, randomBytes(30), NOW)
    expect(() => tokenIn(no, '4000000000000000')).toThrow('no question for a time stamp')
  })

  describe.skipIf(!hasOpenssl)('beside OpenSSL', () => {
    let folder: string
    const at = (name: string): string => join(folder, name)
    const openssl = (...args: string[]): string =>
      execFileSync('openssl', args, { cwd: folder, encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] })
    beforeAll(() => {
      folder = mkdtempSync(join(tmpdir(), 'stamp-'))
      writeFileSync(at('text'), text)
    })
    afterAll(() => rmSync(folder, { recursive: true }))

    it('is proven by it', () => {
      writeFileSync(at('token.der'), token)
      writeFileSync(at('stand-in.pem'), standIn.certificate)
      const said = openssl(
        'ts',
        '-verify',
        '-data',
        'text',
        '-in',
        'token.der',
        '-token_in',
        '-CAfile',
        'stand-in.pem',
        '-partial_chain',
      )
      expect(said).toContain('Verification: OK')
    })

    it('answers what it asks', async () => {
      openssl('ts', '-query', '-data', 'text', '-sha256', '-cert', '-out', 'asked.tsq')
      writeFileSync(at('answer.tsr'), await answerStamp(standIn, readFileSync(at('asked.tsq')), NOW))
      writeFileSync(at('stand-in.pem'), standIn.certificate)
      const said = openssl(
        'ts',
        '-verify',
        '-queryfile',
        'asked.tsq',
        '-in',
        'answer.tsr',
        '-CAfile',
        'stand-in.pem',
        '-partial_chain',
      )
      expect(said).toContain('Verification: OK')
    })

    it.each(['rsa', 'ec'])('proves what it stamps under an authority, %s', kind => {
      const key = kind === 'rsa' ? ['rsa:2048'] : ['ec', '-pkeyopt', 'ec_paramgen_curve:P-384']
      openssl(
        'req',
        '-x509',
        '-newkey',
        ...key,
        '-nodes',
        '-keyout',
        'ca.key',
        '-out',
        'ca.pem',
        '-subj',
        '/CN=Root',
        '-days',
        '30',
      )
      openssl('req', '-newkey', ...key, '-nodes', '-keyout', 'tsa.key', '-out', 'tsa.csr', '-subj', '/CN=Clock')
      writeFileSync(at('tsa.ext'), 'extendedKeyUsage=critical,timeStamping\n')
      openssl(
        'x509',
        '-req',
        '-in',
        'tsa.csr',
        '-CA',
        'ca.pem',
        '-CAkey',
        'ca.key',
        '-out',
        'tsa.pem',
        '-days',
        '20',
        '-extfile',
        'tsa.ext',
        '-CAcreateserial',
      )
      writeFileSync(
        at('tsa.cnf'),
        `[tsa]\ndefault_tsa=one\n[one]\nserial=${at('serial')}\nsigner_cert=${at('tsa.pem')}\nsigner_key=${at('tsa.key')}\ncerts=${at('tsa.pem')}\nsigner_digest=sha512\ndefault_policy=2.999.1\ndigests=sha256\n`,
      )
      writeFileSync(at('serial'), '01\n')
      const { query, nonce } = stampQuery(digest)
      writeFileSync(at('ours.tsq'), query)
      openssl('ts', '-reply', '-config', 'tsa.cnf', '-queryfile', 'ours.tsq', '-out', 'theirs.tsr')
      const theirs = tokenIn(readFileSync(at('theirs.tsr')), nonce)
      const root = readFileSync(at('ca.pem'), 'utf8')
      expect(checkStamp(theirs, digest, [root])).toMatchObject({ ok: true, stamp: { by: 'Clock', isVouched: true } })
      expect(checkStamp(theirs, digest, [standIn.certificate])).toMatchObject({ ok: false })
    })
  })
})
