import { groupsOf, listClasses } from '../../db/classes'

/** The classes of the lab; to a student those they are in, with the run that is theirs. */
export default answer('look', async (_, { access, db }) => {
  const classes = await listClasses(db, access)
  const mine =
    access.role === 'student' ? await Promise.all(classes.map(({ id }) => groupsOf(db, access, id))) : undefined
  return classes.map(({ id, code, plan, madeAt, releasedAt }, i) => ({
    id,
    name: plan.name,
    groups: plan.groups,
    madeAt,
    ...(releasedAt && { releasedAt }),
    ...(plan.opensAt && { opensAt: plan.opensAt }),
    ...(plan.closesAt && { closesAt: plan.closesAt }),
    ...(mine ? { runs: mine[i]!.map(({ number, batch }) => ({ number, batch })) } : { code }),
  }))
})
