import type { Knex } from 'knex'
import type { Access } from '../access/access'

/** What is noted about people coming in and being let in, in the words of the page that shows it. */
export const whats = {
  'sign-in': 'signed in',
  'sign-in.refused': 'was refused: wrong password, code or PIN',
  'sign-out': 'signed out',
  'tablet.opened': 'opened the tablet',
  'password.changed': 'changed the password',
  'factor.set': 'set up a second factor',
  'factor.removed': 'took the second factor away',
  'passkey.added': 'added a passkey',
  'passkey.removed': 'removed a passkey',
  'recovery.used': 'came in by a recovery code',
  'codes.made': 'made new recovery codes',
  'pin.set': 'set a PIN or badge for the tablet',
  'link.made': 'made a link',
  'link.used': 'came in by a link',
  'person.changed': 'changed somebody’s role or closed them',
  'device.added': 'enrolled a tablet',
  'device.closed': 'took a tablet’s mark away',
  'key.made': 'made a key for a script',
  'key.closed': 'closed a key',
  'data.taken': 'took all of the lab’s data out',
  'data.brought': 'brought batches in',
  'class.released': 'opened the sealed key of a class',
} as const
export type What = keyof typeof whats

/** Notes what somebody did at the door. Never a secret, nor a name that was typed and is nobody’s: it may be a password in the wrong field. */
export const note = async (
  db: Knex,
  { lab, person }: { readonly lab: string; readonly person: string | undefined },
  what: What,
  about = '',
): Promise<void> => {
  await db('happenings').insert({ lab_id: lab, person_id: person ?? null, what, about: about.slice(0, 200) })
}

/** The last things that happened at the door of a lab. */
export const listHappenings = (
  db: Knex,
  { lab }: Access,
  most: number,
): Promise<{ at: Date; person_id: string | null; what: What; about: string }[]> =>
  db('happenings')
    .where({ lab_id: lab })
    .orderBy('number', 'desc')
    .limit(most)
    .select('at', 'person_id', 'what', 'about')
