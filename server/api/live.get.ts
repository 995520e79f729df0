const BEAT = 15_000
/** Tabs of one browser share a stream; more than this at once is no lab. */
const MOST_OPEN = 500
let open = 0

/** Server-sent events: the codes of batches that changed, `*` for any. */
export default defineEventHandler(async event => {
  if (open >= MOST_OPEN) throw refusal(503, 'Too many pages listen already. Close some; this one asks again by itself.')
  const lab = await requireLabId(useDatabase())
  const stream = createEventStream(event)
  open += 1
  const stop = listen(lab, codes => void stream.push(codes.join(',')))
  const beat = setInterval(() => void stream.push({ event: 'beat', data: '' }), BEAT)
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
