import { vialsOf } from '#core/record'
import { bottlesMadeBy } from '../../../db/bottles'
import { recordSource } from '../../../db/record-source'

/** What the stages of a batch gave, as vials that can be put onto the shelf, and those that stand there already. */
export default answer('look', async (event, { access, db }) => {
  const batch = await requireBatch(event, db, access)
  const [source, onShelf] = await Promise.all([recordSource(db, access, batch), bottlesMadeBy(db, access, batch.code)])
  return { vials: vialsOf(source), onShelf }
})
