import * as z from 'zod'
import { fits, hashSlowly, passwordProblem } from '../../access/secrets'
import { findAccount, membershipsOf, setPassword } from '../../db/accounts'
import { endOthers } from '../../db/sessions'

export const Body = z.strictObject({ old: z.string().max(400), password: z.string().max(400) })

/** Another password, proven by the one before; whoever is in elsewhere is out. */
export default answerSelf(async (event, { session, account, db }) => {
  const { old, password } = await readJson(event, Body)
  await requirePassword(event, db, account, old)
  const own = await findAccount(db, account)
  const labs = await membershipsOf(db, account)
  const why = passwordProblem(password, [own?.name ?? '', ...labs.map(({ labName }) => labName)])
  if (why) throw refusal(422, why, [{ at: 'password', code: 'access.password', why }])
  if (await fits(password, own?.password))
    throw refusal(422, 'That is the password you have.', [{ at: 'password', why: 'That is the password you have.' }])
  await setPassword(db, account, await hashSlowly(password))
  await endOthers(db, account, session.id)
  forgetSessions()
  await noteEverywhere(db, labs, 'password.changed')
  return { changed: true }
})
