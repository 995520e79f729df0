import * as z from 'zod'
import { classSchema } from '#core/classroom'
import { readPlan } from '#core/sheet'
import { addClass, groupsOf } from '../../db/classes'
import { findBatch, isUnread } from '../../db/batches'

export const Body = z.strictObject({
  /** The batch whose plan the class has. */
  from: z.string().min(1).max(20),
  plan: classSchema.omit({ document: true }),
})

/** Makes a class from a batch: each group has a batch of its own, with amounts of its own. */
export default answer('invite', async (event, { access, db }) => {
  const { from, plan } = await readJson(event, Body)
  const batch = await findBatch(db, access, from)
  if (!batch || isUnread(batch))
    throw refusal(404, `There is no batch ${from}.`, [
      { at: 'from', code: 'class.no-batch', why: `There is no batch ${from}.` },
    ])
  const read = readPlan(batch.document.plan)
  if (!read.ok) throw refusedPlan(read.problem)
  const { title, plan: of, procedures } = batch.document
  const document = {
    format: 'zip-ledger/batch' as const,
    version: 2 as const,
    title,
    plan: of,
    ...(procedures && { procedures }),
  }
  const made = await addClass(db, access, { ...plan, document })
  for (const group of await groupsOf(db, access, made.id)) announce(db, access.lab, group.batch)
  setResponseStatus(event, 201)
  return { id: made.id, code: made.code }
})
