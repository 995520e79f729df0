/** ms between the word that this process stops and its stop: until then a proxy before it sends its requests elsewhere, and those that come all the same are answered. */
const DRAIN = Number(process.env.ZIP_LEDGER_DRAIN) || 0

/**
 * Asked to stop, a process first says at /readyz that it is not ready, answers what still comes and closes each connection behind it; then it ends its streams, which never end by themselves, and the
 * server's own orderly stop begins.
 */
export default defineNitroPlugin(({ hooks }) => {
  // The server listens for its signals after the plugins have run.
  process.env.NITRO_SHUTDOWN_SIGNALS = 'SIGUSR2'
  hooks.hook('request', event => {
    if (isStopping()) setResponseHeader(event, 'connection', 'close')
  })
  for (const signal of ['SIGTERM', 'SIGINT'] as const)
    process.once(signal, () => {
      beginStop()
      setTimeout(() => {
        closeAll()
        process.emit('SIGUSR2', 'SIGUSR2')
      }, DRAIN)
    })
})
