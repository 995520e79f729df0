import { listTemplates } from '../../db/templates'

export default answer('look', (_, { access, db }) => listTemplates(db, access))
