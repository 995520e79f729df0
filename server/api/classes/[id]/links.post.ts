import { membersOf } from '../../../db/classes'
import { note } from '../../../db/happenings'
import { makeLink } from '../../../db/links'

/** A link for each of the list who has not come yet: it lets them into the lab as a student under their name. Shown once, to print and cut up. */
export default answer('invite', async (event, { access, db }) => {
  requireReal(access)
  const of = await requireClass(event, db, access)
  const waiting = (await membersOf(db, access, of.id)).filter(({ person }) => person === undefined)
  const slips: { name: string; group: number; link: string }[] = []
  for (const { name, group } of waiting) {
    const mark = await makeLink(useDatabase(), {
      kind: 'invite',
      lab: access.lab,
      role: 'student',
      name,
      madeBy: access.person,
    })
    slips.push({ name, group, link: `${originOf(event)}/join#${mark}` })
  }
  await note(db, access, 'link.made', `student, ${slips.length} for ${of.plan.name}`)
  setResponseStatus(event, 201)
  return { code: of.code, slips }
})
