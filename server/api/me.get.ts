import { mayInvite, actions, may, type Action } from '#core/people'
import { refusedAction } from '../access/access'
import { findAccount, membershipsOf, passkeysOf } from '../db/accounts'
import { hasClasses } from '../db/classes'
import { forLab } from '../db/connect'
import { findLab, openPeople, standOfLabs } from '../db/people'

/** Who is in here, in which lab, as what, and what they may; for nobody, by what way they could come in. */
export default answerAnyone(async (event, db) => {
  setResponseHeader(event, 'cache-control', 'no-store')
  const session = await sessionOf(event)
  const place = {
    isTls: isSecure(event),
    hasPasskeys: isSecure(event) || /^localhost(:\d+)?$/.test(hostOf(event) ?? ''),
  }
  const { demo, isSetUp } = await standOfLabs(db)
  const demoPeople = isDemoOpen(event) && demo ? await openPeople(db, demo) : undefined
  if (!session) {
    const device = await deviceOf(event)
    const tablet = device && { name: device.name, people: await tabletPeople(device.lab) }
    throw refusal(401, 'Nobody is signed in here.', [], {
      ways: { ...place, isSetUp, ...(demoPeople && { demo: demoPeople }), ...(tablet && { tablet }) },
    })
  }
  const { access, account } = session
  const lab = await findLab(db, access)
  const memberships = account ? await membershipsOf(db, account) : []
  const own = account ? await findAccount(db, account) : undefined
  const hasFactor = own?.totp_since != null || (account !== undefined && (await passkeysOf(db, account)).length > 0)
  return {
    person: access.person,
    name: lab?.people.find(({ id }) => id === access.person)?.name ?? '',
    lab: { id: access.lab, name: lab?.name ?? '' },
    role: access.role,
    via: access.via,
    may: (Object.keys(actions) as Action[]).filter(action => refusedAction(access, action) === undefined),
    mayInvite: access.via !== 'demo' && may(access.role, 'invite') ? mayInvite(access.role) : [],
    ...(refusedAction(access, 'look') !== undefined && { needs: hasFactor ? 'code' : 'factor' }),
    labs: memberships.map(({ lab: id, labName: name, role }) => ({ id, name, role })),
    ...place,
    hasMail,
    teaches:
      may(access.role, 'invite') || access.role === 'student' || (await hasClasses(forLab(db, access.lab), access)),
    isDemo: access.via === 'demo',
    ...(access.via === 'demo' && { demo: demoPeople }),
  }
})
