import type { LaneStep } from '#core/journal'
import { calendarOf } from '../calendar'
import { lanesUnderWay } from '../db/briefs'

const MOST = 500

/** The lab's dues as a calendar to save or to subscribe to. */
export default defineEventHandler(async event => {
  const db = useDatabase()
  const lab = await requireLab(db)
  await freshen(db, lab.id)
  const rows = await lanesUnderWay(db, lab.id, MOST, 0)
  const lanes = rows.map(({ code, brief, lane }) => ({
    code,
    title: (JSON.parse(brief) as { title: string }).title,
    steps: JSON.parse(lane) as LaneStep[],
  }))
  setResponseHeaders(event, {
    'content-type': 'text/calendar; charset=utf-8',
    'content-disposition': 'inline; filename="bench.ics"',
  })
  return calendarOf(lab.name, lanes, Date.now(), lab.settings.hours)
})
