import type { Knex } from 'knex'
import type { Equipment } from '#core/journal'
import type { Hours, RoomAir } from '#core/procedure'

export interface Person {
  readonly id: string
  readonly name: string
}
export interface Lab {
  readonly id: string
  readonly name: string
  readonly people: readonly Person[]
  readonly settings: LabSettings
}
/** When hands work, how many there are of what two batches may want at once, and the air that they dry in. */
export interface LabSettings {
  readonly hours?: Hours
  readonly have?: Partial<Record<Equipment, number>>
  readonly air?: RoomAir
}

/** The lab of this installation, with its people in the order of their names. */
export async function findLab(db: Knex): Promise<Lab | undefined> {
  const lab = await db('labs').first('id', 'name', 'settings')
  if (!lab) return undefined
  const people = await db('people').where({ lab_id: lab.id }).orderBy('name').select('id', 'name')
  return { ...lab, people }
}

export async function addLab(db: Knex, lab: Omit<Lab, 'settings'>): Promise<void> {
  await db('labs').insert({ id: lab.id, name: lab.name })
  await db('people').insert(lab.people.map(person => ({ ...person, lab_id: lab.id })))
}

/** Settings that are told take the place of those before; the others stay. */
export const saveSettings = (db: Knex, labId: string, settings: LabSettings): Promise<unknown> =>
  db('labs')
    .where({ id: labId })
    .update({ settings: db.raw('settings || ?::jsonb', JSON.stringify(settings)) })
