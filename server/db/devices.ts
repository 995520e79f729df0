import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import type { Access } from '../access/access'
import { markHash, newMark } from '../access/secrets'

export interface Device {
  readonly id: string
  readonly lab: string
  readonly name: string
}

/** Enrols the device at hand as the lab's tablet; answers its mark, which is kept nowhere else. */
export async function addDevice(db: Knex, { lab, person }: Access, name: string): Promise<string> {
  const mark = newMark()
  await db('devices').insert({ id: randomUUID(), lab_id: lab, hash: markHash(mark), name, added_by: person })
  return mark
}

export async function findDevice(db: Knex, mark: string): Promise<Device | undefined> {
  const row = await db('devices')
    .where({ hash: markHash(mark) })
    .whereNull('closed_at')
    .first('id', 'lab_id', 'name')
  return row && { id: row.id, lab: row.lab_id, name: row.name }
}

export const listDevices = (
  db: Knex,
  { lab }: Access,
): Promise<{ id: string; name: string; added_by: string; added_at: Date }[]> =>
  db('devices')
    .where({ lab_id: lab })
    .whereNull('closed_at')
    .orderBy('added_at')
    .select('id', 'name', 'added_by', 'added_at')

/** Takes a device's mark away, and with it whoever is in on it; undefined where there is none. */
export async function closeDevice(db: Knex, { lab }: Access, id: string): Promise<string | undefined> {
  const [row] = await db('devices')
    .where({ lab_id: lab, id })
    .whereNull('closed_at')
    .update({ closed_at: new Date() })
    .returning('name')
  if (row) await db('sessions').where({ device_id: id }).delete()
  return row?.name
}
