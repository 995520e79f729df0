import { randomUUID } from 'node:crypto'

/** Longer than this, ms, a request is worth a line though it went well. */
const SLOW = 1000

/** Each request has an id, which its answer carries and the log names; what failed or was slow is one line of JSON. Bodies, queries and addresses are not logged. */
export default defineNitroPlugin(({ hooks }) => {
  hooks.hook('request', event => {
    event.context.requestId = randomUUID()
    event.context.startedAt = performance.now()
    setResponseHeader(event, 'x-request-id', event.context.requestId as string)
  })
  hooks.hook('afterResponse', event => {
    const status = getResponseStatus(event)
    const ms = Math.round(performance.now() - (event.context.startedAt as number))
    if (status < 400 && (ms < SLOW || event.path.startsWith('/api/live'))) return
    const [path] = event.path.split('?')
    console.log(
      JSON.stringify({
        at: new Date().toISOString(),
        request: event.context.requestId,
        method: event.method,
        path,
        status,
        ms,
      }),
    )
  })
})
