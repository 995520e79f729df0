import { createHash } from 'node:crypto'
import type { Knex } from 'knex'

export type PhotoType = 'image/jpeg' | 'image/png' | 'image/webp'

export const MOST_PHOTO_BYTES = 6_000_000

/** What the bytes are, told by how they begin and not by what somebody calls them; undefined for anything but a picture we keep. */
export function photoTypeOf(data: Buffer): PhotoType | undefined {
  if (data.length > 3 && data.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))) return 'image/jpeg'
  if (data.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]))) return 'image/png'
  if (data.subarray(0, 4).toString('latin1') === 'RIFF' && data.subarray(8, 12).toString('latin1') === 'WEBP')
    return 'image/webp'
  return undefined
}

/** Keeps a photo under its SHA-256; the same photo twice is kept once. */
export async function keepPhoto(db: Knex, batchId: string, type: PhotoType, data: Buffer): Promise<string> {
  const sha256 = createHash('sha256').update(data).digest('hex')
  await db('photos').insert({ batch_id: batchId, sha256, type, data }).onConflict(['batch_id', 'sha256']).ignore()
  return sha256
}

export const findPhoto = (
  db: Knex,
  batchId: string,
  sha256: string,
): Promise<{ type: PhotoType; data: Buffer } | undefined> =>
  db('photos').where({ batch_id: batchId, sha256 }).first('type', 'data')
