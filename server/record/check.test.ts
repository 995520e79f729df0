import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Entry } from '#core/journal'
import type { Act } from '#core/record'
import { saveDocument } from '../db/batches'
import { GENESIS, hashOf, type ChainedRow } from '../db/chain'
import { publicKeys, renewKey } from '../db/keyring'
import { keepPhoto } from '../db/photos'
import { revisionHash } from '../db/revision-hash'
import { standInAuthority } from '../db/stamps'
import type { RevisionInChain } from '../db/revisions'
import { actAfter } from './act-chain'
import type { Proof } from './batch-file'
import { canonical, sha256Of } from './canonical'
import { checkRecord } from './check'
import type { SignedListing } from './files'
import {
  accessFor,
  addDemoLab,
  allDemo,
  append,
  batchOf,
  doAct,
  outOf,
  publicKeyOf,
  putBatch,
  stampActs,
  testDatabase,
  textIn,
  TOVE,
  WREN,
} from './fixtures'
import { makeKeyPair, signText, type KeyPair } from './keys'
import { makeStandIn } from '../stand-ins/time-stamp'

const server = process.env.TEST_DATABASE_URL
type Files = Map<string, Uint8Array>

describe.skipIf(!server)('a record that was tampered with', () => {
  let db: Knex
  let drop: () => Promise<void>
  let whole: Files
  let other: Files
  let key: string
  let standIn: string
  const stranger = makeKeyPair()

  beforeAll(async () => {
    ;({ db, drop } = await testDatabase(server!))
    await addDemoLab(db)
    const demo = allDemo().find(({ code }) => code === 'CO-003')!
    const { id } = await putBatch(db, demo)
    const photo = await keepPhoto(db, accessFor(TOVE.id), id, 'image/png', Buffer.from('a picture'))
    const shown: Entry = {
      id: randomUUID(),
      kind: 'photo',
      at: '2026-11-12T12:00:00.000Z',
      by: TOVE.id,
      stage: 's1',
      photo,
      type: 'image/png',
      text: 'The cake',
    }
    await append(db, 'CO-003', [shown])
    await saveDocument(db, accessFor(TOVE.id), 'CO-003', 1, { ...demo.document, title: 'Cobalt chloride, renamed' })
    await saveDocument(db, accessFor(TOVE.id), 'CO-003', 2, { ...demo.document, title: 'Cobalt chloride' })
    await doAct(db, 'CO-003', TOVE.id, 'signed')
    await doAct(db, 'CO-003', WREN.id, 'remark', 'The drying is short.')
    await doAct(db, 'CO-003', WREN.id, 'countersigned')
    await doAct(db, 'CO-003', TOVE.id, 'sealed')
    await putBatch(
      db,
      allDemo().find(({ code }) => code === 'MO-002')!,
    )
    await doAct(db, 'MO-002', WREN.id, 'signed')
    await stampActs(db, 'CO-003')
    standIn = (await standInAuthority(db)).certificate
    whole = await outOf(db, 'CO-003')
    other = await outOf(db, 'MO-002')
    key = await publicKeyOf(db)
    expect((await batchOf(db, 'CO-003')).sealedAt).toBeDefined()
  })
  afterAll(() => drop())

  const proofIn = (files: Files): Proof => JSON.parse(textIn(files, 'proof/proof.json')) as Proof
  const put = (files: Files, path: string, text: string | Uint8Array): Files =>
    new Map([...files, [path, typeof text === 'string' ? Buffer.from(text) : text]])
  const without = (files: Files, path: string): Files => new Map([...files].filter(([one]) => one !== path))
  /** With another proof in its place, the list of files left as it is: whoever has no key cannot sign another. */
  const withProof = (change: (proof: Proof) => Partial<Proof>): Files => {
    const proof = proofIn(whole)
    return put(whole, 'proof/proof.json', canonical({ ...proof, ...change(proof) }))
  }
  const withRows = (change: (rows: ChainedRow[]) => ChainedRow[]): Files =>
    withProof(({ journal }) => ({ journal: change([...journal]) }))
  const withActs = (change: (acts: Act[]) => Act[]): Files => withProof(({ acts }) => ({ acts: change([...acts]) }))
  const withRevisions = (change: (rows: RevisionInChain[]) => RevisionInChain[]): Files =>
    withProof(({ revisions }) => ({ revisions: change([...revisions]) }))
  const noted = (row: ChainedRow, text: string): ChainedRow => ({ ...row, body: { ...row.body, text } as Entry })
  /** Chains rows anew, as somebody would who knows how. */
  const rechained = (rows: readonly ChainedRow[]): ChainedRow[] => {
    let previous = GENESIS
    return rows.map((row, i) => {
      const next = { ...row, seq: i + 1, previous_hash: previous }
      const hash = hashOf(previous, next)
      previous = hash
      return { ...next, hash }
    })
  }
  const rechainedRevisions = (rows: readonly RevisionInChain[]): RevisionInChain[] => {
    let previous = GENESIS
    return rows.map((row, i) => {
      const next = { ...row, number: i + 1, previous_hash: previous }
      const hash = revisionHash(previous, next)
      previous = hash
      return { ...next, hash }
    })
  }
  /** All acts anew, by another key. */
  const resigned = (acts: readonly Act[], pair: KeyPair, change: (act: Act) => Partial<Act> = () => ({})): Act[] =>
    acts.reduce<Act[]>((done, act) => {
      const { previousHash: _, hash: __, key: ___, signature: ____, ...rest } = { ...act, ...change(act) }
      return [...done, actAfter(done.at(-1), rest, pair)]
    }, [])
  /** The list of files made anew over what is there, and signed by another key. */
  const relisted = (files: Files, pair: KeyPair, name = pair.id): Files => {
    const { listing } = JSON.parse(textIn(files, 'proof/files.json')) as SignedListing
    const proof = proofIn(files)
    const fresh = {
      ...listing,
      files: Object.fromEntries(
        [...files].filter(([path]) => path !== 'proof/files.json').map(([path, data]) => [path, sha256Of(data)]),
      ),
      journal: proof.journal.map(({ hash }) => hash),
      revisions: proof.revisions.map(({ hash }) => hash),
      acts: proof.acts.map(({ hash }) => hash),
    }
    return put(
      files,
      'proof/files.json',
      canonical({ listing: fresh, key: name, signature: signText(pair.privateKey, canonical(fresh)) }),
    )
  }
  const batchWith = (change: (text: string) => string): Files =>
    put(whole, 'batch.json', change(textIn(whole, 'batch.json')))

  it('is whole where nobody touched it, and says who put their name to it', () => {
    const { problems, told } = checkRecord(whole, [key])
    expect(problems).toEqual([])
    expect(told.join('\n')).toMatch(/CO-003 of Lowmere culture station.*whole/)
    expect(told.join('\n')).toMatch(
      /signed as author by Tove Marl[^]*countersigned by Wren Adder[^]*sealed by Tove Marl/,
    )
    expect(checkRecord(other, [key]).problems).toEqual([])
  })
  it('says when each signature was stamped, and whether somebody vouches for that', async () => {
    const plain = checkRecord(whole, [key]).told.filter(line => line.includes('stamped'))
    expect(plain).toHaveLength(4)
    expect(plain[0]).toMatch(/^act 1 stamped 2026-.*by Stand-in for a time-stamp authority.*nobody that was named/)
    const { told, problems } = checkRecord(whole, [key], [], [standIn])
    expect(problems).toEqual([])
    expect(told.filter(line => line.endsWith(': vouched for'))).toHaveLength(4)
    const other = (await makeStandIn(new Date())).certificate
    expect(checkRecord(whole, [key], [], [other]).problems[0]).toBe(
      'signature 1: the stamp is by a certificate for which none of those given vouches',
    )
  })

  it('is refused by a key that is not the installation’s, and taken by one of several that is', () => {
    const { problems } = checkRecord(whole, [stranger.publicKey])
    expect(problems).toContainEqual(
      expect.stringMatching(
        /^the list of files is signed by the key [0-9a-f]{16}, which is not the one that was given/,
      ),
    )
    expect(problems).toContainEqual(expect.stringMatching(/^signature 1: it is signed by the key/))
    expect(checkRecord(whole, [stranger.publicKey, key]).problems).toEqual([])
  })

  /** What was done to it, and what has to be said of that. */
  const tampered: [string, () => Files, RegExp][] = [
    [
      'a word of the plan changed',
      () => batchWith(text => text.replace('8.40 g', '8.41 g')),
      /^batch\.json was altered$/,
    ],
    [
      'a reading changed in the file that is read',
      () => batchWith(text => text.replace('33.03 g', '33.30 g')),
      /^batch\.json: entry \d+ says something else than the journal$/,
    ],
    [
      'the list of entries cut in the file that is read',
      () => batchWith(text => JSON.stringify({ ...JSON.parse(text), journal: JSON.parse(text).journal.slice(0, 5) })),
      /^batch\.json has 5 entries, the journal \d+$/,
    ],
    [
      'a figure of the record changed',
      () => put(whole, 'record.json', textIn(whole, 'record.json').replace('84.3', '94.3')),
      /^record\.json was altered$/,
    ],
    [
      'a line of the journal’s table changed',
      () => put(whole, 'journal.csv', textIn(whole, 'journal.csv').replace('24.61', '24.16')),
      /^journal\.csv was altered$/,
    ],
    [
      'a picture exchanged',
      () =>
        put(
          whole,
          [...whole.keys()].find(path => path.startsWith('photos/'))!,
          'another picture',
        ),
      /^photos\/[0-9a-f]{64}\.png was altered$/,
    ],
    [
      'a picture removed',
      () =>
        without(
          whole,
          [...whole.keys()].find(path => path.startsWith('photos/'))!,
        ),
      /^photos\/[0-9a-f]{64}\.png was removed$/,
    ],
    ['a table removed', () => without(whole, 'journal.csv'), /^journal\.csv was removed$/],
    ['a file added', () => put(whole, 'photos/extra.png', 'x'), /^photos\/extra\.png was added$/],
    [
      'the description exchanged',
      () => put(whole, 'ro-crate-metadata.json', '{}'),
      /^ro-crate-metadata\.json was altered$/,
    ],
    ['the list of files removed', () => without(whole, 'proof/files.json'), /^proof\/files\.json was removed/],
    [
      'the list of files garbled',
      () => put(whole, 'proof/files.json', '{"listing":'),
      /^proof\/files\.json cannot be read: it was altered$/,
    ],
    [
      'the list of files written anew without signing it',
      () => {
        const signed = JSON.parse(textIn(whole, 'proof/files.json')) as SignedListing
        return put(
          whole,
          'proof/files.json',
          canonical({ ...signed, listing: { ...signed.listing, at: '2020-01-01T00:00:00.000Z' } }),
        )
      },
      /^the list of files was altered: its signature does not fit it$/,
    ],
    [
      'everything listed anew under another key',
      () =>
        relisted(
          batchWith(text => text.replace('8.40 g', '8.41 g')),
          stranger,
        ),
      /^the list of files is signed by the key/,
    ],
    [
      'another key named as the installation’s',
      () =>
        relisted(
          batchWith(text => text.replace('8.40 g', '8.41 g')),
          stranger,
          JSON.parse(textIn(whole, 'proof/files.json')).key,
        ),
      /^the list of files was altered/,
    ],
    ['what proves it removed', () => without(whole, 'proof/proof.json'), /^proof\/proof\.json was removed$/],
    [
      'an entry altered',
      () => withRows(rows => rows.map((row, i) => (i === 4 ? noted(row, 'something else') : row))),
      /^entry 5: it was altered$/,
    ],
    [
      'the time of an entry altered',
      () =>
        withRows(rows => rows.map((row, i) => (i === 2 ? { ...row, recorded_at: '2026-01-01T00:00:00.000Z' } : row))),
      /^entry 3: it was altered$/,
    ],
    [
      'an entry put into another’s name',
      () => withRows(rows => rows.map((row, i) => (i === 6 ? { ...row, person_id: WREN.id } : row))),
      /^entry 7: it was altered$/,
    ],
    ['an entry removed', () => withRows(rows => rows.filter((_, i) => i !== 4)), /^entry 5: entry 5 is missing$/],
    [
      'an entry removed and the rest numbered anew',
      () => withRows(rows => rows.filter((_, i) => i !== 4).map((row, i) => ({ ...row, seq: i + 1 }))),
      /^entry 5: it does not follow the one before$/,
    ],
    [
      'two entries exchanged',
      () => withRows(rows => rows.map((row, i) => (i === 3 ? rows[4]! : i === 4 ? rows[3]! : row))),
      /^entry 4: entries were re-ordered$/,
    ],
    [
      'the end cut off',
      () => withRows(rows => rows.slice(0, -3)),
      /covers \d+ entries, and \d+ are here: the end was cut off$/,
    ],
    [
      'an entry added at the end',
      () => withRows(rows => rechained([...rows, noted({ ...rows.at(-1)!, id: randomUUID() }, 'and all was well')])),
      /^1 of entries added at the end, after \d+$/,
    ],
    [
      'an entry altered and all chained anew',
      () => withRows(rows => rechained(rows.map((row, i) => (i === 4 ? noted(row, 'something else') : row)))),
      /^entries 5 is not the one that was taken out$/,
    ],
    [
      'a signed journal chained anew',
      () => withRows(rows => rechained(rows.map((row, i) => (i === 4 ? noted(row, 'something else') : row)))),
      /^the journal up to entry \d+ is not the one that signature 1 signed$/,
    ],
    [
      'a revision altered',
      () =>
        withRevisions(rows =>
          rows.map((row, i) => (i === 1 ? { ...row, body: { ...(row.body as object), title: 'x' } } : row)),
        ),
      /^revision 2: a revision was altered$/,
    ],
    [
      'a revision removed',
      () => withRevisions(rows => rows.filter((_, i) => i !== 1)),
      /^revision 2: a revision is missing$/,
    ],
    [
      'revisions exchanged',
      () => withRevisions(rows => [rows[0]!, rows[2]!, rows[1]!]),
      /^revision 2: revisions were re-ordered$/,
    ],
    [
      'revisions chained anew',
      () =>
        withRevisions(rows =>
          rechainedRevisions(
            rows.map((row, i) => (i === 2 ? { ...row, body: { ...(row.body as object), title: 'x' } } : row)),
          ),
        ),
      /^revision 3 is not the one that signature 1 signed$/,
    ],
    [
      'a revision added',
      () => withRevisions(rows => rechainedRevisions([...rows, rows[2]!])),
      /^1 of revisions added at the end, after 3$/,
    ],
    [
      'the meaning of a signature changed',
      () => withActs(acts => acts.map((act, i) => (i === 0 ? { ...act, meaning: 'I was not there.' } : act))),
      /^signature 1: it was altered$/,
    ],
    [
      'a signature removed',
      () => withActs(acts => acts.filter((_, i) => i !== 2)),
      /^signature 3: an act was removed$/,
    ],
    [
      'signatures exchanged',
      () => withActs(acts => [acts[0]!, acts[2]!, acts[1]!, acts[3]!]),
      /^signature 2: acts were re-ordered$/,
    ],
    [
      'the seal cut off',
      () => withActs(acts => acts.slice(0, 3)),
      /^1 of signatures missing at the end: cut off after 3$/,
    ],
    [
      'a signature forged by another key',
      () =>
        withActs(acts =>
          resigned(acts, stranger, act => (act.kind === 'countersigned' ? { by: TOVE.id, name: TOVE.name } : {})),
        ),
      /^signature 1: it is signed by the key/,
    ],
    [
      'a signature whose key is only named',
      () => withActs(acts => resigned(acts, stranger).map(act => ({ ...act, key: acts[0]!.key }))),
      /^signature 1: its signature is not by the key that it names$/,
    ],
    [
      'a signature of another batch put in',
      () => withProof(() => ({ acts: proofIn(other).acts, texts: proofIn(other).texts })),
      /^a signature is of another batch$/,
    ],
    [
      'the text that was signed changed',
      () =>
        withProof(({ texts, acts }) => ({
          texts: { ...texts, [acts[0]!.manifest!]: texts[acts[0]!.manifest!]!.replace('CO-003', 'CO-004') },
        })),
      /^what signature 1 signed was altered$/,
    ],
    [
      'the text that was signed removed',
      () =>
        withProof(({ texts, acts }) => ({
          texts: Object.fromEntries(Object.entries(texts).filter(([name]) => name !== acts[0]!.manifest)),
        })),
      /^what signature 1 signed was removed$/,
    ],
    [
      'the record as it was signed changed',
      () =>
        withProof(({ texts }) => ({
          texts: Object.fromEntries(
            Object.entries(texts).map(([name, text]) => [
              name,
              text.includes('zip-ledger/record') ? text.replace('84.3', '94.3') : text,
            ]),
          ),
        })),
      /^the record that signature 1 signed was altered$/,
    ],
    [
      'the tables it was worked out with changed',
      () =>
        withProof(({ texts }) => ({
          texts: Object.fromEntries(
            Object.entries(texts).map(([name, text]) => [
              name,
              text.includes('"elements"') ? text.replace('58.93', '57.93') : text,
            ]),
          ),
        })),
      /^the tables that signature 1 signed was altered$/,
    ],
    [
      'a time stamp put on another signature',
      () =>
        withProof(({ stamps = [] }) => ({
          stamps: stamps.map((one, i) => ({ ...one, token: stamps[1 - i]?.token ?? one.token })),
        })),
      /^signature 1: the stamp is of something else$/,
    ],
    [
      'a later time written into a stamp',
      () =>
        withProof(({ stamps = [] }) => ({
          stamps: stamps.map(one => {
            const token = Buffer.from(one.token, 'base64')
            const year = new Date().getUTCFullYear()
            token.write(`${year + 10}`, token.indexOf(`${year}`), 'latin1')
            return { ...one, token: token.toString('base64') }
          }),
        })),
      /^signature 1: the stamp was altered$/,
    ],
    [
      'a stamp that does not read',
      () => withProof(({ stamps = [] }) => ({ stamps: stamps.map(one => ({ ...one, token: 'AAAA' })) })),
      /^signature 1: the stamp cannot be read$/,
    ],
    [
      'another batch’s journal put in',
      () => withProof(() => ({ journal: proofIn(other).journal })),
      /^the journal is another batch’s$/,
    ],
  ]
  it('is tried in more than thirty ways', () => expect(tampered.length).toBeGreaterThanOrEqual(30))
  it.each(tampered)('%s: is named', (_, tamper, says) => {
    const { problems, told } = checkRecord(tamper(), [key])
    expect(told).toEqual([])
    expect(problems).toContainEqual(expect.stringMatching(says))
  })

  it('is whole where the key was changed between two signatures, by both keys and by neither alone', async () => {
    await renewKey(db)
    await doAct(db, 'MO-002', TOVE.id, 'countersigned')
    const files = await outOf(db, 'MO-002')
    const [newer, older] = (await publicKeys(db)).map(({ publicKey }) => publicKey)
    expect(older).toBe(key)
    expect(checkRecord(files, [newer!, older!]).problems).toEqual([])
    expect(checkRecord(files, [newer!]).problems).toEqual([
      expect.stringMatching(/^signature 1: it is signed by the key/),
    ])
    expect(checkRecord(files, [older!]).problems).toContainEqual(expect.stringMatching(/^signature 2: it is signed by/))
  })

  it('whose end was cut off together with all that lists it is noticed by what was published before', () => {
    // Whoever has the key and the database cuts the last entries, and takes the record out anew: nothing in it is wrong.
    const rows = proofIn(other).journal
    const short = relisted(
      put(other, 'proof/proof.json', canonical({ ...proofIn(other), journal: rows.slice(0, -2), acts: [], texts: {} })),
      stranger,
    )
    const file = JSON.parse(textIn(short, 'batch.json'))
    const cut = relisted(put(short, 'batch.json', canonical({ ...file, journal: file.journal.slice(0, -2) })), stranger)
    expect(checkRecord(cut, [stranger.publicKey]).problems).toEqual([])
    const anchor = { batch: proofIn(other).batch, seq: rows.length, hash: rows.at(-1)!.hash, day: '2026-11-12' }
    expect(checkRecord(cut, [stranger.publicKey], [anchor]).problems).toEqual([
      `on 2026-11-12 the journal had ${rows.length} entries, and ${rows.length - 2} are here: the end was cut off`,
    ])
    expect(checkRecord(other, [key], [anchor]).problems).toEqual([])
  })
})
