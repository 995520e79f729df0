import type { LaneStep } from '#core/procedure'
import { calendarOf } from '../calendar'
import { findLab } from '../db/people'
import { lanesUnderWay } from '../db/briefs'

const MOST = 500
/** ms. */
const LONGEST = 20_000

/** The lab's dues as a calendar to save or to subscribe to. */
export default answer('calendar', async (event, { access, db }) => {
  // A calendar that subscribes takes what is not in the answer away: better none than half a one.
  if (await freshenAll(access, LONGEST)) {
    setResponseHeader(event, 'retry-after', 60)
    throw refusal(503, 'The batches are still being read. Ask again in a minute.')
  }
  const lab = await findLab(db, access)
  const rows = await lanesUnderWay(db, access, MOST, 0)
  const lanes = rows.map(({ code, brief, lane }) => ({
    code,
    title: (JSON.parse(brief) as { title: string }).title,
    steps: JSON.parse(lane) as LaneStep[],
  }))
  setResponseHeaders(event, {
    'content-type': 'text/calendar; charset=utf-8',
    'content-disposition': 'inline; filename="bench.ics"',
  })
  return calendarOf(lab?.name ?? '', lanes, Date.now(), lab?.settings.hours)
})
