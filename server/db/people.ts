import type { Knex } from 'knex'

export interface Person {
  readonly id: string
  readonly name: string
}
export interface Lab {
  readonly id: string
  readonly name: string
  readonly people: readonly Person[]
}

/** The lab of this installation, with its people in the order of their names. */
export async function findLab(db: Knex): Promise<Lab | undefined> {
  const lab = await db('labs').first('id', 'name')
  if (!lab) return undefined
  const people = await db('people').where({ lab_id: lab.id }).orderBy('name').select('id', 'name')
  return { ...lab, people }
}

export async function addLab(db: Knex, lab: Lab): Promise<void> {
  await db('labs').insert({ id: lab.id, name: lab.name })
  await db('people').insert(lab.people.map(person => ({ ...person, lab_id: lab.id })))
}
