import type { H3Event } from 'h3'

/**
 * The body of a request, read no further than `most` bytes: what is longer is refused while it streams, so that it never lies in memory whole.
 */
export async function readBytes(event: H3Event, most: number, tooLong: string): Promise<Buffer> {
  const { req } = event.node
  const refuse = () => {
    // The rest is not read: the connection ends with the answer.
    setResponseHeader(event, 'connection', 'close')
    return refusal(413, tooLong)
  }
  if (Number(getHeader(event, 'content-length') ?? 0) > most) throw refuse()
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of req as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > most) throw refuse()
    chunks.push(chunk)
  }
  return Buffer.concat(chunks)
}
