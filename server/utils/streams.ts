import type { ServerResponse } from 'node:http'
import type { H3Event } from 'h3'
import type { Access } from '../access/access'
import { codesThere } from '../db/batches'
import { forAccess } from '../db/connect'
import { stillIn } from '../db/sessions'

interface Stream {
  readonly answer: ServerResponse
  /** What lets it in: a browser's mark, or a script's key. */
  readonly mark?: string | undefined
  readonly ask?: (() => Promise<boolean>) | undefined
}

/** ms. A page that hears nothing for longer takes its stream for dead, and so do proxies. */
const BEAT = 15_000
/** Tabs of one browser share a stream: a process tells so many browsers. What each takes of memory is measured by bench/streams.ts. */
const MOST_OPEN = Number(process.env.ZIP_LEDGER_STREAMS) || 5000
/** Bytes that wait for one that does not read: it is cut off, and asks again for what it missed. */
const MOST_WAITING = 64_000
/** Marks that are looked up at once. */
const AT_ONCE = 500
/** ms. Streams that were cut together come back apart. */
const BACK = { least: 500, spread: 3000 } as const

const open = new Set<Stream>()
let beating: ReturnType<typeof setInterval> | undefined
export const openStreams = (): number => open.size

/** Opens a stream of events: the codes of a lab's batches that changed, and now and then a beat that names until when, by the database's clock, all was told. */
export function openStream(event: H3Event, access: Access): void {
  if (open.size >= MOST_OPEN)
    throw refusal(503, 'Too many pages listen here already. This one asks by itself from time to time.')
  const answer = event.node.res
  answer.writeHead(200, {
    'content-type': 'text/event-stream',
    'cache-control': 'no-store, no-transform',
    'x-accel-buffering': 'no',
  })
  const isScript = getHeader(event, 'authorization') !== undefined
  const stream: Stream = isScript
    ? { answer, ask: async () => (await accessOf(event)) !== undefined }
    : { answer, mark: markOf(event) }
  open.add(stream)
  beating ??= setInterval(() => void beat(), BEAT)
  const db = forAccess(useDatabase(), access)
  const stop = listen(access.lab, async codes => {
    // A student does not even hear that another student's batch has changed.
    const heard =
      access.role !== 'student' || codes.includes('*') ? codes : await codesThere(db, access, codes).catch(() => [])
    if (heard.length > 0) send(stream, `data: ${heard.join(',')}\n\n`)
  })
  // One whose page is gone already has nothing to end.
  const forget = closeOnStop(() => answer.socket && answer.end())
  answer.once('close', () => {
    open.delete(stream)
    forget()
    stop()
    if (open.size > 0) return
    clearInterval(beating)
    beating = undefined
  })
  send(stream, `retry: ${Math.round(BACK.least + Math.random() * BACK.spread)}\n${beatText()}`)
}

function send({ answer }: Stream, text: string): void {
  if (answer.writableLength > MOST_WAITING) answer.destroy()
  else answer.write(text)
}
function beatText(): string {
  const until = heardUntil()
  return `event: beat\n${until === undefined ? '' : `id: ${until}\n`}data:\n\n`
}

/** Tells every stream that it lives, and ends those of whoever was let out. */
async function beat(): Promise<void> {
  const all = [...open]
  for (let from = 0; from < all.length; from += AT_ONCE) {
    const some = all.slice(from, from + AT_ONCE)
    const marks = some.flatMap(({ mark }) => mark ?? [])
    // A database that is away says nothing of who is in.
    const inside = await stillIn(useDatabase(), marks).catch(() => undefined)
    for (const stream of some) {
      const isIn = stream.ask ? await stream.ask().catch(() => true) : (inside?.has(stream.mark ?? '') ?? true)
      if (isIn) send(stream, beatText())
      else stream.answer.end()
    }
  }
}
