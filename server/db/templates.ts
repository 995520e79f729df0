import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { readTemplate, type Template } from '#core/document'
import type { Access } from '../access/access'
import { revise } from './revisions'

export interface StoredTemplate extends Template {
  readonly id: string
}

/** The lab's templates by name; one that does not read here comes without its steps, and is kept as it is. */
export async function listTemplates(db: Knex, { lab }: Access): Promise<StoredTemplate[]> {
  const rows: { id: string; name: string; steps: unknown }[] = await db('templates')
    .where({ lab_id: lab })
    .orderBy('name')
    .select('id', 'name', 'steps')
  return rows.map(({ id, name, steps }) => {
    const read = readTemplate({ name, steps })
    return { id, name, steps: read.ok ? read.value.steps : [] }
  })
}

/** Adds a template, or puts it in place of the one of that name; what it said before stays among its revisions. */
export const putTemplate = (db: Knex, access: Access, { name, steps }: Template): Promise<StoredTemplate> =>
  db.transaction(async trx => {
    const [row] = await trx('templates')
      .insert({
        id: randomUUID(),
        lab_id: access.lab,
        name,
        steps: JSON.stringify(steps),
        added_by: access.person,
      })
      .onConflict(['lab_id', 'name'])
      .merge(['steps', 'added_by'])
      .returning(['id', 'name', 'steps'])
    await revise(trx, access, { kind: 'template', subject: name }, steps)
    return row as StoredTemplate
  })

/** True if there was such a template. */
export const deleteTemplate = (db: Knex, access: Access, id: string): Promise<boolean> =>
  db.transaction(async trx => {
    const [row] = await trx('templates').where({ lab_id: access.lab, id }).delete().returning('name')
    if (row) await revise(trx, access, { kind: 'template', subject: row.name }, null)
    return row !== undefined
  })
