import type { H3Event } from 'h3'
import type { Knex } from 'knex'
import sharp from 'sharp'
import {
  isZone,
  PLAIN_READER,
  refusedAct,
  standingOf,
  tablesUsed,
  type Act,
  type ActKind,
  type Manifest,
  type NewAct,
  type Reader,
  type RecordPage,
  type RecordSource,
  type RecordStanding,
  type ReviewRule,
} from '#core/record'
import { partsIn, type RecordChoice } from '#core/document'
import { may } from '#core/people'
import type { Access } from '../access/access'
import { addAct, hasPartIn, isStateOf, listActs, manifestFor, partsOf, stateOf, type State } from '../db/acts'
import { findBatch, isUnread, type Batch } from '../db/batches'
import { forAccess } from '../db/connect'
import { signingKey } from '../db/keyring'
import { stampOfOwnRows } from '../db/own-rows'
import { photosIn } from '../db/entries'
import { findLab } from '../db/people'
import { findPhoto } from '../db/photos'
import { recordSource } from '../db/record-source'
import { recordApart } from '../jobs/records'

/** How somebody reads times: by what their browser says of itself, as far as this machine knows it. */
export function readerOf(event: H3Event): Reader {
  const { zone, locale } = getQuery(event)
  const isLocale =
    typeof locale === 'string' && locale.length < 36 && /^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*$/.test(locale)
  return {
    zone: typeof zone === 'string' && zone.length < 60 && isZone(zone) ? zone : PLAIN_READER.zone,
    locale: isLocale ? locale : PLAIN_READER.locale,
  }
}

/** The record of what was gathered of a batch. */
export const pageOf = (source: RecordSource, isQuick = false): Promise<RecordPage> =>
  recordApart({ do: 'record', source, judging: { isQuick } })

/** Records that were asked for last: one that nothing was recorded or saved in since is the same. So many entries of theirs are kept, each some hundred bytes in all of its places. */
const known = new Map<string, { readonly page: RecordPage; readonly entries: number }>()
const MOST_KNOWN = 20_000
/** A record without entries weighs as much as so many. */
const BARE = 100
let kept = 0
function keep(key: string, page: RecordPage, entries: number): void {
  const weight = entries + BARE
  known.set(key, { page, entries: weight })
  kept += weight
  for (const [first, { entries: theirs }] of known) {
    if (kept <= MOST_KNOWN || first === key) break
    known.delete(first)
    kept -= theirs
  }
}

/** The record of a batch as it stands, in the choice that its document keeps or in another. */
export async function pageNow(
  db: Knex,
  access: Access,
  batch: Batch,
  isQuick: boolean,
  choice: RecordChoice = batch.document.record ?? {},
): Promise<RecordPage> {
  const [head, stamp, lab] = await Promise.all([
    db('batches').where({ lab_id: access.lab, id: batch.id }).first('last_hash'),
    stampOfOwnRows(db, access),
    findLab(db, access),
  ])
  const names = lab?.people.map(({ name }) => name).join()
  const state = [access.lab, batch.id, batch.version, head?.last_hash, stamp, lab?.name, names, isQuick].join(' ')
  const key = `${state} ${partsIn(choice).join()}`
  const there = known.get(key)
  if (there) return there.page
  const source = await recordSource(db, access, batch)
  const page = await recordApart({
    do: 'record',
    source,
    judging: { isQuick },
    choice,
    state,
  } as const)
  if (!known.has(key)) keep(key, page, source.journal.length)
  return page
}

/** A journal from so many entries on takes longer to read and to tell than somebody should wait for; it is told anew so long after the last entry, ms. One that is ten times as long is no bench’s: it is told when it is asked for. */
const LONG = 500
const TOO_LONG = 5000
const PAUSE = 2000
const soon = new Map<string, ReturnType<typeof setTimeout>>()

/** Writes the record of a long journal anew once it rests, so that it is there when its page is opened. */
export function writeSoon(access: Access, code: string, entries: number): void {
  if (entries < LONG || entries > TOO_LONG) return
  const key = `${access.lab} ${code}`
  clearTimeout(soon.get(key))
  const timer = setTimeout(() => {
    soon.delete(key)
    void rewrite(access, code).catch(() => {
      // It is written when it is asked for.
    })
  }, PAUSE)
  timer.unref()
  soon.set(key, timer)
}
async function rewrite(access: Access, code: string): Promise<void> {
  const db = forAccess(useDatabase(), access)
  const batch = await findBatch(db, access, code)
  if (batch && !isUnread(batch)) await pageNow(db, access, batch, true)
}

export interface RecordState {
  readonly acts: readonly Act[]
  readonly state: State
  readonly standing: RecordStanding
  readonly manifests: ReadonlyMap<string, Manifest>
}

