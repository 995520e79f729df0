import * as z from 'zod'
import { changesBetween, readDocument } from '#core/document'
import { explainPlan, readPlan, spanOf } from '#core/sheet'
import { isUnread, saveDocument } from '../../../db/batches'

/** A document of any version: a page that was open when the server was renewed still sends the one before. */
const anyDocument = z.unknown().transform((stored, context) => {
  const read = readDocument(stored)
  if (read.ok) return read.value
  context.issues.push({ code: 'custom', input: stored, path: [...read.problem.path], message: read.problem.why })
  return z.NEVER
})
export const Body = z.strictObject({ version: z.int().positive(), document: anyDocument })

/** Saves the plan; refuses one that does not read back, and one made from a version that is no longer the last. */
export default answer('plan', async (event, { access, db }) => {
  const { version, document } = await readJson(event, Body)
  const read = readPlan(document.plan)
  if (!read.ok) {
    const { why, fix } = explainPlan(read.problem)
    const span = spanOf(read.problem)
    throw refusal(422, why, [
      { at: read.problem.path.join('.'), code: read.problem.problem.code, why, fix, ...(span && { span }) },
    ])
  }
  const batch = await requireBatch(event, db, access)
  if (batch.sealedAt)
    throw refusal(403, 'This batch is sealed: its plan changes no more.', [
      {
        at: 'version',
        code: 'batch.sealed',
        why: 'It was sealed.',
        fix: 'Begin another batch from it, or add an addendum to its record.',
      },
    ])
  await requireOpenClass(db, access, batch.code)
  const result = await saveDocument(db, access, batch.code, version, document)
  if (result.saved) {
    announce(db, access.lab, batch.code)
    return { version: result.version }
  }

  const current = result.current && !isUnread(result.current) ? result.current : batch
  throw refusal(409, 'This batch was saved from somewhere else since you opened it.', [], {
    current: { version: current.version, document: current.document },
    changes: changesBetween(current.document, document),
  })
})
