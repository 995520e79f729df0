import { randomUUID } from 'node:crypto'
import * as z from 'zod'
import { hashSlowly, passwordProblem } from '../../access/secrets'
import { accountNamed, addAccount, dropOtherWays, findAccount, membershipsOf, setPassword } from '../../db/accounts'
import { forLab } from '../../db/connect'
import { note } from '../../db/happenings'
import { lookAtLink, takeLink, type Link } from '../../db/links'
import { addLab, addPerson, findLab } from '../../db/people'
import { endOthers } from '../../db/sessions'

export const Body = z.strictObject({
  link: mark,
  lab: lineOf(80).optional(),
  name: lineOf(80).optional(),
  signName: signName.optional(),
  address: address.optional(),
  password: z.string().max(400).optional(),
})
type Given = z.output<typeof Body>

/** Uses a link: sets up the first lab, comes into a lab, or comes back in with another password. */
export default answerAnyone(async (event, db) => {
  const given = await readJson(event, Body)
  await requireTries(event, { name: 'link', isKnown: true })
  const link = await lookAtLink(db, given.link)
  if (!link) {
    await countWrong(event, { name: 'link', isKnown: true })
    throw refusal(404, 'This link is no longer good: it was used, or is too old. Ask for another.')
  }
  const session = await sessionOf(event)
  // Somebody who is in already joins another lab with the account they have.
  const own = link.kind === 'invite' && session?.access.via === 'sign-in' ? session.account : undefined
  if (own === undefined) await requireNew(db, link, given)
  const password = own === undefined ? await hashSlowly(given.password ?? '') : ''
  const place = await db.transaction(async trx => {
    const taken = await takeLink(trx, given.link)
    if (!taken) throw refusal(404, 'This link was used meanwhile.')
    return own === undefined ? comeIn(trx, taken, given, password) : join(trx, taken, own)
  })
  await letIn(event, { via: 'sign-in', ...place, isStrong: own !== undefined && (session?.access.isStrong ?? false) })
  await note(forLab(db, place.lab), place, 'link.used')
  return { isIn: true }
})

type Place = { readonly lab: string; readonly person: string; readonly account: string }

/** What the link’s kind needs is there and will do; refused at its field otherwise. */
async function requireNew(db: ReturnType<typeof useDatabase>, link: Link, given: Given): Promise<void> {
  const missing = (at: string, why: string) => refusal(422, why, [{ at, code: 'access.missing', why }])
  if (link.kind === 'first' && !given.lab) throw missing('lab', 'Say what the lab is called.')
  if (link.kind !== 'recover') {
    if (!given.name && !link.name) throw missing('name', 'Say what you are called: it stands beside what you record.')
    if (!given.signName) throw missing('signName', 'Choose a name to sign in by.')
    for (const [at, name] of [['signName', given.signName] as const, ['address', given.address] as const])
      if (name && (await accountNamed(db, name)))
        throw missing(at, 'Somebody signs in by that already. If it is you, sign in first and open the link again.')
  }
  const account = link.account ? await findAccount(db, link.account) : undefined
  const lab = link.lab ? await findLab(db, { lab: link.lab }) : undefined
  const names = [given.signName, given.name, account?.name, given.lab, lab?.name].flatMap(name => name ?? [])
  const why = passwordProblem(given.password ?? '', names)
  if (why) throw refusal(422, why, [{ at: 'password', code: 'access.password', why }])
}

async function comeIn(trx: ReturnType<typeof useDatabase>, link: Link, given: Given, password: string): Promise<Place> {
  if (link.kind === 'recover') {
    const account = link.account!
    await setPassword(trx, account, password)
    // Who lost the password may have lost a device with it: the administrator knows whom they gave the link to.
    await dropOtherWays(trx, account)
    await endOthers(trx, account)
    forgetSessions()
    const all = await membershipsOf(trx, account)
    const place = all.find(({ lab }) => lab === link.lab) ?? all[0]
    if (!place) throw refusal(404, 'This account is of no lab any more.')
    return { lab: place.lab, person: place.person, account }
  }
  const account = await addAccount(trx, { name: given.signName!, address: given.address, password })
  const lab = link.lab ?? randomUUID()
  if (link.kind === 'first') await addLab(trx, { id: lab, name: given.lab!, people: [] })
  const role = link.kind === 'first' ? 'administrator' : (link.role ?? 'viewer')
  return { lab, person: await addPerson(trx, { lab, name: given.name ?? link.name ?? '', role, account }), account }
}

async function join(trx: ReturnType<typeof useDatabase>, link: Link, account: string): Promise<Place> {
  const own = await findAccount(trx, account)
  const lab = link.lab!
  const person = await addPerson(trx, { lab, name: link.name ?? own?.name ?? '', role: link.role ?? 'viewer', account })
  return { lab, person, account }
}
