import { formulasOn } from '../../db/bottles'

/** What the shelf holds, by formula, with how many bottles of each are not empty. */
export default answer('look', async (_, { access, db }) => ({ formulas: await formulasOn(db, access) }))
