import { publicKeys } from '../db/keyring'
import { standInAuthority } from '../db/stamps'

/** The public keys of this installation, by which anybody can prove what it signed, and who stamps the time on it: an address, or the stand-in with its certificate. */
export default answerAnyone(async (_, db) => {
  const by = stampsBy()
  return {
    keys: await publicKeys(db),
    ...(by !== undefined && {
      timeStamps: { by, ...(by === STAND_IN && { certificate: (await standInAuthority(db)).certificate }) },
    }),
  }
})
