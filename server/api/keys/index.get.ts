import { listKeys } from '../../db/keys'

/** One’s own keys for scripts and instruments. */
export default answer('key', (_, { access, db }) => listKeys(db, access, access.person))
