import { countRecoveryCodes, findAccount, membershipsOf, passkeysOf } from '../../db/accounts'
import { listSessions } from '../../db/sessions'
import { badgeAndPin } from '../../db/tablet'

/** Somebody’s own account: by what they come in, and where they are in. */
export default answerSelf(async (_, { session, account, db }) => {
  const own = await findAccount(db, account)
  const [keys, codes, open, labs, tablet] = await Promise.all([
    passkeysOf(db, account),
    countRecoveryCodes(db, account),
    listSessions(db, account),
    membershipsOf(db, account),
    badgeAndPin(db, session.access),
  ])
  return {
    name: own?.name,
    address: own?.address ?? undefined,
    hasPassword: own?.password != null,
    hasFactor: own?.totp_since != null,
    codes,
    passkeys: keys.map(({ id, name, added_at, used_at }) => ({
      id,
      name,
      addedAt: added_at,
      usedAt: used_at ?? undefined,
    })),
    sessions: open.map(({ id, about, begun_at, seen_at, kind }) => ({
      id,
      about,
      begunAt: begun_at,
      seenAt: seen_at,
      kind,
      isThis: id === session.id,
    })),
    labs: labs.map(({ lab, labName, role }) => ({ id: lab, name: labName, role })),
    ...tablet,
  }
})
