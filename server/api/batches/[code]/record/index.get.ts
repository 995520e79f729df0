import { may } from '#core/people'
import { hasPartIn } from '../../../../db/acts'

/** The record of a batch as it reads now, what was done to it, and what whoever asks may do to it. `quick` leaves out the explanations, which take longer than the rest. */
export default answer('look', async (event, { access, db }) => {
  const batch = await requireBatch(event, db, access)
  const isQuick = getQuery(event).quick !== undefined
  const [page, { acts, standing }, rule, hasPart] = await Promise.all([
    pageNow(db, access, batch, isQuick),
    recordState(db, access, batch),
    reviewRuleOf(db, access),
    hasPartIn(db, access, batch.id),
  ])
  return {
    page,
    version: batch.version,
    acts,
    stamps: await shownStamps(db, access, batch.id, acts),
    canStamp: stampsBy() !== undefined,
    standing,
    rule,
    me: {
      person: access.person,
      maySign: may(access.role, 'sign'),
      mayReview: may(access.role, 'review'),
      hasPart,
      via: access.via,
    },
  }
})
