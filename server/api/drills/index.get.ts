import { listAnswers } from '../../db/drills'

/** One's own answers, in their order; how one stands is folded out of them where it is shown. */
export default answer('look', async (_, { access, db }) => ({ answers: await listAnswers(db, access) }))
