import { describe, expect, it } from 'vitest'
import { encode } from 'uqr'
import { readCode, type Picture } from './read-code'

const SCALE = 6
const QUIET = 4

/** A square code as a camera would see it: dark on a sheet that is not quite white, noisy, lit from one side. */
function pictureOf(text: string, { turned = false, contrast = 1 } = {}): Picture {
  const { data: cells, size } = encode(text, { border: 0 })
  const width = (size + 2 * QUIET) * SCALE
  const data = new Uint8ClampedArray(width * width * 4)
  for (let y = 0; y < width; y++)
    for (let x = 0; x < width; x++) {
      const [column, row] = [Math.floor(x / SCALE) - QUIET, Math.floor(y / SCALE) - QUIET]
      const isDark = (turned ? cells[size - 1 - column]?.[row] : cells[row]?.[column]) === true
      const light = 235 - (60 * x) / width + ((x * 7 + y * 13) % 11)
      data.fill(isDark ? light * (1 - 0.8 * contrast) : light, 4 * (y * width + x), 4 * (y * width + x) + 3)
      data[4 * (y * width + x) + 3] = 255
    }
  return { data, width, height: width }
}

describe('readCode', () => {
  it('reads the code of a bottle, upright or turned, in poor light', async () => {
    const address = 'http://127.0.0.1:3000/shelf/B-014'
    expect(await readCode(pictureOf(address))).toBe(address)
    expect(await readCode(pictureOf(address, { turned: true }))).toBe(address)
    expect(await readCode(pictureOf(address, { contrast: 0.5 }))).toBe(address)
  })

  it('reads every label, whatever pattern its address makes', async () => {
    const addresses = Array.from({ length: 40 }, (_, i) => `http://127.0.0.1:${40_000 + 37 * i}/shelf/B-${100 + 7 * i}`)
    const read = await Promise.all(addresses.map(address => readCode(pictureOf(address))))
    expect(read).toEqual(addresses)
  })

  it('sees nothing in a picture without a code', async () => {
    const width = 120
    const data = new Uint8ClampedArray(width * width * 4).map((_, i) => (i * 37) % 251)
    expect(await readCode({ data, width, height: width })).toBeUndefined()
  })
})
