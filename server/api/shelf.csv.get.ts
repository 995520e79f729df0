import { shelfCsv } from '../utils/shelf-out'

/** The shelf as a table to keep, which can be brought in again: every bottle, the empty ones too. */
export default answer('look', async (event, { access, db }) => {
  setResponseHeaders(event, {
    'content-type': 'text/csv; charset=utf-8',
    'content-disposition': 'attachment; filename="shelf.csv"',
    'cache-control': 'no-store',
  })
  return shelfCsv(db, access)
})
