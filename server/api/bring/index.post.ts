import * as z from 'zod'
import { bringBatch, bringPlan } from '../../db/bring'
import { note } from '../../db/happenings'

const Ids = z.enum(['kept', 'new'])

/**
 * Brings batches in, all of them or none. With `ids=kept` what is here already is left alone, and a conflict refuses the whole; with `ids=new` each becomes a batch of its own
 * beside what is here. Nothing is overwritten.
 */
export default answer('move', async (event, { access, db }) => {
  const ids = Ids.safeParse(getQuery(event).ids ?? 'kept')
  if (!ids.success) throw refusal(400, '“ids” is “kept” or “new”.')
  const found = await readBrought(event)
  const stand = await standings(db, access, found)
  const clash = stand.filter(({ is }) => is === 'differs')
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
      for (const [i, one] of found.entries()) {
        if (one.is === 'plan') codes.push(await bringPlan(trx, access, one.document))
        else if (ids.data === 'new' || stand[i]?.is === 'new')
          codes.push(await bringBatch(trx, access, { ...one, keys }, ids.data))
      }
      await note(trx, access, 'data.brought', codes.join(', '))
      return codes
    })
    .catch((error: unknown) => {
      if ((error as { code?: string }).code !== '23505') throw error
      throw refusal(409, 'Entries of it are here already, in another batch. Nothing was brought in.', [
        { at: 'ids', code: 'bring.taken', why: 'Ids of entries are taken.', fix: 'Bring it under new ids.' },
      ])
    })
  for (const code of brought) announce(db, access.lab, code)
  setResponseStatus(event, 201)
  return { brought, there: stand.filter(({ is }) => is === 'there').map(({ code }) => code) }
})
