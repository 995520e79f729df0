import * as z from 'zod'
import { touchBatches } from '../../../db/batches'
import { addAnswerOf, askForHelp, classOfBatch } from '../../../db/classes'

export const Body = z.strictObject({
  help: z.boolean().exactOptional(),
  answer: z
    .strictObject({
      id: z.uuid(),
      question: z.string().min(1).max(40),
      body: z
        .string()
        .max(8000)
        .refine(text => !text.includes('\0') && text.isWellFormed()),
    })
    .exactOptional(),
})

/** A student asks for help, or no longer; or answers a question of the class. Each answer is kept, and the last counts. */
export default answer('record', async (event, { access, db }) => {
  const { help, answer: given } = await readJson(event, Body)
  const batch = await requireBatch(event, db, access)
  const found = await classOfBatch(db, access, batch.id)
  if (!found) throw refusal(409, `${batch.code} belongs to no class.`)
  await requireOpenClass(db, access, batch.code)
  if (given && !found.of.plan.questions.some(({ id }) => id === given.question))
    throw refusal(422, 'The class asks no such question.', [
      { at: 'answer.question', code: 'class.question', why: 'It asks none of that name.' },
    ])
  await db.transaction(async trx => {
    if (help !== undefined) await askForHelp(trx, access, batch.id, help)
    if (given) await addAnswerOf(trx, access, { ...given, batchId: batch.id })
    await touchBatches(trx, access, [batch.code])
  })
  announce(db, access.lab, batch.code)
  return { kept: true }
})
