import { findBreak } from '../../../db/chain'
import { findRevisionBreak } from '../../../db/revisions'

/** Whether the journal's chain of hashes and the plan's are whole, or the first entry or revision at which one is broken. */
export default answer('look', async (event, { access, db }) => {
  const batch = await requireBatch(event, db, access)
  const broken = await findBreak(db, access.lab, batch.id)
  if (broken) return { whole: false, ...broken }
  const plan = await findRevisionBreak(db, access.lab, { kind: 'batch', subject: batch.id })
  return plan ? { whole: false, revision: plan.number, why: plan.why } : { whole: true }
})
