import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { codePrefix, type BatchDocument, type BatchFile } from '#core/document'
import { parseFormula } from '#core/formula'
import type { Entry } from '#core/journal'
import type { Act } from '#core/record'
import type { Access } from '../access/access'
import type { Proof } from '../record/batch-file'
import { canonical } from '../record/canonical'
import { findActBreak } from '../record/act-chain'
import { signedProblems } from '../record/check'
import { checkStamp } from '../record/stamp'
import { keepParts } from './acts'
import { write, type Written } from './append'
import { addBatch } from './batches'
import { GENESIS, walkChain } from './chain'
import { revisionHash, type RevisionRow } from './revision-hash'
import { keepStamp, stampedOf, type KeptStamp } from './stamps'

/** How a batch that is brought stands to what the lab has. */
export interface BatchStanding {
  readonly what: 'batch'
  readonly code: string
  readonly title: string
  readonly entries: number
  readonly photos: number
  /** `new`: nothing of it is here. `there`: the very same is here. `differs`: one of its id is here and says something else. `plan`: only a plan, which becomes a batch of its own. */
  readonly is: 'new' | 'there' | 'differs' | 'plan'
  /** Its code is another batch's here: it gets the next free one. */
  readonly isCodeTaken: boolean
}

/** Looks how a batch stands to what is here; `there` is told by whoever knows how a batch is taken out. */
export async function standingIn(
  db: Knex,
  { lab }: Access,
  file: BatchFile,
  isSame: (id: string) => Promise<boolean>,
): Promise<BatchStanding> {
  const mine = await db('batches').where({ lab_id: lab, id: file.id }).first('code')
  const coded = await db('batches').where({ lab_id: lab, code: file.code }).first('id')
  return {
    what: 'batch',
    code: file.code,
    title: file.document.title,
    entries: file.journal.length,
    photos: file.photos.length,
    is: !mine ? 'new' : (await isSame(file.id)) ? 'there' : 'differs',
    isCodeTaken: coded !== undefined && coded.id !== file.id,
  }
}

export interface Bringing {
  readonly file: BatchFile
  readonly photos: ReadonlyMap<string, Uint8Array>
  readonly proof?: Proof | undefined
  /** Public keys of this installation, by name. */
  readonly keys: Readonly<Record<string, string>>
}

/**
 * Puts a whole batch into the lab: its plans, its journal and its pictures with their own times and people, chained anew. With ids `kept` it is the same batch, and what was signed here holds on; with `new` ones it is a copy. What was signed elsewhere is kept beside
 * it as what proved it there, and a batch that was sealed stays sealed. People whom the lab does not have are added, closed. In one transaction with whatever else is brought.
 */
export async function bringBatch(trx: Knex, access: Access, bringing: Bringing, ids: 'kept' | 'new'): Promise<string> {
  const file = ids === 'new' ? withNewIds(bringing.file) : bringing.file
  const { proof } = bringing
  await addPeople(trx, access, file)
  const code = await freeCode(trx, access, file.code)
  const head = { id: file.id, lab_id: access.lab, seq: 0, hash: GENESIS }
  const rows = file.journal.map(({ entry, recordedAt }) => write(head, entry as Entry, new Date(recordedAt)))
  const last = file.revisions.at(-1)
  await trx('batches').insert({
    id: file.id,
    lab_id: access.lab,
    code,
    document: JSON.stringify(file.document),
    version: last?.number ?? 1,
    last_seq: head.seq,
    last_hash: head.hash,
    brought_seq: head.seq,
  })
  await trx('chain_ends').insert({ batch_id: file.id, lab_id: access.lab, code, seq: head.seq, hash: head.hash })
  await insertRows(trx, rows)
  await insertRevisions(trx, access, file, rows)
  for (const { sha256, type } of file.photos)
    await trx('photos').insert({
      lab_id: access.lab,
      batch_id: file.id,
      sha256,
      type,
      data: Buffer.from(bringing.photos.get(sha256) ?? []),
    })
  if (proof) await keepProof(trx, access, file.id, proof, head.hash, bringing.keys)
  return code
}

/** Puts a plan into the lab, as a batch of its own with nothing recorded. */
export async function bringPlan(trx: Knex, access: Access, document: BatchDocument): Promise<string> {
  const product = document.plan.stages.at(-1)?.product
  const formula = parseFormula(product?.form ?? product?.species ?? '')
  return (await addBatch(trx, access, formula.ok ? codePrefix(formula.value) : 'ZL', document)).code
}

