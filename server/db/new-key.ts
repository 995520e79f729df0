import { connect } from './connect'
import { renewKey } from './keyring'

const db = connect(process.env.DATABASE_URL ?? '')
try {
  const { id, publicKey } = await renewKey(db)
  console.log(
    `Records are signed by the key ${id} from now on. Its public half, to be kept by whoever checks them:\n${publicKey}`,
  )
} catch (error) {
  console.error(`No key was made: ${(error as Error).message}`)
  process.exitCode = 1
} finally {
  await db.destroy()
}
