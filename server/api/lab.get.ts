import { findLab } from '../db/people'

/** The lab of who asks, with its people. */
export default answer('look', (_, { access, db }) => findLab(db, access))
