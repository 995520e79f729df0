/** What people are in a lab. One person may be another thing in another lab. */
export const roles = {
  administrator: 'Administrator',
  instructor: 'Instructor',
  chemist: 'Chemist',
  student: 'Student',
  reviewer: 'Reviewer',
  viewer: 'Viewer',
} as const
export type Role = keyof typeof roles

/** What can be done in a lab, in the words of the page that shows who may. */
export const actions = {
  look: 'See batches, bench, assays, tables and who is here',
  plan: 'Begin batches, change plans and procedures',
  record: 'Record at the bench: readings, what is seen, pictures, corrections',
  assay: 'Keep worksheets that stand alone',
  keep: 'Add to the lab’s own tables and templates, and take away',
  sign: 'Sign a record as its author, seal it, add to a sealed one',
  review: 'Comment on a record, send it back, countersign and seal it',
  move: 'Take all of the lab’s data out, and bring batches in',
  settle: 'Set hours, equipment, the air of the room, limits of the shelf',
  key: 'Make keys for scripts and instruments',
  invite: 'Invite students and viewers',
  people: 'Invite anyone, change roles, close people, help them back in, enrol the bench’s tablet, see what happened',
} as const
export type Action = keyof typeof actions

/** Who may do what: the one table, which the server asks and the page shows. */
const table: Readonly<Record<Role, readonly Action[]>> = {
  administrator: [
    'look',
    'plan',
    'record',
    'assay',
    'keep',
    'sign',
    'review',
    'move',
    'settle',
    'key',
    'invite',
    'people',
  ],
  instructor: ['look', 'plan', 'record', 'assay', 'keep', 'sign', 'review', 'move', 'settle', 'key', 'invite'],
  chemist: ['look', 'plan', 'record', 'assay', 'keep', 'sign', 'settle', 'key'],
  student: ['look', 'plan', 'record', 'assay', 'sign'],
  reviewer: ['look', 'review'],
  viewer: ['look'],
}

/** True where somebody in this role may do it. */
export const may = (role: Role, action: Action): boolean => table[role].includes(action)

/** The roles that somebody in this role may invite others to. */
export const mayInvite = (role: Role): readonly Role[] =>
  may(role, 'people') ? (Object.keys(roles) as Role[]) : may(role, 'invite') ? ['student', 'viewer'] : []

/** Who decides about others, or about what they made, proves by a second factor that it is they. */
export const needsSecondFactor = (role: Role): boolean => role === 'administrator' || role === 'reviewer'
