import { note } from '../../db/happenings'

/** All of the lab’s data in one archive, written while it is sent; `name` is a name by which its progress can be asked for. */
export default answer('move', async (event, { access, db }) => {
  const { name } = getQuery(event)
  const codes: string[] = await db('batches').where({ lab_id: access.lab }).orderBy('code').pluck('code')
  await note(db, access, 'data.taken', `${codes.length} batches`)
  return sendZip(
    event,
    'lab.zip',
    labFiles(db, access, codes, typeof name === 'string' && /^[\w-]{1,60}$/.test(name) ? name : ''),
  )
})
