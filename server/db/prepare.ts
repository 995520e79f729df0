import { demoBatches, demoBottles, demoLab, type DemoBatch } from '#demo'
import type { Entry } from '#core/journal'
import { makeAccess, type Access } from '../access/access'
import { appendMany, type Append } from './append'
import { insertBatch } from './batches'
import { addBottles } from './bottles'
import { connect } from './connect'
import { makeLink } from './links'
import { migrate } from './migrate'
import { addLab, standOfLabs } from './people'
import { prepareQueue } from '../jobs/queue'
import { grantApp } from './role'

/**
 * Migrates, loads the demo into an empty database, whole or not at all, and lets the application in under a role of its own where `APP_PASSWORD` gives it one. As long
 * as no lab has an administrator, prints `first` and the mark of a link that makes one; otherwise `ready`.
 */
const db = connect(process.env.DATABASE_URL ?? '', { long: true })
const byPerson = (person: string): Access =>
  makeAccess({ lab: demoLab.id, person, role: 'chemist', via: 'setup', isStrong: false })

/** The entries of one person after the other, in their order. */
const appendsOf = (code: string, entries: readonly Entry[]): Append[] =>
  entries.reduce<Append[]>((runs, entry) => {
    const last = runs.at(-1)
    return last?.access.person === entry.by
      ? [...runs.slice(0, -1), { ...last, entries: [...last.entries, entry] }]
      : [...runs, { access: byPerson(entry.by), code, entries: [entry] }]
  }, [])

async function loadDemo(trx: typeof db, { code, document, entries }: DemoBatch): Promise<void> {
  // Planned a quarter of an hour before the first of it was recorded.
  const first = entries[0] && new Date(Date.parse(entries[0].at) - 900_000)
  const { id } = await insertBatch(trx, byPerson(demoLab.people[0].id), code, document, first)
  if (entries.length === 0) return
  for (const appended of await appendMany(trx, appendsOf(code, entries)))
    if (!appended.ok) throw new Error(`The demo batch ${code} was refused: ${JSON.stringify(appended.problem)}`)
  await trx('batches')
    .where({ id })
    .update({ touched_at: entries.at(-1)!.at })
}

try {
  await migrate(db)
  const [lab] = await db('labs').limit(1)
  if (!lab) {
    await db.transaction(async trx => {
      await addLab(trx, { ...demoLab, isDemo: true })
      for (const batch of demoBatches(new Date())) await loadDemo(trx, batch)
      await addBottles(trx, byPerson(demoLab.people[0].id), demoBottles(new Date()))
    })
    console.log('Demo data loaded.')
  } else await db('labs').where({ id: demoLab.id }).update({ is_demo: true })
  for (const { id, role } of demoLab.people) await db('people').where({ id, lab_id: demoLab.id }).update({ role })
  const { APP_PASSWORD: password } = process.env
  if (password) await grantApp(db, password)
  await prepareQueue(db)
  const { isSetUp } = await standOfLabs(db)
  console.log(isSetUp ? 'ready' : `first ${await makeLink(db, { kind: 'first' })}`)
} finally {
  await db.destroy()
}
