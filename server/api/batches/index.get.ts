import { listBriefs } from '../../db/briefs'

/** The lab's batches with where each stands, last touched first. */
export default answer('look', async (event, { access, db }) => {
  while (await freshen(db, access));
  const rows = await listBriefs(db, access)
  setResponseHeader(event, 'content-type', 'application/json')
  return `[${rows
    .map(
      ({ code, touched_at, brief }) =>
        `{"code":${JSON.stringify(code)},"touchedAt":"${touched_at.toISOString()}",${brief.slice(1)}`,
    )
    .join(',')}]`
})
