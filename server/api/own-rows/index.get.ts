import { listOwnRows } from '../../db/own-rows'

export default defineEventHandler(async () => {
  const db = useDatabase()
  const lab = await requireLab(db)
  return listOwnRows(db, lab.id)
})
