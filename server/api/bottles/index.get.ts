import { reservedOf, sumReserved } from '#core/shelf'
import { listBottles, openNeeds } from '../../db/bottles'

const MOST = 200

/** Bottles of the shelf, two hundred at once, each with what open batches have reserved of it: `q` searches formula, name, place, lot and code; `empty` shows those that are empty too; `after` goes on behind a number. */
export default answer('look', async (event, { access, db }) => {
  const { q, empty, after } = getQuery(event)
  const from = Number(after ?? 0)
  if (!Number.isInteger(from) || from < 0 || from > 2 ** 31 - 1)
    throw refusal(400, '“after” is the number that the answer before gave.')
  if (typeof q === 'string' && (q.includes('\0') || !q.isWellFormed()))
    throw refusal(400, '“q” holds characters that nothing on a shelf has.')
  await freshen(access)
  const [found, needs] = await Promise.all([
    listBottles(db, access, {
      words: typeof q === 'string' ? q.slice(0, 200) : '',
      withEmpty: empty !== undefined,
      after: from,
      most: MOST,
    }),
    openNeeds(db, access),
  ])
  const named = new Set(needs.map(({ bottle }) => bottle))
  return {
    ...found,
    bottles: found.bottles.map(bottle =>
      named.has(bottle.code) ? { ...bottle, held: sumReserved(reservedOf(bottle, needs)) } : bottle,
    ),
  }
})
