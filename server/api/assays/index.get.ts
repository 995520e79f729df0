import { listAssays } from '../../db/assays'

export default answer('look', (_, { access, db }) => listAssays(db, access))
