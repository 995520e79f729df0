import { findPhoto } from '../../../../db/photos'

export default answer('look', async (event, { access, db }) => {
  const batch = await requireBatch(event, db, access)
  const name = getRouterParam(event, 'sha256') ?? ''
  const photo = /^[0-9a-f]{64}$/.test(name) ? await findPhoto(db, access, batch.id, name) : undefined
  if (!photo) throw refusal(404, 'There is no such picture.')
  setResponseHeaders(event, {
    'content-type': photo.type,
    'content-length': photo.data.length,
    'cache-control': 'private, max-age=31536000, immutable',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'",
  })
  return photo.data
})
