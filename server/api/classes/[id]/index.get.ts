import { stocksFor } from '#core/classroom'
import { groupsOf, keyOf, membersOf } from '../../../db/classes'

/** A class for whoever teaches it: its plan, who is in it, the solutions that it takes, and the key, with which the jars are filled. */
export default answer('invite', async (event, { access, db }) => {
  const of = await requireClass(event, db, access)
  const [groups, members, key] = await Promise.all([
    groupsOf(db, access, of.id),
    membersOf(db, access, of.id),
    keyOf(db, access, of.id),
  ])
  return { ...of, groups, members, stocks: stocksFor(of.plan), ...(key && { key }) }
})
