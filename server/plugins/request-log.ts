import { randomUUID } from 'node:crypto'

/** Longer than this, ms, a request is worth a line though it went well. */
const SLOW = 1000

/** Each request has an id, which its answer carries and the log names; what failed here, or was slow, is one line of JSON. Bodies, queries and addresses are not logged, and what was refused is the sender’s to see. */
export default defineNitroPlugin(({ hooks }) => {
  hooks.hook('request', event => {
    const id = randomUUID()
    const startedAt = performance.now()
    event.context.requestId = id
    setResponseHeader(event, 'x-request-id', id)
    const { res } = event.node
    res.once('close', () => {
      const ms = Math.round(performance.now() - startedAt)
      const [path = ''] = event.path.split('?')
      if (res.statusCode < 500 && (ms < SLOW || path === '/api/live')) return
      const line = { at: new Date().toISOString(), request: id, method: event.method, path, status: res.statusCode, ms }
      console.log(JSON.stringify(line))
    })
  })
})
