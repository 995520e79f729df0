import sharp from 'sharp'
import type { PhotoType } from './photos'

/** More than this many pixels is no photo of a bench, but something to fill the memory with. */
const MOST_PIXELS = 60_000_000
/** Longer edges are made smaller: what is seen in a dish is seen at this. */
const LONGEST_EDGE = 2400
const QUALITY = 85
const types = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' } as const

/**
 * A picture drawn anew from its pixels: upright, no larger than is looked at, without where and by what it was taken, and without anything that lay behind or between them. Undefined for what
 * does not decode whole. The same bytes give the same picture.
 */
export async function drawnAnew(data: Buffer): Promise<{ type: PhotoType; data: Buffer } | undefined> {
  try {
    const picture = sharp(data, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
    const { format } = await picture.metadata()
    const upright = picture
      .autoOrient()
      .resize({ width: LONGEST_EDGE, height: LONGEST_EDGE, fit: 'inside', withoutEnlargement: true })
    switch (format) {
      case 'jpeg':
        return { type: types[format], data: await upright.jpeg({ quality: QUALITY }).toBuffer() }
      case 'png':
        return { type: types[format], data: await upright.png().toBuffer() }
      case 'webp':
        return { type: types[format], data: await upright.webp({ quality: QUALITY }).toBuffer() }
      default:
        return undefined
    }
  } catch {
    return undefined
  }
}
