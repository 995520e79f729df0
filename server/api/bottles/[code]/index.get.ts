import { reservedOf } from '#core/shelf'
import { findBottle, neighboursOf, openNeeds } from '../../../db/bottles'

/** A bottle with its ledger: what happened to it, what batches took, and what open ones have yet to take; and what stands beside it that must not meet it. */
export default answer('look', async (event, { access, db }) => {
  const code = requireCode(event)
  const bottle = await findBottle(db, access, code)
  if (!bottle) throw refusal(404, `There is no bottle ${code}.`)
  await freshen(access)
  const [neighbours, needs] = await Promise.all([neighboursOf(db, access, bottle), openNeeds(db, access, code)])
  return { ...bottle, neighbours, reserved: reservedOf(bottle, needs) }
})
