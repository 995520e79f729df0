import { note } from '../../../db/happenings'
import { releaseKey } from '../../../db/classes'

/** Opens the seal: results are set against the key, and students see it. Once, and noted. */
export default answer('invite', async (event, { access, db }) => {
  const of = await requireClass(event, db, access)
  if ((await releaseKey(db, access, of.id)) > 0) await note(db, access, 'class.released', of.plan.name)
  return { released: true }
})
