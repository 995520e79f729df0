import { renderSVG } from 'uqr'
import * as z from 'zod'
import { newTotpSecret, totpAddress } from '../../access/totp'
import { findAccount, offerTotp } from '../../db/accounts'

export const Body = z.strictObject({ password: z.string().max(400) })

/** Offers the secret of a second factor, as text and as a code to photograph. It counts once a code of it was given. */
export default answerSelf(async (event, { account, db }) => {
  const { password } = await readJson(event, Body)
  await requirePassword(event, db, account, password)
  const own = await findAccount(db, account)
  if (own?.totp_since) throw refusal(409, 'There is a second factor already. Take it away first.')
  const secret = newTotpSecret()
  await offerTotp(db, account, secret)
  setResponseHeader(event, 'cache-control', 'no-store')
  return { secret, picture: renderSVG(totpAddress(secret, own?.name ?? ''), { border: 2 }) }
})
