import { findBottle } from '../../../db/bottles'

/** The label of a bottle, as a PDF or as a picture for a label printer. */
export default answer('look', async (event, { access, db }) => {
  const code = requireCode(event)
  const bottle = await findBottle(db, access, code)
  if (!bottle) throw refusal(404, `There is no bottle ${code}.`)
  const { labels, lab } = await labelsFor(event, db, access, [bottle])
  return sendLabel(event, labels[0]!, lab)
})
