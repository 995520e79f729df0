/** A picture as a canvas gives it: four bytes a pixel. */
export interface Picture {
  readonly data: Uint8ClampedArray
  readonly width: number
  readonly height: number
}

/** What a code in a picture says, of whichever kind: a square one of ours, or the one that a maker printed; undefined where none is seen. */
export async function readCode({ data, width, height }: Picture): Promise<string | undefined> {
  const { BinaryBitmap, DecodeHintType, HybridBinarizer, MultiFormatReader, RGBLuminanceSource } =
    await import('@zxing/library')
  const grey = new Uint8ClampedArray(width * height)
  // Luma as television weighs it (ITU-R BT.601).
  for (let i = 0; i < grey.length; i++)
    grey[i] = 0.299 * (data[4 * i] ?? 0) + 0.587 * (data[4 * i + 1] ?? 0) + 0.114 * (data[4 * i + 2] ?? 0)
  const reader = new MultiFormatReader()
  reader.setHints(new Map([[DecodeHintType.TRY_HARDER, true]]))
  try {
    const text = reader
      .decode(new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(grey, width, height))))
      .getText()
    return text === '' ? undefined : text
  } catch {
    return undefined
  }
}
