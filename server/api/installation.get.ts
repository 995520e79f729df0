import { publicKeys } from '../db/keyring'

/** The public keys of this installation, by which anybody can prove what it signed. */
export default answerAnyone(async (_, db) => ({ keys: await publicKeys(db) }))
