import * as z from 'zod'
import { batchFileSchema, readDocument, type BatchFile } from '#core/document'
import type { Act, Manifest } from '#core/record'
import { walkChain } from '../db/chain'
import { walkRevisions } from '../db/revisions'
import { findActBreak } from './act-chain'
import type { Proof } from './batch-file'
import { canonical, digestOf, sha256Of } from './canonical'
import { BATCH, LISTING, PROOF, type SignedListing } from './files'
import { isSignedBy, keyName } from './keys'
import { checkStamp, type StampChecked } from './stamp'
import { stampedOf } from '../db/stamps'

/** What a file of a record comes to: nothing wrong, or what is, each in one line. */
export interface Checked {
  readonly problems: readonly string[]
  /** What was found whole, in words. */
  readonly told: readonly string[]
}

/** The end of a chain on a day, as an installation publishes it. */
export interface Anchored {
  readonly batch: string
  readonly seq: number
  readonly hash: string
  readonly day: string
}

const hex = z.string().regex(/^[0-9a-f]{64}$/)
const listingSchema = z.object({
  listing: z.object({
    format: z.literal('zip-ledger/files'),
    version: z.literal(1),
    batch: z.string(),
    code: z.string(),
    at: z.string(),
    files: z.record(z.string(), hex),
    journal: z.array(hex),
    revisions: z.array(hex),
    acts: z.array(hex),
  }),
  key: z.string(),
  signature: z.string(),
})
const chained = z.looseObject({ hash: hex, previous_hash: hex })
const proofSchema = z.looseObject({
  format: z.literal('zip-ledger/proof'),
  version: z.literal(1),
  lab: z.object({ id: z.string(), name: z.string() }),
  batch: z.string(),
  code: z.string(),
  journal: z.array(z.looseObject({ ...chained.shape, seq: z.int(), id: z.string(), body: z.looseObject({}) })),
  revisions: z.array(z.looseObject({ ...chained.shape, number: z.int() })),
  acts: z.array(z.looseObject({ number: z.int(), kind: z.string(), hash: hex })),
  stamps: z.array(z.object({ number: z.int(), token: z.string() })).optional(),
  texts: z.record(z.string(), z.string()),
  keys: z.record(z.string(), z.string()),
})

/**
 * Proves a record offline, from its files alone: that the list of files is signed by one of `keys` (PEM), that no file was altered, removed or added, that every chain is whole and the one
 * that was listed, that every signature is of what stands there, and that time stamps are on them, by one for whom `authorities` (certificates, PEM) vouch where any are given. Names what is not so.
 */
export function checkRecord(
  files: ReadonlyMap<string, Uint8Array>,
  keys: readonly string[],
  anchors: readonly Anchored[] = [],
  authorities: readonly string[] = [],
): Checked {
  const known = Object.fromEntries(keys.map(key => [keyName(key), key]))
  const text = (path: string): string | undefined => {
    const data = files.get(path)
    return data && Buffer.from(data).toString('utf8')
  }
  const listed = read(listingSchema, text(LISTING))
  const proof = read(proofSchema, text(PROOF)) as Proof | undefined
  if (text(LISTING) === undefined) return fail(`${LISTING} was removed: nothing says what was in here`)
  if (!listed) return fail(`${LISTING} cannot be read: it was altered`)
  const problems = [...listingProblems(listed as SignedListing, files, known)]
  if (text(PROOF) === undefined) return { problems, told: [] }
  if (!proof) return { problems: [...problems, `${PROOF} cannot be read: it was altered`], told: [] }
  const batch = read(batchFileSchema, text(BATCH))
  const stamps = stampsOn(proof, authorities)
  problems.push(
    ...chainProblems(proof, listed as SignedListing),
    ...actProblems(proof, listed as SignedListing, known),
    ...(batch ? batchProblems(batch as BatchFile, proof) : []),
    ...anchorProblems(proof, anchors),
    ...stamps.flatMap(({ number, checked }) => (checked.ok ? [] : [`signature ${number}: ${checked.why}`])),
  )
  return {
    problems: [...new Set(problems)],
    told: problems.length === 0 ? [...tell(proof, listed.listing.at), ...stamps.flatMap(tellStamp)] : [],
  }
}

