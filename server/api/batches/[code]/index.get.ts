export default defineEventHandler(async event => {
  const db = useDatabase()
  const { code, version, document, touchedAt } = await requireBatch(event, db, await requireLab(db))
  return { code, version, document, touchedAt }
})
