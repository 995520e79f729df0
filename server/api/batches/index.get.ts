import { listBriefs } from '../../db/briefs'

/** The lab's batches with where each stands, last touched first. */
export default defineEventHandler(async event => {
  const db = useDatabase()
  const lab = await requireLab(db)
  while (await freshen(db, lab.id));
  const rows = await listBriefs(db, lab.id)
  setResponseHeader(event, 'content-type', 'application/json')
  return `[${rows
    .map(
      ({ code, touched_at, brief }) =>
        `{"code":${JSON.stringify(code)},"touchedAt":"${touched_at.toISOString()}",${brief.slice(1)}`,
    )
    .join(',')}]`
})
