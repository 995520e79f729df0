import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import type { Access } from '../access/access'
import type { FoundThing } from '../record/bring'
import { digestOf } from '../record/canonical'
import { findAssay, saveAssay } from './assays'
import { putOwnRow } from './own-rows'
import { putTemplate } from './templates'

/** How something that a lab keeps beside its batches stands to what this lab has. */
export interface ThingStanding {
  readonly what: FoundThing['is']
  readonly title: string
  readonly is: 'new' | 'there' | 'differs'
}

export const titleOf = (thing: FoundThing): string =>
  thing.is === 'own-row'
    ? `${thing.key}, ${thing.row.kind}`
    : thing.is === 'template'
      ? thing.template.name
      : thing.worksheet.name || thing.worksheet.kind

/** Looks whether the lab has a row, template or worksheet of that key, name or id, and whether it says the same. */
export async function thingStandingIn(db: Knex, access: Access, thing: FoundThing): Promise<ThingStanding> {
  const [here, brought] = await besideEachOther(db, access, thing)
  const is = here === undefined ? 'new' : digestOf(here) === digestOf(brought) ? 'there' : 'differs'
  return { what: thing.is, title: titleOf(thing), is }
}

async function besideEachOther(db: Knex, access: Access, thing: FoundThing): Promise<[unknown, unknown]> {
  if (thing.is === 'own-row') {
    const { key, row } = thing
    const here = await db('own_rows').where({ lab_id: access.lab, kind: row.kind, key }).first('body')
    return [here?.body, row.body]
  }
  if (thing.is === 'template') {
    const { name, steps } = thing.template
    const here = await db('templates').where({ lab_id: access.lab, name }).first('steps')
    return [here?.steps, steps]
  }
  const here = await findAssay(db, access, thing.worksheet.id)
  return [here?.worksheet, thing.worksheet]
}

/** Puts what the lab does not have into it. What says something else comes in as a copy where ids are `new`, under another name or id; a row of the tables does not, for a formula has one row. True where something was put in. */
export async function bringThing(
  trx: Knex,
  access: Access,
  thing: FoundThing,
  { is }: ThingStanding,
  ids: 'kept' | 'new',
): Promise<boolean> {
  const asCopy = is === 'differs' && ids === 'new' && thing.is !== 'own-row'
  if (is !== 'new' && !asCopy) return false
  if (thing.is === 'own-row') await putOwnRow(trx, access, thing.key, thing.row)
  else if (thing.is === 'template') {
    const name = asCopy ? await freeName(trx, access, thing.template.name) : thing.template.name
    await putTemplate(trx, access, { name, steps: thing.template.steps })
  } else {
    const { worksheet } = thing
    await saveAssay(trx, access, 0, asCopy ? { ...worksheet, id: randomUUID() } : worksheet)
  }
  return true
}

const LONGEST_NAME = 80
async function freeName(trx: Knex, { lab }: Access, name: string): Promise<string> {
  const taken = new Set<string>(await trx('templates').where({ lab_id: lab }).pluck('name'))
  for (let i = 2; ; i += 1) {
    const end = ` (${i})`
    const free = `${name.slice(0, LONGEST_NAME - end.length)}${end}`
    if (!taken.has(free)) return free
  }
}

/** What a lab keeps beside its batches: its rows in the tables, templates, worksheets that stand alone. */
export async function thingsOf(db: Knex, { lab }: Access): Promise<object> {
  const where = { lab_id: lab }
  const [rows, templates, worksheets] = await Promise.all([
    db('own_rows').where(where).orderBy(['kind', 'key']).select('kind', 'body'),
    db('templates').where(where).orderBy('name').select('name', 'steps'),
    db('assays').where(where).orderBy('id').pluck('worksheet'),
  ])
  return { format: 'zip-ledger/lab-file', version: 1, rows, templates, worksheets }
}