async function addPeople(trx: Knex, { lab }: Access, { people }: BatchFile): Promise<void> {
  if (people.length === 0) return
  await trx('people')
    .insert(people.map(({ id, name }) => ({ id, lab_id: lab, name, role: 'viewer', closed_at: new Date() })))
    .onConflict(['lab_id', 'id'])
    .ignore()
}

async function freeCode(trx: Knex, { lab }: Access, wanted: string): Promise<string> {
  await trx('labs').where({ id: lab }).forUpdate().select('id')
  const isTaken = await trx('batches').where({ lab_id: lab, code: wanted }).first('id')
  if (!isTaken) return wanted
  const prefix = wanted.replace(/-\d+$/, '').slice(0, 14)
  const taken: { code: string }[] = await trx('batches')
    .where({ lab_id: lab })
    .whereLike('code', `${prefix}-%`)
    .select('code')
  const last = Math.max(0, ...taken.map(({ code }) => Number(/-(\d+)$/.exec(code)?.[1] ?? 0)))
  return `${prefix}-${String(last + 1).padStart(3, '0')}`
}

const AT_ONCE = 500
async function insertRows(trx: Knex, rows: readonly Written[]): Promise<void> {
  for (let i = 0; i < rows.length; i += AT_ONCE)
    await trx('entries').insert(rows.slice(i, i + AT_ONCE).map(row => ({ ...row, body: JSON.stringify(row.body) })))
}

async function insertRevisions(trx: Knex, { lab }: Access, file: BatchFile, rows: readonly Written[]): Promise<void> {
  let previous = GENESIS
  for (const { number, at, by, afterSeq, body } of file.revisions) {
    const row: RevisionRow = {
      lab_id: lab,
      kind: 'batch',
      subject: file.id,
      number,
      body,
      person_id: by ?? null,
      at,
      after_seq: afterSeq,
      after_hash: rows[afterSeq - 1]?.hash ?? GENESIS,
    }
    const hash = revisionHash(previous, row)
    await trx('revisions').insert({ ...row, body: JSON.stringify(body), previous_hash: previous, hash })
    previous = hash
  }
}

/** What was signed by this installation of this very batch in this very lab goes on; all else is kept beside it, as it was. */
async function keepProof(
  trx: Knex,
  access: Access,
  batch: string,
  proof: Proof,
  hash: string,
  keys: Readonly<Record<string, string>>,
): Promise<void> {
  const where = { lab_id: access.lab, batch_id: batch }
  const isOurs =
    proof.lab.id === access.lab &&
    proof.batch === batch &&
    endOf(proof) === hash &&
    findActBreak(proof.acts, keys) === undefined &&
    // Signatures of another batch, or of another state of this one, are no signatures of what is brought.
    proof.acts.every(act => act.batch === batch && signedProblems(act, proof).next().done === true)
  const sealed = proof.acts.find(({ kind }) => kind === 'sealed')
  if (isOurs && proof.acts.length > 0) {
    await keepParts(trx, access, Object.values(proof.texts))
    await trx('acts').insert(
      proof.acts.map((act: Act) => ({ ...where, number: act.number, body: JSON.stringify(act) })),
    )
    for (const { number, token } of stampsThatHold(proof)) await keepStamp(trx, access, batch, { number, token })
  }
  if (!isOurs || proof.origin !== undefined)
    await trx('origins').insert({ ...where, body: canonical(isOurs ? proof.origin : proof), brought_by: access.person })
  if (sealed) await trx('batches').where({ lab_id: access.lab, id: batch }).update({ sealed_at: sealed.at })
}

function stampsThatHold({ acts, stamps = [] }: Proof): KeptStamp[] {
  return stamps.flatMap(({ number, token: text }) => {
    const act = acts.find(one => one.number === number)
    const token = Buffer.from(text, 'base64')
    return act && checkStamp(token, stampedOf(act)).ok ? [{ number, token }] : []
  })
}

/** Where the journal of a proof ends, by every link of its chain; undefined where it is broken. */
function endOf({ journal }: Proof): string | undefined {
  const walked = walkChain(journal)
  return 'end' in walked ? walked.end : undefined
}

/** The same under other ids: a copy that stands beside what it was made of. */
function withNewIds(file: BatchFile): BatchFile {
  const fresh = new Map(file.journal.map(({ entry }) => [entry.id, randomUUID()]))
  return {
    ...file,
    id: randomUUID(),
    journal: file.journal.map(({ entry, ...rest }) => ({
      ...rest,
      entry: {
        ...entry,
        id: fresh.get(entry.id) ?? entry.id,
        ...(entry.kind === 'correction' && { corrects: fresh.get(entry.corrects) ?? entry.corrects }),
      } as typeof entry,
    })),
  }
}
