import * as z from 'zod'
import { findAccount, membershipsOf } from '../../db/accounts'

export const Body = z.strictObject({ code: z.string().max(60) })

/** Proves by the second factor who is in already, where the role asks for it. */
export default answerSelf(async (event, { session, account, db }) => {
  const { code } = await readJson(event, Body)
  const one = { name: account, isKnown: isKnownBrowser(event, account) }
  await requireTries(event, one)
  const own = await findAccount(db, account)
  const factor = own?.totp_since ? await factorOf(db, own, code) : 'wrong'
  if (factor === 'wrong') {
    await countWrong(event, one)
    throw wrong(event, 'This code is wrong, or was used already. The next one comes in half a minute.', 'code')
  }
  const { lab, person } = session.access
  if (factor === 'recovery') await noteEverywhere(db, await membershipsOf(db, account), 'recovery.used')
  await letIn(event, { via: 'sign-in', lab, person, account, isStrong: true })
  return { isIn: true }
})
