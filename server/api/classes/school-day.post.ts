import { schoolAssay, schoolDay, schoolEntries, schoolRoster, WANTS_HELP } from '#demo'
import { computePlan } from '#core/sheet'
import { findBatch, isUnread, saveDocument } from '../../db/batches'
import { addClass, askForHelp, groupsOf, keyOf, listClasses, putRoster } from '../../db/classes'
import { findLab } from '../../db/people'

const FROM = 'NI-014'

/** The school day of the demo, as it stands in the middle of the day; only in the demo's lab, and once. */
export default answer('invite', async (event, { access, db }) => {
  if (!(await findLab(db, access))?.isDemo) throw refusal(409, 'The school day is the demo’s alone.')
  const there = (await listClasses(db, access)).find(({ plan }) => plan.name === schoolDay.name)
  if (there) return { id: there.id }
  const batch = await findBatch(db, access, FROM)
  if (!batch || isUnread(batch)) throw refusal(404, `The demo’s ${FROM} is not here any more.`)
  const { title, plan } = batch.document
  const made = await addClass(db, access, {
    ...schoolDay,
    document: { format: 'zip-ledger/batch', version: 2, title, plan },
  })
  await putRoster(
    db,
    access,
    made.id,
    schoolRoster.map((name, i) => ({ name, group: Math.floor(i / 2) + 1 })),
  )
  const key = await keyOf(db, access, made.id)
  for (const { number, batch: code, batchId } of await groupsOf(db, access, made.id)) {
    const run = await findBatch(db, access, code)
    if (!run || isUnread(run)) continue
    const sheet = computePlan(run.document.plan)
    const expected = sheet.ok ? sheet.value.overall.theoretical.value : 0
    const entries = schoolEntries(new Date(), access.person, number, run.document, expected)
    if (entries.length > 0) await append(useDatabase(), { access, code, entries })
    const assay = schoolAssay(number, Number(key?.[String(number)]))
    if (assay) await saveDocument(db, access, code, run.version, { ...run.document, assays: [assay] })
    if (number === WANTS_HELP) await askForHelp(db, access, batchId, true)
    announce(db, access.lab, code)
  }
  setResponseStatus(event, 201)
  return { id: made.id }
})
