import { expect, it } from 'vitest'
import { actions, may, mayInvite, needsSecondFactor, roles, type Action, type Role } from '#core/people'
import { makeAccess, refusedAction, type Access, type Rule, type Scope } from './access'

const as = (role: Role, more: Partial<Access> = {}): Access =>
  makeAccess({ lab: 'l', person: 'p', role, via: 'sign-in', isStrong: true, ...more })
const all = Object.keys(actions) as Action[]
const lets = (access: Access): Rule[] => [...all, 'calendar' as const].filter(rule => !refusedAction(access, rule))

/** The table once more, as one would read it out: a change on one side alone fails. */
const said: Record<Role, string> = {
  administrator: 'look plan record assay keep sign review move settle key invite people',
  instructor: 'look plan record assay keep sign review move settle key invite',
  chemist: 'look plan record assay keep sign settle key',
  student: 'look plan record assay sign',
  reviewer: 'look review',
  viewer: 'look',
}

it('lets each role do what the table says, row by row', () => {
  for (const role of Object.keys(roles) as Role[]) {
    expect(all.filter(action => may(role, action)).join(' ')).toBe(said[role])
    expect(
      lets(as(role))
        .filter(rule => rule !== 'calendar')
        .join(' '),
    ).toBe(said[role])
  }
})

it('invites only to roles that are given to invite to', () => {
  expect(mayInvite('administrator')).toEqual(Object.keys(roles))
  expect(mayInvite('instructor')).toEqual(['student', 'viewer'])
  for (const role of ['chemist', 'student', 'reviewer', 'viewer'] as const) expect(mayInvite(role)).toEqual([])
})

it('lets nobody decide about others by a password alone', () => {
  for (const role of Object.keys(roles) as Role[])
    expect(lets(as(role, { isStrong: false })).length === 0, role).toBe(needsSecondFactor(role))
  // The demo has no secrets to prove.
  expect(lets(as('administrator', { isStrong: false, via: 'demo' })).length).toBeGreaterThan(5)
})

it('does at the tablet what is done at a bench, whoever it is', () => {
  expect(lets(as('administrator', { via: 'tablet', isStrong: false }))).toEqual([
    'look',
    'plan',
    'record',
    'assay',
    'sign',
    'calendar',
  ])
  expect(lets(as('viewer', { via: 'tablet' }))).toEqual(['look', 'calendar'])
})

it('lets a key do what it is made for, and never more than its maker may', () => {
  const key = (role: Role, ...scopes: Scope[]): Rule[] => lets(as(role, { via: 'key', isStrong: false, scopes }))
  expect(key('chemist', 'read')).toEqual(['look', 'calendar'])
  expect(key('chemist', 'append')).toEqual(['record'])
  expect(key('chemist', 'calendar')).toEqual(['calendar'])
  expect(key('chemist', 'read', 'append')).toEqual(['look', 'record', 'calendar'])
  expect(key('viewer', 'append')).toEqual([])
  expect(key('administrator')).toEqual([])
})
