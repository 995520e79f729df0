import type { Server } from 'node:http'

/** Longer than a proxy or a script leaves a connection idle, ms: one that is closed here while the next request is on its way is an error that nobody made. */
const IDLE = 75_000

/** Idle connections are kept for longer than the five seconds that Node gives them. */
export default defineNitroPlugin(({ hooks }) => {
  const known = new WeakSet<Server>()
  hooks.hook('request', event => {
    const { server } = event.node.req.socket as unknown as { server?: Server }
    if (!server || known.has(server)) return
    known.add(server)
    server.keepAliveTimeout = IDLE
    server.headersTimeout = IDLE + 5000
  })
})
