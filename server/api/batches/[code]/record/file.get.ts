/** One file of those that a batch is taken out as, by its path: batch.json, journal.csv, a curve. */
export default answer('look', async (event, { access, db }) => {
  const batch = await requireBatch(event, db, access)
  const { path } = getQuery(event)
  for await (const file of batchFiles(event, db, access, batch, { hasPaper: false, isQuick: true })) {
    if (file.path !== path) continue
    const name = `${batch.code}-${file.path.split('/').at(-1)}`.replace(/[^A-Za-z0-9._-]/g, '-')
    setResponseHeaders(event, {
      'content-type':
        file.type.startsWith('text/') || file.type.includes('json') ? `${file.type}; charset=utf-8` : file.type,
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'no-store',
      'x-content-type-options': 'nosniff',
      'content-security-policy': "default-src 'none'",
    })
    return file.data
  }
  throw refusal(404, 'A batch has no file of that name.')
})
