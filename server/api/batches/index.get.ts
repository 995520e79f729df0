import * as z from 'zod'
import { listBriefs } from '../../db/briefs'

/** So many at once. */
const MOST = 300
const Query = z.object({
  words: z.string().max(120).optional(),
  from: z.coerce.number().int().min(0).max(1_000_000).optional(),
})
/** ms. */
const LONGEST = 5000

/** The lab's batches with where each stands, last touched first, 300 at once; `words` finds by code, title or product, `from` skips the first ones. */
export default answer('look', async (event, { access, db }) => {
  const query = Query.safeParse(getQuery(event))
  if (!query.success) throw refusal(400, '“words” is a part of a code, title or product, “from” a number of batches.')
  await freshenAll(access, LONGEST)
  const rows = await listBriefs(db, access, { words: query.data.words ?? '', from: query.data.from ?? 0, most: MOST })
  setResponseHeader(event, 'content-type', 'application/json')
  return `[${rows
    .map(
      ({ code, touched_at, brief }) =>
        `{"code":${JSON.stringify(code)},"touchedAt":"${touched_at.toISOString()}",${brief.slice(1)}`,
    )
    .join(',')}]`
})