const fail = (why: string): Checked => ({ problems: [why], told: [] })

function read<S extends z.ZodType>(schema: S, text: string | undefined): z.output<S> | undefined {
  if (text === undefined) return undefined
  try {
    const parsed = schema.safeParse(JSON.parse(text))
    return parsed.success ? parsed.data : undefined
  } catch {
    return undefined
  }
}

function* listingProblems(
  { listing, key, signature }: SignedListing,
  files: ReadonlyMap<string, Uint8Array>,
  known: Readonly<Record<string, string>>,
): Generator<string> {
  const publicKey = known[key]
  if (publicKey === undefined)
    yield `the list of files is signed by the key ${key}, which is not the one that was given`
  else if (!isSignedBy(publicKey, canonical(listing), signature))
    yield 'the list of files was altered: its signature does not fit it'
  for (const [path, hash] of Object.entries(listing.files)) {
    const data = files.get(path)
    if (!data) yield `${path} was removed`
    else if (sha256Of(data) !== hash) yield `${path} was altered`
  }
  for (const path of files.keys()) if (path !== LISTING && listing.files[path] === undefined) yield `${path} was added`
}

/** How a chain that is there differs from the one that was listed; none where it does not. */
function* againstList(what: string, there: readonly string[], listed: readonly string[]): Generator<string> {
  const first = listed.findIndex((hash, i) => there[i] !== hash)
  if (first >= 0 && first < there.length) yield `${what} ${first + 1} is not the one that was taken out`
  if (there.length < listed.length)
    yield `${listed.length - there.length} of ${what} missing at the end: cut off after ${there.length}`
  if (there.length > listed.length)
    yield `${there.length - listed.length} of ${what} added at the end, after ${listed.length}`
}

function* chainProblems(proof: Proof, { listing }: SignedListing): Generator<string> {
  const walked = walkChain(proof.journal)
  if ('broken' in walked) yield `entry ${walked.broken.seq}: ${walked.broken.why}`
  const revision = walkRevisions(proof.revisions)
  if (revision) yield `revision ${revision.number}: ${revision.why}`
  yield* againstList(
    'entries',
    proof.journal.map(({ hash }) => hash),
    listing.journal,
  )
  yield* againstList(
    'revisions',
    proof.revisions.map(({ hash }) => hash),
    listing.revisions,
  )
  if (proof.journal.some(row => row.batch_id !== proof.batch)) yield 'the journal is another batch’s'
}

function* actProblems(
  proof: Proof,
  { listing }: SignedListing,
  known: Readonly<Record<string, string>>,
): Generator<string> {
  const broken = findActBreak(proof.acts, known)
  if (broken) yield `signature ${broken.number}: ${broken.why}`
  yield* againstList(
    'signatures',
    proof.acts.map(({ hash }) => hash),
    listing.acts,
  )
  if (proof.acts.some(({ batch }) => batch !== proof.batch)) yield 'a signature is of another batch'
  for (const act of proof.acts) yield* signedProblems(act, proof)
}

