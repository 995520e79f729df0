import { endOthers } from '../../../db/sessions'

/** Ends all of one’s own sessions but this one. */
export default answerSelf(async (_, { session, account, db }) => {
  const ended = await endOthers(db, account, session.id)
  forgetSessions()
  return { ended }
})
