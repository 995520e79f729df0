export { actions, may, mayInvite, needsSecondFactor, roles, type Action, type Role } from './roles'
