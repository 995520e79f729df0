import * as z from 'zod'
import { mayInvite } from '#core/people'
import { note } from '../../db/happenings'
import { makeLink } from '../../db/links'
import { findLab } from '../../db/people'

export const Body = z.strictObject({ role: roleOf, name: lineOf(80).optional(), address: address.optional() })

/** A link that lets somebody into this lab, to hand over, and shown once; or mailed, and not shown. */
export default answer('invite', async (event, { access, db }) => {
  requireReal(access)
  const { role, name, address: to } = await readJson(event, Body)
  if (!mayInvite(access.role).includes(role))
    throw refusal(403, 'Your role in this lab does not let you invite somebody to that one.')
  const link = await makeLink(useDatabase(), { kind: 'invite', lab: access.lab, role, name, madeBy: access.person })
  await note(db, access, 'link.made', `${role}${name ? `, ${name}` : ''}`)
  setResponseStatus(event, 201)
  const whole = `${originOf(event)}/join#${link}`
  if (to === undefined) return { link: whole }
  await mailLink(to, (await findLab(db, access))?.name ?? '', whole)
  return { sent: to }
})
