const BEAT = 15_000

/** Server-sent events: the codes of batches that changed, `*` for any. */
export default defineEventHandler(async event => {
  const lab = await requireLabId(useDatabase())
  const stream = createEventStream(event)
  const stop = listen(lab, codes => void stream.push(codes.join(',')))
  const beat = setInterval(() => void stream.push({ event: 'beat', data: '' }), BEAT)
  const forget = closeOnStop(() => stream.close())
  stream.onClosed(async () => {
    forget()
    clearInterval(beat)
    stop()
    await stream.close()
  })
  return stream.send()
})
