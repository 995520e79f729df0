import { databaseLoad } from '../db/load'
import { listProcesses } from '../db/processes'
import { warningsOf } from '../seen/warnings'

/** How the installation stands: its processes, its database, what waits, the last backup and the last anchor. It tells of no lab. */
export default answer('people', async event => {
  const db = useDatabase()
  setResponseHeader(event, 'cache-control', 'no-store')
  const [processes, database] = await Promise.all([listProcesses(db), databaseLoad(db)])
  const now = new Date()
  return { at: now.toISOString(), warnings: warningsOf(processes, database, now), processes, database }
})
