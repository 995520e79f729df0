import * as z from 'zod'
import { countBriefs, lanesUnderWay, plannedOnes, type BriefRow } from '../db/briefs'

const MOST = 40
const FEW = 12
const From = z.coerce.number().int().min(0).max(1_000_000)

/** The lab's present: batches under way with their lanes and clocks, what is due first; `from` skips the first ones. */
export default answer('look', async (event, { access, db }) => {
  const from = From.safeParse(getQuery(event).from ?? 0)
  if (!from.success) throw refusal(400, '“from” is a number of batches.')
  const isPending = await freshen(access)
  const [rows, fresh, counts] = await Promise.all([
    lanesUnderWay(db, access, MOST, from.data),
    plannedOnes(db, access, FEW),
    countBriefs(db, access),
  ])
  setResponseHeader(event, 'content-type', 'application/json')
  return `{"counts":${JSON.stringify(counts)},"isPending":${isPending},"batches":[${rows.map(jsonOf).join(',')}],"planned":[${fresh.map(jsonOf).join(',')}]}`
})

/** The parts are kept as JSON and go out as they are. */
const jsonOf = ({ code, touched_at, brief, lane }: BriefRow): string =>
  `{"code":${JSON.stringify(code)},"touchedAt":"${touched_at.toISOString()}","brief":${brief},"lane":${lane}}`
