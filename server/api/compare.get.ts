import * as z from 'zod'
import { findBatch, isUnread } from '../db/batches'
import { recordSource } from '../db/record-source'
import { recordApart } from '../jobs/records'

const Codes = z.object({ a: z.string().max(20), b: z.string().max(20) })

/** Two batches side by side: amounts, times, yields, and what was different. */
export default answer('look', async (event, { access, db }) => {
  const codes = Codes.safeParse(getQuery(event))
  if (!codes.success) throw refusal(400, 'Name two batches, as “a” and “b”.')
  const [a, b] = await Promise.all(
    [codes.data.a, codes.data.b].map(async code => {
      const batch = code.includes('\0') ? undefined : await findBatch(db, access, code)
      if (!batch || isUnread(batch)) throw refusal(404, `There is no batch ${code} that can be understood.`)
      return recordSource(db, access, batch)
    }),
  )
  return recordApart({ do: 'compare', a: a!, b: b! })
})
