import { renderSVG } from 'uqr'
import * as z from 'zod'
import { markHash, newCode } from '../../access/secrets'
import { forLab } from '../../db/connect'
import { note } from '../../db/happenings'
import { setBadge } from '../../db/tablet'

export const Body = z.strictObject({ password: z.string().max(400) })

/** A badge for the bench’s tablet, to print and scan, in place of the one before. */
export default answerSelf(async (event, { session, account, db }) => {
  const { password } = await readJson(event, Body)
  await requirePassword(event, db, account, password)
  const code = newCode(5)
  await setBadge(db, session.access, markHash(code))
  await note(forLab(db, session.access.lab), session.access, 'pin.set', 'badge')
  setResponseHeader(event, 'cache-control', 'no-store')
  return { code, picture: renderSVG(code, { border: 2 }) }
})
