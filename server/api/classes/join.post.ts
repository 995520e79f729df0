import * as z from 'zod'
import { joinClass } from '../../db/classes'
import { forLab } from '../../db/connect'
import { findLab } from '../../db/people'

export const Body = z.strictObject({
  code: z
    .string()
    .trim()
    .toLowerCase()
    .regex(/^[a-z0-9]{6}$/),
})

/** Joins a class by its code: in the place that the list keeps for one's name, or in the first group with room. */
export default answer('record', async (event, { access }) => {
  const { code } = await readJson(event, Body)
  if (access.via === 'key') throw refusal(403, 'A class is joined by a person, not by a key.')
  await requireTries(event, { name: `class ${access.person}`, isKnown: true })
  const db = forLab(useDatabase(), access.lab)
  const name = (await findLab(db, access))?.people.find(({ id }) => id === access.person)?.name ?? ''
  const joined = await joinClass(db, access, code, name)
  if (joined.is === 'joined') return { batch: joined.batch, group: joined.group }
  await countWrong(event, { name: `class ${access.person}`, isKnown: true })
  const why = {
    'no class': 'No class of this lab has that code. Look at the board again.',
    'not listed': `The list of this class has no free place for ${name}. Ask who teaches it.`,
    full: 'Every group of this class has its people. Ask who teaches it.',
  }[joined.is]
  throw refusal(joined.is === 'no class' ? 404 : 409, why, [{ at: 'code', code: 'class.join', why }])
})
