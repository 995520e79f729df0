import type { H3Event } from 'h3'

/** So much of what is too long is read on and thrown away, so that its sender hears the refusal; beyond it the connection is cut. */
const MOST_THROWN_AWAY = 32_000_000

/**
 * The body of a request, kept no further than `most` bytes: what is longer is refused while it streams, so that it never lies in memory whole.
 */
export const readBytes = (event: H3Event, most: number, tooLong: string): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    const { req } = event.node
    const breakOff = (): void => reject(refusal(400, 'The request was broken off.'))
    if (req.destroyed) return breakOff()
    const chunks: Buffer[] = []
    let size = 0
    const refuse = (): void => reject(refusal(413, tooLong))
    req.on('data', (chunk: Buffer) => {
      size += chunk.length
      if (size <= most) return chunks.push(chunk)
      chunks.length = 0
      if (size <= MOST_THROWN_AWAY) return
      refuse()
      req.destroy()
    })
    req.once('end', () => (size > most ? refuse() : resolve(chunks.length === 1 ? chunks[0]! : Buffer.concat(chunks))))
    req.once('error', reject)
    req.once('close', () => {
      if (!req.readableEnded) breakOff()
    })
  })
