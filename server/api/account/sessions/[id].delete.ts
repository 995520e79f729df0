import { endSession, listSessions } from '../../../db/sessions'

/** Ends one of one’s own sessions, wherever it is. */
export default answerSelf(async (event, { account, db }) => {
  const id = getRouterParam(event, 'id') ?? ''
  if (!(await listSessions(db, account)).some(one => one.id === id)) throw refusal(404, 'There is no such session.')
  await endSession(db, id)
  forgetSessions()
  setResponseStatus(event, 204)
  return null
})
