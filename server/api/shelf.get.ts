import { lookAt } from '#core/shelf'
import { bottlesIn, fullBottles, placesOf } from '../db/bottles'
import { findLab } from '../db/people'

/** What on the shelf is worth a look, and its places; with `place`, the bottles that stand there instead. */
export default answer('look', async (event, { access, db }) => {
  const { place } = getQuery(event)
  if (typeof place === 'string') {
    if (place.length > 80 || place.includes('\0') || !place.isWellFormed())
      throw refusal(400, '“place” is the name of a place of the shelf.')
    return { bottles: await bottlesIn(db, access, place) }
  }
  const [bottles, lab, places] = await Promise.all([fullBottles(db, access), findLab(db, access), placesOf(db, access)])
  return { ...lookAt(bottles, lab?.settings.limits ?? [], new Date().toISOString().slice(0, 10)), places }
})
