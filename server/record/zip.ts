import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import type { OutFile } from './tables'

/** What is packed already is not packed again. */
const PACKED = /^(image\/|application\/pdf)/

/** A ZIP archive that is written while its files come: no more of it lies in memory than one file. */
export async function* zipped(files: AsyncIterable<OutFile>): AsyncGenerator<Uint8Array> {
  let ready: Uint8Array[] = []
  let failed: unknown
  const zip = new Zip((error, chunk) => {
    if (error) failed = error
    else ready.push(chunk)
  })
  for await (const { path, type, data } of files) {
    const entry = PACKED.test(type) ? new ZipPassThrough(path) : new ZipDeflate(path, { level: 6 })
    zip.add(entry)
    entry.push(typeof data === 'string' ? Buffer.from(data) : data, true)
    if (failed) throw failed
    const out = ready
    ready = []
    yield* out
  }
  zip.end()
  if (failed) throw failed
  yield* ready
}
