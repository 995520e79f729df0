import { connect } from './connect'
import { findBreak, missingBatches } from './chain'
import { findRevisionBreak } from './revisions'

/** Proves the chain of a batch's journal, or of every batch's, or names the entry at which it is broken. */
const wanted = process.argv.slice(2)
const db = connect(process.env.DATABASE_URL ?? '', { long: true })
let broken = 0
try {
  const batches: { id: string; lab_id: string; code: string; last_seq: number }[] = await db('batches')
    .modify(query => (wanted.length > 0 ? query.whereIn('code', wanted) : query))
    .orderBy('code')
    .select('id', 'lab_id', 'code', 'last_seq')
  for (const code of wanted.filter(one => !batches.some(batch => batch.code === one))) {
    console.log(`${code}: there is no such batch`)
    broken += 1
  }
  for (const { id, lab_id, code, last_seq } of batches) {
    const at = await findBreak(db, lab_id, id)
    const plan = await findRevisionBreak(db, lab_id, { kind: 'batch', subject: id })
    if (plan) {
      broken += 1
      console.log(`${code}: its plan is broken at revision ${plan.number}: ${plan.why}`)
    } else if (!at) console.log(`${code}: whole, ${last_seq} entries`)
    else {
      broken += 1
      console.log(`${code}: broken at entry ${at.seq}${at.id ? `, ${at.id}` : ''}: ${at.why}`)
    }
  }
  for (const { code, why } of wanted.length > 0 ? [] : await missingBatches(db)) {
    console.log(`${code}: ${why}`)
    broken += 1
  }
} finally {
  await db.destroy()
}
process.exitCode = broken > 0 ? 1 : 0
