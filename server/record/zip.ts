import { finished } from 'node:stream/promises'
import { Readable } from 'node:stream'
import { ZipFile } from 'yazl'
import type { OutFile } from './tables'

/** What is packed already is not packed again. */
const PACKED = /^(image\/|application\/(pdf|zip))/

/** A ZIP archive that is written while its files come, and while it is read: no more of it lies in memory than one file. Goes on past four gigabytes and 65 535 files (ZIP64). */
export async function* zipped(files: AsyncIterable<OutFile>): AsyncGenerator<Uint8Array> {
  const zip = new ZipFile()
  const out = zip.outputStream as Readable
  const feed = async (): Promise<void> => {
    for await (const { path, type, data } of files) {
      // The writer holds on to each entry until the end: not to its bytes.
      let bytes: Uint8Array | undefined = typeof data === 'string' ? Buffer.from(data) : data
      const { length } = bytes
      await new Promise<void>((resolve, reject) => {
        const { poolSize } = Buffer
        // The names, which are kept until the end, are cut from no common slab: each would hold all of its slab.
        Buffer.poolSize = 0
        zip.addReadStreamLazy(path, { compress: !PACKED.test(type), size: length }, done => {
          const source = Readable.from([bytes], { objectMode: false })
          bytes = undefined
          finished(source).then(resolve, reject)
          done(null, source)
        })
        Buffer.poolSize = poolSize
      })
    }
    zip.end()
  }
  const fed = feed().catch((error: unknown) => {
    out.destroy(error instanceof Error ? error : new Error(String(error)))
  })
  try {
    yield* out as AsyncIterable<Uint8Array>
    await fed
  } finally {
    out.destroy()
  }
}

/** A whole archive in memory. */
export async function zipOf(files: AsyncIterable<OutFile>): Promise<Uint8Array> {
  const chunks: Uint8Array[] = []
  for await (const chunk of zipped(files)) chunks.push(chunk)
  return Buffer.concat(chunks)
}
