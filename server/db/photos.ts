import { createHash } from 'node:crypto'
import type { Knex } from 'knex'
import type { Access } from '../access/access'

export type PhotoType = 'image/jpeg' | 'image/png' | 'image/webp'

export const MOST_PHOTO_BYTES = 6_000_000

/** Keeps a photo under its SHA-256; the same photo twice is kept once. */
export async function keepPhoto(
  db: Knex,
  { lab }: Access,
  batchId: string,
  type: PhotoType,
  data: Buffer,
): Promise<string> {
  const sha256 = createHash('sha256').update(data).digest('hex')
  await db('photos')
    .insert({ lab_id: lab, batch_id: batchId, sha256, type, data })
    .onConflict(['lab_id', 'batch_id', 'sha256'])
    .ignore()
  return sha256
}

/** Of so many names, those under which a batch has no photo. */
export async function missingPhotos(
  db: Knex,
  { lab }: Access,
  code: string,
  names: readonly string[],
): Promise<string[]> {
  const there: string[] = await db('photos')
    .join('batches', { 'batches.lab_id': 'photos.lab_id', 'batches.id': 'photos.batch_id' })
    .where({ 'batches.lab_id': lab, 'batches.code': code })
    .whereIn('sha256', names)
    .pluck('sha256')
  return names.filter(name => !there.includes(name))
}

export const findPhoto = (
  db: Knex,
  { lab }: Access,
  batchId: string,
  sha256: string,
): Promise<{ type: PhotoType; data: Buffer } | undefined> =>
  db('photos').where({ lab_id: lab, batch_id: batchId, sha256 }).first('type', 'data')
