import * as z from 'zod'
import { confirmTotp, countRecoveryCodes, findAccount, membershipsOf } from '../../db/accounts'

export const Body = z.strictObject({ code: z.string().max(60) })

/** Confirms a second factor by its first code. Answers recovery codes where there are none yet. */
export default answerSelf(async (event, { session, account, db }) => {
  const { code } = await readJson(event, Body)
  const one = { name: account, isKnown: true }
  await requireTries(event, one)
  const own = await findAccount(db, account)
  if (!own?.totp_secret || own.totp_since) throw refusal(409, 'There is no second factor to confirm.')
  if ((await factorOf(db, own, code)) !== 'code') {
    await countWrong(event, one)
    throw wrong(
      event,
      'This code does not fit. Look whether the clock of the device is right, and give the next one.',
      'code',
    )
  }
  await confirmTotp(db, account)
  const { lab, person } = session.access
  await letIn(event, { via: 'sign-in', lab, person, account, isStrong: true })
  await noteEverywhere(db, await membershipsOf(db, account), 'factor.set')
  return { codes: (await countRecoveryCodes(db, account)) === 0 ? await freshCodes(db, account) : [] }
})
