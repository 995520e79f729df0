import * as z from 'zod'
import { needsSecondFactor } from '#core/people'
import { fits } from '../../access/secrets'
import { accountNamed, membershipsOf } from '../../db/accounts'

export const Body = z.strictObject({
  name: z.string().max(200),
  password: z.string().max(400),
  code: z.string().max(60).optional(),
})
const WRONG = 'The name or the password is wrong.'

/** Signs in by name or address and password, and by a code where the account has a second factor. */
export default answerAnyone(async (event, db) => {
  const { name, password, code } = await readJson(event, Body)
  const account = name.includes('\0') ? undefined : await accountNamed(db, name.trim())
  const one = { name: account?.id ?? name, isKnown: account !== undefined && isKnownBrowser(event, account.id) }
  await requireTries(event, one)
  const isRight = await fits(password, account?.password)
  const all = account ? await membershipsOf(db, account.id) : []
  if (!isRight || !account || all.length === 0) {
    await countWrong(event, one)
    if (account) await noteEverywhere(db, all, 'sign-in.refused')
    throw wrong(event, WRONG, 'password')
  }
  const hasFactor = account.totp_since !== null
  if (hasFactor && code === undefined)
    throw refusal(422, 'Now the code of your second factor.', [
      { at: 'code', code: 'access.code', why: 'Now the code of your second factor.' },
    ])
  const factor = hasFactor ? await factorOf(db, account, code ?? '') : 'none'
  if (factor === 'wrong') {
    await countWrong(event, one)
    await noteEverywhere(db, all, 'sign-in.refused')
    throw wrong(event, 'This code is wrong, or was used already. The next one comes in half a minute.', 'code')
  }
  await forgetWrong(event, one)
  const place = chooseLab(all, getCookie(event, 'zip-ledger-lab'))!
  await letIn(event, {
    via: 'sign-in',
    lab: place.lab,
    person: place.person,
    account: account.id,
    isStrong: factor !== 'none',
  })
  await noteEverywhere(db, [place], factor === 'recovery' ? 'recovery.used' : 'sign-in')
  return { isIn: true, needsFactor: factor === 'none' && needsSecondFactor(place.role) }
})
