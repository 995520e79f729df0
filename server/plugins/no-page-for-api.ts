/** A method that no route takes is refused; otherwise the app's page would be the answer to it. */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('render:before', ({ event }) => {
    if (event.path.startsWith('/api/'))
      throw refusal(405, `${event.method} is not taken at ${event.path.slice(0, 200)}.`)
  })
})
