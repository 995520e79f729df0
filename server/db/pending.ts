import { connect } from './connect'
import { newerText, standOf } from './migrate'

/** Prints the migrations that a database with data in it still needs, or `newer` and why it cannot be used; nothing where all is well. */
const db = connect(process.env.DATABASE_URL ?? '', { long: true })
try {
  const stand = await standOf(db)
  if (stand.is === 'newer') console.log(`newer ${newerText(stand.by)}`)
  else if (stand.is === 'behind') console.log(stand.by.join(' '))
} finally {
  await db.destroy()
}
