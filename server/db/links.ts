import type { Knex } from 'knex'
import type { Role } from '#core/people'
import { markHash, newMark } from '../access/secrets'

/** A link to hand over: to set up the installation's first lab, to come into a lab, or to come back in. Used once. */
export interface Link {
  readonly kind: 'first' | 'invite' | 'recover'
  readonly lab?: string | undefined
  readonly role?: Role | undefined
  readonly account?: string | undefined
  readonly name?: string | undefined
  readonly madeBy?: string | undefined
}
const LASTS: Readonly<Record<Link['kind'], number>> = { first: 86_400_000, invite: 7 * 86_400_000, recover: 86_400_000 }

/** Makes a link; answers its mark, which is kept nowhere else. */
export async function makeLink(db: Knex, link: Link): Promise<string> {
  const mark = newMark()
  // Those that set up an installation replace each other: the last start's counts.
  if (link.kind === 'first') await db('links').where({ kind: 'first' }).delete()
  await db('links')
    .where('ends_at', '<', new Date(Date.now() - 30 * 86_400_000))
    .delete()
  await db('links').insert({
    hash: markHash(mark),
    kind: link.kind,
    lab_id: link.lab ?? null,
    role: link.role ?? null,
    account_id: link.account ?? null,
    name: link.name ?? null,
    made_by: link.madeBy ?? null,
    ends_at: new Date(Date.now() + LASTS[link.kind]),
  })
  return mark
}

interface Row {
  kind: Link['kind']
  lab_id: string | null
  role: Role | null
  account_id: string | null
  name: string | null
  made_by: string | null
}
const linkOf = ({ kind, lab_id, role, account_id, name, made_by }: Row): Link => ({
  kind,
  lab: lab_id ?? undefined,
  role: role ?? undefined,
  account: account_id ?? undefined,
  name: name ?? undefined,
  madeBy: made_by ?? undefined,
})
const openOnes = (db: Knex, mark: string) =>
  db('links')
    .where({ hash: markHash(mark) })
    .whereNull('used_at')
    .where('ends_at', '>', new Date())

/** What a link is for; undefined where it is none, was used, or is over. */
export async function lookAtLink(db: Knex, mark: string): Promise<Link | undefined> {
  const row: Row | undefined = await openOnes(db, mark).first()
  return row && linkOf(row)
}
/** Uses a link up; undefined where another was first. */
export async function takeLink(db: Knex, mark: string): Promise<Link | undefined> {
  const [row]: Row[] = await openOnes(db, mark).update({ used_at: new Date() }).returning('*')
  return row && linkOf(row)
}
