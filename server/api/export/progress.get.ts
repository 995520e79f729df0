import { progressOf } from '../../db/exports'

/** How many batches of an export are through, for whoever asked for it; 404 for one that was not begun. */
export default answer('move', async (event, { access, db }) => {
  const { name } = getQuery(event)
  const progress = typeof name === 'string' && name.length <= 60 ? await progressOf(db, access, name) : undefined
  if (!progress) throw refusal(404, 'There is no such export.')
  return progress
})
