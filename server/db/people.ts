import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import type { Equipment } from '#core/journal'
import type { Role } from '#core/people'
import type { Hours, RoomAir } from '#core/procedure'
import type { ReviewRule } from '#core/record'
import type { ShelfLimit } from '#core/shelf'
import type { Access } from '../access/access'
import { revise } from './revisions'

export interface Person {
  readonly id: string
  readonly name: string
  readonly role: Role
  /** Since when they can no longer come in; what they wrote stays theirs. */
  readonly closedAt?: string
  readonly hasAccount: boolean
  readonly hasPin: boolean
}
export interface Lab {
  readonly id: string
  readonly name: string
  readonly isDemo: boolean
  readonly people: readonly Person[]
  readonly settings: LabSettings
}
/** When hands work, how many there are of what two batches may want at once, and the air that they dry in. */
export interface LabSettings {
  readonly hours?: Hours
  readonly have?: Partial<Record<Equipment, number>>
  readonly air?: RoomAir
  /** What is asked of whoever countersigns a record. */
  readonly review?: ReviewRule
  readonly limits?: readonly ShelfLimit[]
}

interface PersonRow {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly closed_at: Date | null
  readonly account_id: string | null
  readonly pin: string | null
}
const personOf = ({ id, name, role, closed_at, account_id, pin }: PersonRow): Person => ({
  id,
  name,
  role,
  ...(closed_at && { closedAt: closed_at.toISOString() }),
  hasAccount: account_id !== null,
  hasPin: pin !== null,
})

/** The lab of somebody who is in, with its people in the order of their names. */
export async function findLab(db: Knex, { lab: id }: Pick<Access, 'lab'>): Promise<Lab | undefined> {
  const lab = await db('labs').where({ id }).first('id', 'name', 'settings', 'is_demo')
  if (!lab) return undefined
  const rows: PersonRow[] = await db('people').where({ lab_id: id }).orderBy('name')
  return { id, name: lab.name, isDemo: lab.is_demo, settings: lab.settings, people: rows.map(personOf) }
}

export interface NewLab {
  readonly id: string
  readonly name: string
  readonly isDemo?: boolean
  readonly people: readonly { readonly id: string; readonly name: string; readonly role: Role }[]
}

export async function addLab(db: Knex, { id, name, isDemo = false, people }: NewLab): Promise<void> {
  await db('labs').insert({ id, name, is_demo: isDemo })
  if (people.length > 0) await db('people').insert(people.map(person => ({ ...person, lab_id: id })))
}

/** Adds a person to a lab, as one account's, or leaves and reopens the one that the account has there already. */
export async function addPerson(
  db: Knex,
  { lab, name, role, account }: { lab: string; name: string; role: Role; account: string },
): Promise<string> {
  const [row] = await db('people')
    .insert({ id: randomUUID(), lab_id: lab, name, role, account_id: account })
    .onConflict(['lab_id', 'account_id'])
    .merge({ role, closed_at: null })
    .returning('id')
  return row.id as string
}

/** The lab of the demo, and whether any lab has an administrator with an account: until then nobody can be let in from the network. */
export async function standOfLabs(db: Knex): Promise<{ demo: string | undefined; isSetUp: boolean }> {
  const demo = await db('labs').where({ is_demo: true }).first('id')
  const [administrator] = await db('people')
    .where({ role: 'administrator' })
    .whereNotNull('account_id')
    .whereNull('closed_at')
    .limit(1)
    .select('id')
  return { demo: demo?.id, isSetUp: administrator !== undefined }
}

/** Who is in a lab and open, for those who choose themselves from a list. */
export const openPeople = (db: Knex, lab: string): Promise<{ id: string; name: string; role: Role }[]> =>
  db('people').where({ lab_id: lab }).whereNull('closed_at').orderBy('name').select('id', 'name', 'role')

/** Changes what somebody is in the lab, or closes or reopens them. False where there is no such person, or where it would leave the lab without an administrator. */
export const changePerson = (
  db: Knex,
  { lab }: Access,
  id: string,
  change: { readonly role?: Role | undefined; readonly isClosed?: boolean | undefined },
): Promise<'changed' | 'nobody' | 'last'> =>
  db.transaction(async trx => {
    const all: PersonRow[] = await trx('people').where({ lab_id: lab }).forUpdate()
    const one = all.find(person => person.id === id)
    if (!one) return 'nobody'
    const after = {
      role: change.role ?? one.role,
      closed_at: change.isClosed === undefined ? one.closed_at : change.isClosed ? new Date() : null,
    }
    const isLeft = all.some(person => {
      const { role, closed_at } = person.id === id ? after : person
      return role === 'administrator' && closed_at === null
    })
    if (!isLeft) return 'last'
    await trx('people').where({ lab_id: lab, id }).update(after)
    return 'changed'
  })

/** Settings that are told take the place of those before; the others stay. */
export const saveSettings = (db: Knex, access: Access, settings: LabSettings): Promise<void> =>
  db.transaction(async trx => {
    const [row] = await trx('labs')
      .where({ id: access.lab })
      .update({ settings: trx.raw('settings || ?::jsonb', JSON.stringify(settings)) })
      .returning('settings')
    await revise(trx, access, { kind: 'settings', subject: 'lab' }, row?.settings)
  })
