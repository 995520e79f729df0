import type { Knex } from 'knex'
import { shelfColumns, tableOf } from '#core/shelf'
import type { Access } from '../access/access'
import { allBottles } from '../db/bottles'
import { csvOf } from '../record/csv'

/** All bottles of a lab as CSV. */
export const shelfCsv = async (db: Knex, access: Access): Promise<string> =>
  csvOf(
    shelfColumns.map(name => ({ name, title: name, datatype: 'string' as const })),
    tableOf(await allBottles(db, access)),
  )
