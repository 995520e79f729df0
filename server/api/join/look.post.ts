import * as z from 'zod'
import { roles } from '#core/people'
import { findAccount } from '../../db/accounts'
import { lookAtLink } from '../../db/links'
import { findLab } from '../../db/people'

export const Body = z.strictObject({ link: mark })

/** What a link that was handed over is for. */
export default answerAnyone(async (event, db) => {
  const { link } = await readJson(event, Body)
  await requireTries(event, { name: 'link', isKnown: true })
  const found = await lookAtLink(db, link)
  if (!found) {
    await countWrong(event, { name: 'link', isKnown: true })
    throw refusal(404, 'This link is no longer good: it was used, or is too old. Ask for another.')
  }
  const lab = found.lab ? await findLab(db, { lab: found.lab }) : undefined
  const account = found.account ? await findAccount(db, found.account) : undefined
  return {
    kind: found.kind,
    ...(lab && { lab: lab.name }),
    ...(found.role && { role: roles[found.role] }),
    ...(found.name && { name: found.name }),
    ...(account && { signName: account.name }),
    ...((await sessionOf(event))?.access.via === 'sign-in' && { isIn: true }),
  }
})
