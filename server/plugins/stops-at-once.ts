/** Event streams never end by themselves: they are closed as soon as the server is asked to stop. */
export default defineNitroPlugin(() => {
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.prependListener(signal, closeAll)
})
