import type { H3Event } from 'h3'

/** So much of what is too long is read on and thrown away, so that its sender hears the refusal; beyond it the connection is cut. */
const MOST_THROWN_AWAY = 32_000_000

/**
 * The body of a request, kept no further than `most` bytes: what is longer is refused while it streams, so that it never lies in memory whole.
 */
export async function readBytes(event: H3Event, most: number, tooLong: string): Promise<Buffer> {
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size <= most) chunks.push(chunk)
    else {
      chunks.length = 0
      if (size > MOST_THROWN_AWAY) break
    }
  }
  if (size > most) throw refusal(413, tooLong)
  return Buffer.concat(chunks)
}
