import { listTemplates } from '../../db/templates'

export default defineEventHandler(async () => {
  const db = useDatabase()
  return listTemplates(db, (await requireLab(db)).id)
})
