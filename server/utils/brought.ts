import type { H3Event } from 'h3'
import type { Knex } from 'knex'
import type { Access } from '../access/access'
import { standingIn, type BatchStanding } from '../db/bring'
import { thingStandingIn, type ThingStanding } from '../db/lab-things'
import { publicKeys } from '../db/keyring'
import { lookInto, type Found } from '../record/bring'
import { takeOut } from '../record/batch-file'
import { canonical } from '../record/canonical'
import { findBatch, isUnread } from '../db/batches'

/** What is brought is taken into memory whole, to be looked at before any of it is kept. */
const MOST_BYTES = 120_000_000

/** What a request brings, or a refusal that names each place at fault. */
export async function readBrought(event: H3Event): Promise<readonly Found[]> {
  const data = await readBytes(event, MOST_BYTES, 'This is larger than 120 MB. Bring it in parts.')
  const looked = lookInto(data)
  if (looked.ok) return looked.found
  throw refusal(
    422,
    'This cannot be brought in: nothing of it was taken.',
    looked.problems.map(({ file, at, why }) => ({
      at: at === '' ? file : `${file}: ${at}`,
      code: 'bring.faulty',
      why,
    })),
  )
}

type Standing = BatchStanding | ThingStanding
/** How each of what is brought stands to what the lab has. */
export async function standings(db: Knex, access: Access, found: readonly Found[]): Promise<Standing[]> {
  const all: Standing[] = []
  for (const one of found) {
    if (one.is === 'plan') {
      all.push({
        what: 'batch',
        code: '',
        title: one.document.title,
        entries: 0,
        photos: 0,
        is: 'plan',
        isCodeTaken: false,
      })
    } else if (one.is === 'batch')
      all.push(
        await standingIn(
          db,
          access,
          one.file,
          async () => (await hereAs(db, access, one.file.id)) === canonical(one.file),
        ),
      )
    else all.push(await thingStandingIn(db, access, one))
  }
  return all
}

async function hereAs(db: Knex, access: Access, id: string): Promise<string | undefined> {
  const row = await db('batches').where({ lab_id: access.lab, id }).first('code')
  const batch = row && (await findBatch(db, access, row.code))
  if (!batch || isUnread(batch)) return undefined
  const { file } = await takeOut(db, useDatabase(), access, { id: access.lab, name: '' }, batch)
  // Under another code it is the same batch still.
  return canonical(file)
}

export const keysByName = async (): Promise<Record<string, string>> =>
  Object.fromEntries((await publicKeys(useDatabase())).map(({ id, publicKey }) => [id, publicKey]))
