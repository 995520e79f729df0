import * as z from 'zod'
import { membershipsOf } from '../../db/accounts'

export const Body = z.strictObject({ password: z.string().max(400) })

/** New recovery codes in place of those before; they are shown once. */
export default answerSelf(async (event, { account, db }) => {
  const { password } = await readJson(event, Body)
  await requirePassword(event, db, account, password)
  await noteEverywhere(db, await membershipsOf(db, account), 'codes.made')
  setResponseHeader(event, 'cache-control', 'no-store')
  return { codes: await freshCodes(db, account) }
})
