import { listBottles } from '../db/bottles'
import { recordApart } from '../jobs/records'
import { A_SHEET } from '../print/label-pdf'

/** Ten sheets: more are not cut in one go. */
const MOST = 10 * A_SHEET

/** Labels of the bottles that a search finds, on sheets of A4; `from` is the first free place of the first sheet. */
export default answer('look', async (event, { access, db }) => {
  const { q, from = '1' } = getQuery(event)
  const first = Number(from)
  if (!Number.isInteger(first) || first < 1 || first > A_SHEET)
    throw refusal(400, `“from” is the first free place of a sheet, 1 to ${A_SHEET}.`)
  const words = typeof q === 'string' ? q.slice(0, 200) : ''
  if (words.includes('\0') || !words.isWellFormed())
    throw refusal(400, '“q” holds characters that nothing on a shelf has.')
  const { bottles } = await listBottles(db, access, { words, most: MOST })
  if (bottles.length === 0) throw refusal(404, 'The search finds no bottle to label.')
  const { labels, lab } = await labelsFor(event, db, access, bottles)
  const data = await recordApart({ do: 'paper', paper: { is: 'labels', labels, lab, at: new Date(), from: first } })
  return sendPdf(event, 'labels.pdf', data)
})