/** What was done to a record, and where it stands by that. */
export async function recordState(db: Knex, access: Access, batch: Batch): Promise<RecordState> {
  const [acts, state] = await Promise.all([
    listActs(db, access, batch.id),
    stateOf(db, access, batch.id, batch.document),
  ])
  const texts = await partsOf(db, access, [...new Set(acts.flatMap(({ manifest }) => manifest ?? []))])
  const manifests = new Map([...texts].map(([name, text]) => [name, JSON.parse(text) as Manifest]))
  const standing = standingOf(acts, name => {
    const manifest = manifests.get(name)
    return manifest !== undefined && isStateOf(manifest, state)
  })
  return { acts, state, standing, manifests }
}

export const reviewRuleOf = async (db: Knex, access: Access): Promise<ReviewRule> =>
  (await findLab(db, access))?.settings.review ?? 'other'

/** What is asked of whoever acts on a record. */
export interface Asking {
  readonly kind: ActKind
  readonly how?: NewAct['how']
  readonly meaning?: string
  readonly text?: string | undefined
  readonly place?: string | undefined
  readonly of?: number | undefined
}
/** Acts that put a name to the whole of a record as it stands. */
const ofTheWhole: readonly ActKind[] = ['signed', 'countersigned', 'sealed']

/** Does something to a record in somebody's name, or refuses it with the reason. */
export async function act(db: Knex, access: Access, batch: Batch, asking: Asking): Promise<Act> {
  const { kind, of } = asking
  const [{ acts, state, standing }, rule, hasPart, lab, key] = await Promise.all([
    recordState(db, access, batch),
    reviewRuleOf(db, access),
    hasPartIn(db, access, batch.id),
    findLab(db, access),
    signingKey(useDatabase()),
  ])
  const actor = {
    person: access.person,
    maySign: may(access.role, 'sign'),
    mayReview: may(access.role, 'review'),
    hasPart,
  }
  const refuse = (now: readonly Act[]): string | undefined =>
    now.length === acts.length
      ? refusedAct(kind, standing, now, actor, rule, of)
      : 'Somebody else did something to this record meanwhile. Look at it once more.'
  const early = refuse(acts)
  if (early !== undefined) throw refusal(409, early, [{ at: 'kind', code: `record.${kind}`, why: early }])
  const signed = ofTheWhole.includes(kind) ? await signedNow(db, access, batch, state) : undefined
  const done = await addAct(db, {
    access,
    batch,
    signed,
    key,
    refuse,
    act: {
      kind,
      by: access.person,
      name: lab?.people.find(({ id }) => id === access.person)?.name ?? '',
      at: new Date().toISOString(),
      ...(asking.how && { how: asking.how }),
      ...(asking.meaning !== undefined && { meaning: asking.meaning }),
      ...(asking.text !== undefined && { text: asking.text }),
      ...(asking.place !== undefined && { place: asking.place }),
      ...(of !== undefined && { of }),
    },
  })
  if ('refused' in done) throw refusal(409, done.refused, [{ at: 'kind', code: `record.${kind}`, why: done.refused }])
  // An authority that is away keeps nobody from signing: it can be asked again.
  if (stampsBy() !== undefined && isStamped(done.act)) await stampAct(db, access, batch.id, done.act)
  announce(db, access.lab, batch.code)
  return done.act
}

async function signedNow(db: Knex, access: Access, batch: Batch, state: State) {
  const source = await recordSource(db, access, batch)
  return manifestFor(
    { lab: access.lab, id: batch.id, code: batch.code },
    state,
    await pageOf(source),
    tablesUsed(source),
  )
}

/** The longest edge of a picture on paper, in pixels: 200 to the inch at the width that it is given. */
const EDGE = 800
/** So many pictures are made smaller at once: each takes a thread of its own. */
const AT_ONCE = 4

/** The pictures that a journal shows as paper takes them, by their names; none where the record leaves them out: JPEG, no larger than they are shown. */
export async function picturesFor(
  db: Knex,
  access: Access,
  batchId: string,
  choice: RecordChoice,
): Promise<ReadonlyMap<string, Uint8Array>> {
  const names = partsIn(choice).includes('photos') ? [...new Set(await photosIn(db, access, batchId))] : []
  const pictures = new Map<string, Uint8Array>()
  const take = async (): Promise<void> => {
    for (let name = names.shift(); name !== undefined; name = names.shift()) {
      const photo = await findPhoto(db, access, batchId, name)
      if (!photo) continue
      const small = sharp(photo.data).resize({ width: EDGE, height: EDGE, fit: 'inside', withoutEnlargement: true })
      pictures.set(name, await small.jpeg({ quality: 80 }).toBuffer())
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, take))
  return pictures
}

/** Sends a PDF, to be looked at or kept under its name. */
export function sendPdf(event: H3Event, name: string, data: Uint8Array): Uint8Array {
  setResponseHeaders(event, {
    'content-type': 'application/pdf',
    'content-disposition': `inline; filename="${name.replace(/[^A-Za-z0-9._-]/g, '-')}"`,
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
  })
  return data
}
