import * as z from 'zod'
import { membershipsOf } from '../../../db/accounts'
import type { Access } from '../../../access/access'
import { note } from '../../../db/happenings'
import { makeLink } from '../../../db/links'
import { accountOf } from '../../../db/tablet'

/**
 * A link that lets somebody back in who lost their password, to hand over to them in person. Whoever is of other labs too is helped by an administrator of all of them:
 * the link opens their account, and with it each of their labs.
 */
export default answer('people', async (event, { access, db }) => {
  requireReal(access)
  const id = getRouterParam(event, 'id') ?? ''
  const account = z.uuid().safeParse(id).success ? await accountOf(db, access, id) : undefined
  if (!account) throw refusal(404, 'There is nobody like that in this lab who signs in.')
  const [mine, theirs] = await Promise.all([administered(access), membershipsOf(useDatabase(), account)])
  if (theirs.some(({ lab }) => !mine.has(lab)))
    throw refusal(
      409,
      'This person is of another lab too, which the link would open. They come in by a recovery code, or an administrator of all their labs makes the link.',
    )
  const link = await makeLink(useDatabase(), { kind: 'recover', lab: access.lab, account, madeBy: access.person })
  await note(db, access, 'link.made', `back in, ${id}`)
  setResponseStatus(event, 201)
  return { link: `${originOf(event)}/join#${link}` }
})

/** The labs of which who asks is an administrator. */
async function administered(access: Access): Promise<ReadonlySet<string>> {
  const own = await accountOf(useDatabase(), access, access.person)
  const all = own ? await membershipsOf(useDatabase(), own) : []
  return new Set(all.filter(({ role }) => role === 'administrator').map(({ lab }) => lab))
}
