import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { demoBatches, demoLab, type DemoBatch } from '#demo'
import type { Entry } from '#core/journal'
import { meanings, recordOf, tablesUsed, type ActKind } from '#core/record'
import { makeAccess, type Access } from '../access/access'
import { addAct, listActs, manifestFor, stateOf } from '../db/acts'
import { appendMany } from '../db/append'
import { findBatch, insertBatch, isUnread, type Batch } from '../db/batches'
import { connect } from '../db/connect'
import { publicKeys, signingKey } from '../db/keyring'
import { keepStamp, stampedOf, standInAuthority } from '../db/stamps'
import { answerStamp } from '../stand-ins/time-stamp'
import { stampQuery, tokenIn } from './stamp'
import { migrate } from '../db/migrate'
import { addLab, findLab } from '../db/people'
import { recordSource } from '../db/record-source'
import { filesOf } from './files'
import type { OutFile } from './tables'

/** A database of its own for a test, made from nothing, and dropped after it. */
export async function testDatabase(server: string): Promise<{ db: Knex; drop: () => Promise<void> }> {
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const admin = connect(server)
  await admin.raw('create database ??', [name])
  const db = connect(server.replace(/\/[^/]*$/, `/${name}`), { long: true })
  await migrate(db)
  return {
    db,
    drop: async () => {
      await db.destroy()
      await admin.raw('drop database ??', [name])
      await admin.destroy()
    },
  }
}

export const [TOVE, WREN] = demoLab.people
export const accessFor = (person: string, role: Access['role'] = 'administrator', lab: string = demoLab.id): Access =>
  makeAccess({ lab, person, role, via: 'sign-in', isStrong: true })

export const demoNow = new Date('2026-11-12T12:00:00.000Z')
export const allDemo = (): DemoBatch[] => demoBatches(demoNow)

export const addDemoLab = (db: Knex): Promise<void> => addLab(db, { ...demoLab, isDemo: true })

/** Puts a batch with its journal into the lab, each entry in the name of who wrote it. */
export async function putBatch(db: Knex, { code, document, entries }: DemoBatch): Promise<Batch> {
  await insertBatch(db, accessFor(TOVE.id), code, document, new Date(demoNow.getTime() - 1e9))
  await append(db, code, entries)
  return batchOf(db, code)
}
export async function append(db: Knex, code: string, entries: readonly Entry[]): Promise<void> {
  for (const entry of entries) {
    const [appended] = await appendMany(db, [{ access: accessFor(entry.by), code, entries: [entry] }])
    if (!appended?.ok) throw new Error(JSON.stringify(appended))
  }
}
export async function batchOf(db: Knex, code: string, access = accessFor(TOVE.id)): Promise<Batch> {
  const batch = await findBatch(db, access, code)
  if (!batch || isUnread(batch)) throw new Error(`There is no batch ${code}.`)
  return batch
}

/** Does something to a record in somebody's name, whatever the rules say: they are tested on their own. */
export async function doAct(db: Knex, code: string, person: string, kind: ActKind, text?: string): Promise<void> {
  const access = accessFor(person)
  const batch = await batchOf(db, code)
  const source = await recordSource(db, access, batch)
  const isWhole = ['signed', 'countersigned', 'sealed'].includes(kind)
  const signed = isWhole
    ? manifestFor(
        { lab: access.lab, id: batch.id, code },
        await stateOf(db, access, batch.id, batch.document),
        recordOf(source, { isQuick: true }),
        tablesUsed(source),
      )
    : undefined
  const done = await addAct(db, {
    access,
    batch,
    signed,
    key: await signingKey(db),
    refuse: () => undefined,
    act: {
      kind,
      by: person,
      name: demoLab.people.find(({ id }) => id === person)?.name ?? '',
      at: new Date(demoNow.getTime() + 60_000).toISOString(),
      how: 'password',
      ...(isWhole && { meaning: meanings[kind as 'signed'] }),
      ...(text !== undefined && { text }),
    },
  })
  if ('refused' in done) throw new Error(done.refused)
}

/** Has every act that puts a name to a record stamped by the stand-in. */
export async function stampActs(db: Knex, code: string): Promise<void> {
  const access = accessFor(TOVE.id)
  const { id } = await batchOf(db, code)
  const standIn = await standInAuthority(db)
  for (const act of await listActs(db, access, id)) {
    const { query, nonce } = stampQuery(stampedOf(act))
    const token = tokenIn(await answerStamp(standIn, query, new Date()), nonce)
    await keepStamp(db, access, id, { number: act.number, token })
  }
}

/** Every file of a batch, as it is taken out. */
export async function outOf(db: Knex, code: string, access = accessFor(TOVE.id)): Promise<Map<string, Uint8Array>> {
  const batch = await batchOf(db, code, access)
  const source = await recordSource(db, access, batch)
  const lab = await findLab(db, access)
  const files = new Map<string, Uint8Array>()
  for await (const { path, data } of filesOf({
    db,
    pool: db,
    access,
    lab: { id: access.lab, name: lab?.name ?? '' },
    batch,
    key: await signingKey(db),
    page: recordOf(source, { isQuick: true }),
    at: demoNow,
  }) as AsyncIterable<OutFile>)
    files.set(path, typeof data === 'string' ? Buffer.from(data) : data)
  return files
}
export const publicKeyOf = async (db: Knex): Promise<string> => (await publicKeys(db))[0]!.publicKey
export const textIn = (files: ReadonlyMap<string, Uint8Array>, path: string): string =>
  Buffer.from(files.get(path) ?? []).toString('utf8')
