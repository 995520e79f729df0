import * as z from 'zod'
import { equipment } from '#core/journal'
import { saveSettings } from '../db/people'

const hour = z.number().min(0).max(24)
const Body = z.strictObject({
  hours: z
    .strictObject({ from: hour, to: hour, days: z.array(z.int().min(0).max(6)).max(7) })
    .refine(({ from, to }) => from < to, 'Hands begin before they end.'),
  have: z.partialRecord(z.enum(equipment), z.int().min(0).max(50)),
})

/** Saves when hands work and how many there are of each piece of equipment. */
export default defineEventHandler(async event => {
  const settings = await readJson(event, Body)
  const db = useDatabase()
  const lab = await requireLab(db)
  await saveSettings(db, lab.id, settings)
  return { ...lab, settings }
})
