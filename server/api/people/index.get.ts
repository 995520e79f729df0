import { listHappenings, whats } from '../../db/happenings'
import { listDevices } from '../../db/devices'
import { listKeys } from '../../db/keys'
import { findLab } from '../../db/people'

const MOST = 100

/** What an administrator sees of the lab’s people: their tablets, their keys, and what happened at the door. */
export default answer('people', async (_, { access, db }) => {
  const [lab, devices, keys, happenings] = await Promise.all([
    findLab(db, access),
    listDevices(db, access),
    listKeys(db, access),
    listHappenings(db, access, MOST),
  ])
  return {
    people: lab?.people ?? [],
    devices: devices.map(({ id, name, added_at, added_by }) => ({ id, name, addedAt: added_at, addedBy: added_by })),
    keys,
    happenings: happenings.map(({ at, person_id, what, about }) => ({
      at,
      ...(person_id && { person: person_id }),
      what: whats[what] ?? what,
      about,
    })),
  }
})
