/** A picture as a canvas gives it: four bytes a pixel. */
export interface Picture {
  readonly data: Uint8ClampedArray
  readonly width: number
  readonly height: number
}

/** A picture in grey, a byte a pixel. */
interface Grey {
  readonly data: Uint8ClampedArray
  readonly width: number
  readonly height: number
}

/** Luma as television weighs it (ITU-R BT.601). */
function greyOf({ data, width, height }: Picture): Grey {
  const grey = new Uint8ClampedArray(width * height)
  for (let i = 0; i < grey.length; i++)
    grey[i] = 0.299 * (data[4 * i] ?? 0) + 0.587 * (data[4 * i + 1] ?? 0) + 0.114 * (data[4 * i + 2] ?? 0)
  return { data: grey, width, height }
}

/** Half as large, each pixel the mean of four. */
function halved({ data, width, height }: Grey): Grey {
  const [w, h] = [width >> 1, height >> 1]
  const half = new Uint8ClampedArray(w * h)
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const at = 2 * y * width + 2 * x
      half[y * w + x] = (data[at]! + data[at + 1]! + data[at + width]! + data[at + width + 1]!) / 4
    }
  return { data: half, width: w, height: h }
}

/** A quarter turn to the right. */
function turned({ data, width, height }: Grey): Grey {
  const turn = new Uint8ClampedArray(width * height)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) turn[x * height + (height - 1 - y)] = data[y * width + x]!
  return { data: turn, width: height, height: width }
}

/**
 * How a picture is looked at, one after the other: the reader finds the three corners of a square code by its rows, and of some codes, clean ones too, only as they stand another way or coarser. Of 240 codes of ours as a
 * label has them the first look read 222, the first two 238, all of them 240 (measured).
 */
const LOOKS: readonly ((grey: Grey) => Grey)[] = [
  grey => grey,
  halved,
  turned,
  grey => turned(halved(grey)),
  grey => turned(turned(grey)),
  grey => turned(turned(turned(grey))),
]

/** What a code in a picture says, of whichever kind: a square one of ours, or the one that a maker printed; undefined where none is seen. Of a moving picture one look a frame is enough: `look` counts them. */
export async function readCode(picture: Picture, look?: number): Promise<string | undefined> {
  const { BinaryBitmap, DecodeHintType, HybridBinarizer, MultiFormatReader, RGBLuminanceSource } =
    await import('@zxing/library')
  const reader = new MultiFormatReader()
  reader.setHints(new Map([[DecodeHintType.TRY_HARDER, true]]))
  const grey = greyOf(picture)
  for (const see of look === undefined ? LOOKS : [LOOKS[look % LOOKS.length]!]) {
    const { data, width, height } = see(grey)
    try {
      const text = reader
        .decode(new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(data, width, height))))
        .getText()
      if (text !== '') return text
    } catch {
      // Not seen so: the next look.
    }
  }
  return undefined
}
