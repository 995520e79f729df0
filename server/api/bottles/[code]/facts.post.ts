import * as z from 'zod'
import { factSchema } from '#core/shelf'
import { addFact } from '../../../db/bottles'

export const Body = z.strictObject({ fact: factSchema })

/** Adds what happened to a bottle, in the name of who asks. Sending it twice changes nothing. */
export default answer('record', async (event, { access, db }) => {
  const { fact } = await readJson(event, Body)
  const code = requireCode(event)
  if (fact.by !== access.person) throw refusal(403, 'Nobody records in another’s name.')
  const bottle = await addFact(db, access, code, fact)
  if (!bottle) throw refusal(404, `There is no bottle ${code}.`)
  setResponseStatus(event, 201)
  return bottle
})
