import { listPractice } from '../../db/practice'

/** One's own practice runs. */
export default answer('look', (_, { access, db }) => listPractice(db, access))
