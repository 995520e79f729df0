import * as z from 'zod'
import { touchBatches } from '../../db/batches'
import { bringBatch, bringPlan } from '../../db/bring'
import { bringThing } from '../../db/lab-things'
import { note } from '../../db/happenings'

const Ids = z.enum(['kept', 'new'])

/**
 * Brings batches in, all of them or none, and what their lab keeps beside them. With `ids=kept` what is here already is left alone, and a batch in conflict refuses the whole; with `ids=new` each becomes a batch of its own
 * beside what is here. Nothing is overwritten: of a row, template or worksheet that says something else than the one here, the answer says that it was left.
 */
export default answer('move', async (event, { access, db }) => {
  const ids = Ids.safeParse(getQuery(event).ids ?? 'kept')
  if (!ids.success) throw refusal(400, '“ids” is “kept” or “new”.')
  const found = await readBrought(event)
  const stand = await standings(db, access, found)
  const clash = stand.flatMap(one => (one.what === 'batch' && one.is === 'differs' ? [one] : []))
  if (ids.data === 'kept' && clash.length > 0)
    throw refusal(
      409,
      'Some of it is here already, and says something else. Nothing was brought in.',
      clash.map(({ code }) => ({
        at: code,
        code: 'bring.differs',
        why: 'A batch of this id is here, with another content.',
        fix: 'Bring it under new ids, as a copy beside it.',
      })),
    )
  const keys = await keysByName()
  const brought = await db
    .transaction(async trx => {
      const codes: string[] = []
      const things: string[] = []
      const left: string[] = []
      for (const [i, one] of found.entries()) {
        const here = stand[i]!
        if (one.is === 'plan') codes.push(await bringPlan(trx, access, one.document))
        else if (one.is === 'batch') {
          if (ids.data === 'new' || here.is === 'new')
            codes.push(await bringBatch(trx, access, { ...one, keys }, ids.data))
        } else if (here.what !== 'batch') {
          if (await bringThing(trx, access, one, here, ids.data)) things.push(here.title)
          else if (here.is === 'differs') left.push(here.title)
        }
      }
      await note(trx, access, 'data.brought', [...codes, ...things].join(', '))
      return { codes, things, left }
    })
    .catch((error: unknown) => {
      if ((error as { code?: string }).code !== '23505') throw error
      throw refusal(409, 'Entries of it are here already, in another batch. Nothing was brought in.', [
        { at: 'ids', code: 'bring.taken', why: 'Ids of entries are taken.', fix: 'Bring it under new ids.' },
      ])
    })
  await touchBatches(db, access, brought.codes)
  for (const code of brought.codes) announce(db, access.lab, code)
  setResponseStatus(event, 201)
  return {
    brought: brought.codes,
    there: stand.flatMap(one => (one.what === 'batch' && one.is === 'there' ? [one.code] : [])),
    things: brought.things,
    left: brought.left,
  }
})
