import { findBottle, neighboursOf } from '../../../db/bottles'

/** A bottle with its ledger: what happened to it, and what batches took; and what stands beside it that must not meet it. */
export default answer('look', async (event, { access, db }) => {
  const code = requireCode(event)
  const bottle = await findBottle(db, access, code)
  if (!bottle) throw refusal(404, `There is no bottle ${code}.`)
  return { ...bottle, neighbours: await neighboursOf(db, access, bottle) }
})
