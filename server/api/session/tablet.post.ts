import * as z from 'zod'
import { fits, markHash } from '../../access/secrets'
import { forLab } from '../../db/connect'
import { note } from '../../db/happenings'
import { personByBadge, personByPin } from '../../db/tablet'

export const Body = z.strictObject({ person: z.uuid().optional(), pin: z.string().min(1).max(40) })

/** Opens the bench’s tablet: by a person of its list and their PIN, or by a badge, which says who it is. */
export default answerAnyone(async (event, pool) => {
  const { person, pin } = await readJson(event, Body)
  const device = await deviceOf(event)
  if (!device)
    throw refusal(
      403,
      'This device is not the lab’s tablet. An administrator enrols it, signed in on it, under People.',
    )
  const db = forLab(pool, device.lab)
  const one = { name: person ?? device.id, isKnown: false }
  await requireTries(event, one)
  const found = person
    ? await personByPin(db, device.lab, person)
    : await personByBadge(db, device.lab, markHash(pin.trim().toLowerCase()))
  const isRight = person ? await fits(pin, found?.pin) : found !== undefined
  if (!found || !isRight) {
    await countWrong(event, one)
    await note(db, { lab: device.lab, person: found?.id }, 'sign-in.refused', device.name)
    throw wrong(event, person ? 'The PIN is wrong.' : 'Nobody of this lab has that badge.', 'pin')
  }
  await forgetWrong(event, one)
  await letIn(event, {
    via: 'tablet',
    lab: device.lab,
    person: found.id,
    ...(found.account_id && { account: found.account_id }),
    device: device.id,
    isStrong: false,
  })
  await note(db, { lab: device.lab, person: found.id }, 'tablet.opened', device.name)
  return { isIn: true }
})
