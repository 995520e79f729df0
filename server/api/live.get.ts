import { codesThere } from '../db/batches'

const BEAT = 15_000
/** Tabs of one browser share a stream; more than this at once is no lab. */
const MOST_OPEN = 500
let open = 0

/** Server-sent events: the codes of batches that changed, `*` for any. */
export default answer('look', (event, { access, db }) => {
  if (open >= MOST_OPEN) throw refusal(503, 'Too many pages listen already. Close some; this one asks again by itself.')
  const stream = createEventStream(event)
  open += 1
  const stop = listen(access.lab, async codes => {
    // A student does not even hear that another student's batch has changed.
    const heard =
      access.role !== 'student' || codes.includes('*') ? codes : await codesThere(db, access, codes).catch(() => [])
    if (heard.length > 0) await stream.push(heard.join(','))
  })
  // Whoever was let out hears no more.
  const beat = setInterval(async () => {
    // A database that is away says nothing of who is in.
    const isIn = await isStillIn(event).catch(() => true)
    if (isIn) await stream.push({ event: 'beat', data: '' })
    else await stream.close()
  }, BEAT)
  const forget = closeOnStop(() => stream.close())
  stream.onClosed(async () => {
    open -= 1
    forget()
    clearInterval(beat)
    stop()
    await stream.close()
  })
  return stream.send()
})
