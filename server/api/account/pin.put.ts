import * as z from 'zod'
import { hashSlowly } from '../../access/secrets'
import { note } from '../../db/happenings'
import { setPin } from '../../db/tablet'
import { forLab } from '../../db/connect'

export const Body = z.strictObject({ password: z.string().max(400), pin: z.string().max(40) })
const SHORTEST = 6

/** The PIN for the bench’s tablet, in this lab. */
export default answerSelf(async (event, { session, account, db }) => {
  const { password, pin } = await readJson(event, Body)
  await requirePassword(event, db, account, password)
  const plain = pin.trim()
  const isRun = '0123456789012345'.includes(plain) || '9876543210987654'.includes(plain) || new Set(plain).size < 3
  const why = !/^\d+$/.test(plain)
    ? 'A PIN is of digits.'
    : plain.length < SHORTEST
      ? `A PIN has ${SHORTEST} digits at least.`
      : isRun
        ? 'That is among the first that anybody tries.'
        : undefined
  if (why) throw refusal(422, why, [{ at: 'pin', code: 'access.pin', why }])
  await setPin(db, session.access, await hashSlowly(plain))
  await note(forLab(db, session.access.lab), session.access, 'pin.set')
  return { hasPin: true }
})
