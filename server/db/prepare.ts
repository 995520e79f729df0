import { demoBatches, demoLab } from '#demo'
import { appendMany } from './append'
import { insertBatch } from './batches'
import { connect } from './connect'
import { migrate } from './migrate'
import { addLab, findLab } from './people'
import { grantApp } from './role'

/** Migrates, loads the demo into an empty database, whole or not at all, and lets the application in under a role of its own where `APP_PASSWORD` gives it one. */
const db = connect(process.env.DATABASE_URL ?? '', { long: true })
try {
  await migrate(db)
  if (!(await findLab(db))) {
    await db.transaction(async trx => {
      await addLab(trx, demoLab)
      for (const { code, document, entries } of demoBatches(new Date())) {
        const { id } = await insertBatch(trx, demoLab.id, code, document)
        if (entries.length === 0) continue
        const [appended] = await appendMany(trx, [{ lab: demoLab.id, code, entries }])
        if (!appended?.ok) throw new Error(`The demo batch ${code} was refused.`)
        await trx('batches')
          .where({ id })
          .update({ touched_at: entries.at(-1)!.at })
      }
    })
    console.log('Demo data loaded.')
  }
  const { APP_PASSWORD: password } = process.env
  if (password) await grantApp(db, password)
} finally {
  await db.destroy()
}
