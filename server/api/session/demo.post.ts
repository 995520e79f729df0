import * as z from 'zod'
import { openPeople, standOfLabs } from '../../db/people'

export const Body = z.strictObject({ person: z.uuid().optional() })

/** Takes somebody of the demo’s list, at the machine itself and nowhere else. */
export default answerAnyone(async (event, db) => {
  const { person } = await readJson(event, Body)
  const { demo } = await standOfLabs(db)
  if (!isDemoOpen(event) || !demo)
    throw refusal(403, 'People are chosen from a list in the demo only, on the machine where it runs.')
  const all = await openPeople(db, demo)
  const chosen = person === undefined ? all[0] : all.find(({ id }) => id === person)
  if (!chosen) throw refusal(404, 'There is nobody like that in the demo.')
  await letIn(event, { via: 'demo', lab: demo, person: chosen.id, isStrong: true })
  return { isIn: true }
})
