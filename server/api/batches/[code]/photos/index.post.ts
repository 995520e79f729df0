import { keepPhoto, MOST_PHOTO_BYTES } from '../../../../db/photos'
import { drawnAnew } from '../../../../db/picture'

/** Keeps the picture that is the body; answers its name, for the entry that shows it. */
export default answer('record', async (event, { access, db }) => {
  await requirePictureMeasure(event, access)
  const data = await readBytes(event, MOST_PHOTO_BYTES, 'The picture is larger than 6 MB. Take a smaller one.')
  if (data.length === 0) throw refusal(400, 'There is no picture in the request.')
  const picture = await drawnAnew(data)
  if (!picture)
    throw refusal(415, 'This is not a JPEG, PNG or WebP picture that can be read whole, whatever its name says.')
  const batch = await requireBatch(event, db, access)
  setResponseStatus(event, 201)
  const { type } = picture
  return { photo: await keepPhoto(db, access, batch.id, type, picture.data), type }
})
