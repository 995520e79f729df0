import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { readTemplate, type Template } from '#core/document'

export interface StoredTemplate extends Template {
  readonly id: string
}

/** The lab's templates by name; one that does not read here comes without its steps, and is kept as it is. */
export async function listTemplates(db: Knex, labId: string): Promise<StoredTemplate[]> {
  const rows: { id: string; name: string; steps: unknown }[] = await db('templates')
    .where({ lab_id: labId })
    .orderBy('name')
    .select('id', 'name', 'steps')
  return rows.map(({ id, name, steps }) => {
    const read = readTemplate({ name, steps })
    return { id, name, steps: read.ok ? read.value.steps : [] }
  })
}

/** Adds a template, or puts it in place of the one of that name. */
export async function putTemplate(
  db: Knex,
  labId: string,
  by: string,
  { name, steps }: Template,
): Promise<StoredTemplate> {
  const [row] = await db('templates')
    .insert({ id: randomUUID(), lab_id: labId, name, steps: JSON.stringify(steps), added_by: by })
    .onConflict(['lab_id', 'name'])
    .merge(['steps', 'added_by'])
    .returning(['id', 'name', 'steps'])
  return row as StoredTemplate
}

/** True if there was such a template. */
export const deleteTemplate = async (db: Knex, labId: string, id: string): Promise<boolean> =>
  (await db('templates').where({ lab_id: labId, id }).delete()) > 0
