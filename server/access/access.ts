import { actions, may, needsSecondFactor, type Action, type Role } from '#core/people'

declare const made: unique symbol

/** What a key for scripts may do. */
export const scopes = {
  read: 'Read what the lab keeps',
  append: 'Append readings to journals',
  calendar: 'Subscribe to the calendar of what is due, and nothing else',
} as const
export type Scope = keyof typeof scopes

/** By what somebody is known: their own sign-in, the bench's shared tablet, a key of a script, or the list of the demo. */
export type Via = 'sign-in' | 'tablet' | 'key' | 'demo' | 'setup'

/**
 * Who asks, in which lab, as what. Everything that touches a lab's data takes one, and only a session, a key, or the preparation of a database makes one.
 */
export interface Access {
  readonly lab: string
  readonly person: string
  readonly role: Role
  readonly via: Via
  /** Proven by a second factor as well, or by a passkey. */
  readonly isStrong: boolean
  readonly scopes?: readonly Scope[]
  readonly [made]: true
}

/** Makes an access. Lint keeps this to sessions, keys, the preparation of a database, and tests. */
export const makeAccess = (of: Omit<Access, typeof made>): Access => of as Access

/** What the bench's tablet, known by a PIN, is for. */
const AT_THE_TABLET: readonly Action[] = ['look', 'plan', 'record', 'assay', 'sign']
/** What a route asks for: something that the roles’ table knows, or the calendar, which a key of its own opens. */
export type Rule = Action | 'calendar'
const SCOPED: Readonly<Record<Scope, readonly Rule[]>> = {
  read: ['look', 'calendar'],
  append: ['record'],
  calendar: ['calendar'],
}

/** Why somebody may not do something; undefined where they may. */
export function refusedAction(access: Access, rule: Rule): string | undefined {
  const { role, via, isStrong } = access
  const action = rule === 'calendar' ? 'look' : rule
  if (!may(role, action)) return `Your role in this lab does not let you do that: ${actions[action]}.`
  if (via === 'key' && !access.scopes?.some(scope => SCOPED[scope].includes(rule)))
    return 'This key is not made for that.'
  if (via === 'tablet' && !AT_THE_TABLET.includes(action))
    return 'That is not done at the bench’s tablet. Sign in with your password or passkey.'
  if (via === 'sign-in' && needsSecondFactor(role) && !isStrong)
    return 'Your role needs a second factor. Set one up, or give its code.'
  return undefined
}