/** Whether what an act put a name to is what stands here. */
export function* signedProblems(
  { number, manifest }: Act,
  { texts, journal, revisions, batch }: Proof,
): Generator<string> {
  if (manifest === undefined) return
  const text = texts[manifest]
  if (text === undefined) return yield `what signature ${number} signed was removed`
  if (sha256Of(text) !== manifest) return yield `what signature ${number} signed was altered`
  const signed = JSON.parse(text) as Manifest
  if (signed.batch !== batch) yield `signature ${number} is of another batch`
  for (const [name, part] of [
    ['record', signed.page],
    ['tables', signed.tables],
  ] as const) {
    const body = texts[part]
    if (body === undefined) yield `the ${name} that signature ${number} signed was removed`
    else if (sha256Of(body) !== part) yield `the ${name} that signature ${number} signed was altered`
  }
  const { seq, hash } = signed.journal
  if (seq > journal.length)
    yield `signature ${number} covers ${seq} entries, and ${journal.length} are here: the end was cut off`
  else if (seq > 0 && journal[seq - 1]?.hash !== hash && !isCheckpoint(journal, seq, hash))
    yield `the journal up to entry ${seq} is not the one that signature ${number} signed`
  const revision = revisions.find(one => one.number === signed.revisions.number)
  if (!revision) yield `revision ${signed.revisions.number}, which signature ${number} signed, is missing`
  else if (revision.hash !== signed.revisions.hash)
    yield `revision ${signed.revisions.number} is not the one that signature ${number} signed`
  else if (digestOf(revision.body) !== signed.document) yield* upcast(revision.body, signed.document, number)
}
/** A chain of the first way of hashing ends in a checkpoint, and not in its last entry’s hash. */
function isCheckpoint(journal: Proof['journal'], seq: number, hash: string): boolean {
  const walked = walkChain(journal.slice(0, seq))
  return 'end' in walked && walked.end === hash
}
/** A plan that was kept in an earlier version of the format is signed as it reads in the newest. */
function* upcast(body: unknown, digest: string, number: number): Generator<string> {
  const now = readDocument(body)
  if (!now.ok || digestOf(now.value) !== digest) yield `the plan is not the one that signature ${number} signed`
}

/** What the file to be read says, beside what the chains prove. */
function* batchProblems(file: BatchFile, proof: Proof): Generator<string> {
  if (file.id !== proof.batch) yield `${BATCH} is of another batch`
  for (const [i, row] of proof.journal.entries()) {
    const entry = file.journal[i]
    if (entry && canonical(entry.entry) !== canonical(row.body))
      yield `${BATCH}: entry ${i + 1} says something else than the journal`
  }
  if (file.journal.length !== proof.journal.length)
    yield `${BATCH} has ${file.journal.length} entries, the journal ${proof.journal.length}`
}

function* anchorProblems({ batch, journal }: Proof, anchors: readonly Anchored[]): Generator<string> {
  for (const { batch: of, seq, hash, day } of anchors) {
    if (of !== batch || seq === 0) continue
    if (seq > journal.length)
      yield `on ${day} the journal had ${seq} entries, and ${journal.length} are here: the end was cut off`
    else if (journal[seq - 1]?.hash !== hash && !isCheckpoint(journal, seq, hash))
      yield `on ${day} the journal up to entry ${seq} was another`
  }
}

interface StampOn {
  readonly number: number
  readonly checked: StampChecked
}
const stampsOn = ({ acts, stamps = [] }: Proof, authorities: readonly string[]): StampOn[] =>
  stamps.map(({ number, token }) => {
    const act = acts.find(one => one.number === number)
    const checked: StampChecked = act
      ? checkStamp(Buffer.from(token, 'base64'), stampedOf(act), authorities)
      : { ok: false, why: 'it is stamped, and not there' }
    return { number, checked }
  })
const tellStamp = ({ number, checked }: StampOn): string[] =>
  checked.ok
    ? [
        `act ${number} stamped ${checked.stamp.at} by ${checked.stamp.by}, certificate ${checked.stamp.certificate.slice(0, 16)}: ${checked.stamp.isVouched ? 'vouched for' : 'nobody that was named vouches for it'}`,
      ]
    : []

const acted: Readonly<Record<string, string>> = {
  signed: 'signed as author',
  returned: 'sent back',
  countersigned: 'countersigned',
  sealed: 'sealed',
  addendum: 'addendum',
  'addendum-countersigned': 'addendum countersigned',
}
function tell({ lab, code, journal, revisions, acts }: Proof, at: string): string[] {
  return [
    `${code} of ${lab.name}, taken out ${at}: whole`,
    `${journal.length} entries, ${revisions.length} revisions, ${acts.length} acts on the record`,
    ...acts.flatMap(({ kind, name, at: when }) => (acted[kind] ? [`${acted[kind]} by ${name}, ${when}`] : [])),
  ]
}
