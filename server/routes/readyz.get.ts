/** The process answers and so does its database, with the tables of this version; a 503 says what is missing. */
export default defineEventHandler(async () => {
  const db = useDatabase()
  await db.raw('select 1')
  await requireTables(db)
  return { is: 'ready' }
})
