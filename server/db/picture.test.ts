import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { drawnAnew } from './picture'

const dish = () => sharp({ create: { width: 40, height: 20, channels: 3, background: '#2b64c4' } })

describe('a picture drawn anew', () => {
  it.each(['jpeg', 'png', 'webp'] as const)(
    '%s keeps its kind and size, and loses where it was taken',
    async format => {
      const taken = await dish()
        .withExif({ IFD0: { Artist: 'somebody', Orientation: '1' }, IFD3: { GPSLatitude: '54/1 0/1 0/1' } })
        .toFormat(format)
        .toBuffer()
      expect((await sharp(taken).metadata()).exif).toBeDefined()
      const { type, data } = (await drawnAnew(taken))!
      expect(type).toBe(`image/${format}`)
      const { exif, xmp, width, height } = await sharp(data).metadata()
      expect({ exif, xmp, width, height }).toEqual({ exif: undefined, xmp: undefined, width: 40, height: 20 })
    },
  )
  it('stands upright, as the camera said', async () => {
    const lying = await dish().withMetadata({ orientation: 6 }).jpeg().toBuffer()
    const { width, height, orientation } = await sharp((await drawnAnew(lying))!.data).metadata()
    expect({ width, height, orientation }).toEqual({ width: 20, height: 40, orientation: undefined })
  })
  it('keeps nothing of what lay behind the pixels', async () => {
    const png = await dish().png().toBuffer()
    const stuffed = Buffer.concat([png, Buffer.from('<script>alert(1)</script>'.repeat(1000))])
    const { data } = (await drawnAnew(stuffed))!
    expect(data.includes('script')).toBe(false)
    expect(data.length).toBeLessThan(png.length + 200)
  })
  it('is the same for the same bytes', async () => {
    const jpeg = await dish().jpeg().toBuffer()
    expect((await drawnAnew(jpeg))!.data.equals((await drawnAnew(jpeg))!.data)).toBe(true)
  })
  it.each([
    [
      'a PNG’s first bytes with anything behind',
      Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), Buffer.alloc(5000, 7)]),
    ],
    ['half a picture', Buffer.from('ffd8ffe000104a46494600010100', 'hex')],
    ['a drawing that runs', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>')],
    ['nothing', Buffer.alloc(0)],
  ])('%s is refused', async (_, data) => expect(await drawnAnew(data)).toBeUndefined())
  it('refuses what would fill the memory', async () => {
    const huge = await sharp({ create: { width: 9000, height: 9000, channels: 3, background: 'white' } })
      .png({ compressionLevel: 9 })
      .toBuffer()
    expect(huge.length).toBeLessThan(1_000_000)
    expect(await drawnAnew(huge)).toBeUndefined()
  })
})
