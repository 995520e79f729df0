import { listOwnRows } from '../../db/own-rows'

export default answer('look', (_, { access, db }) => listOwnRows(db, access))
