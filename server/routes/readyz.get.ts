/** The process answers, goes on, and so does its database, with the tables of this version; a 503 says what is missing. */
export default defineEventHandler(async () => {
  if (isStopping()) throw refusal(503, 'This process is about to stop; another takes over.')
  const db = useDatabase()
  await db.raw('select 1')
  await requireTables(db)
  return { is: 'ready' }
})
