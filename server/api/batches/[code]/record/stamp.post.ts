import * as z from 'zod'
import { listActs } from '../../../../db/acts'

export const Body = z.strictObject({ number: z.int().min(1) })

/** Has an act of a record stamped that has no stamp yet: the authority was away when it was done, or is named since. */
export default answer('sign', async (event, { access, db }) => {
  const { number } = await readJson(event, Body)
  const batch = await requireBatch(event, db, access)
  const act = (await listActs(db, access, batch.id)).find(one => one.number === number)
  if (!act || !isStamped(act)) throw refusal(404, 'There is no such signature to stamp.')
  const why = await stampAct(db, access, batch.id, act)
  if (why !== undefined) throw refusal(503, why, [{ at: 'number', code: 'stamp.none', why }])
  return { stamps: await shownStamps(db, access, batch.id, [act]) }
})
