import { listAssays } from '../../db/assays'

export default defineEventHandler(async () => {
  const db = useDatabase()
  return listAssays(db, (await requireLab(db)).id)
})
