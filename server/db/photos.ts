import { createHash } from 'node:crypto'
import type { Knex } from 'knex'

export type PhotoType = 'image/jpeg' | 'image/png' | 'image/webp'

export const MOST_PHOTO_BYTES = 6_000_000

/** Keeps a photo under its SHA-256; the same photo twice is kept once. */
export async function keepPhoto(db: Knex, batchId: string, type: PhotoType, data: Buffer): Promise<string> {
  const sha256 = createHash('sha256').update(data).digest('hex')
  await db('photos').insert({ batch_id: batchId, sha256, type, data }).onConflict(['batch_id', 'sha256']).ignore()
  return sha256
}

/** Of so many names, those under which a batch has no photo. */
export async function missingPhotos(
  db: Knex,
  place: { readonly lab: string; readonly code: string },
  names: readonly string[],
): Promise<string[]> {
  const there: string[] = await db('photos')
    .join('batches', 'batches.id', 'photos.batch_id')
    .where({ 'batches.lab_id': place.lab, 'batches.code': place.code })
    .whereIn('sha256', names)
    .pluck('sha256')
  return names.filter(name => !there.includes(name))
}

export const findPhoto = (
  db: Knex,
  batchId: string,
  sha256: string,
): Promise<{ type: PhotoType; data: Buffer } | undefined> =>
  db('photos').where({ batch_id: batchId, sha256 }).first('type', 'data')
