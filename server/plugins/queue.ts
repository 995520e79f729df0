/** Every process takes its share of what is done once. */
export default defineNitroPlugin(nitro => {
  void joinQueue()
  nitro.hooks.hook('close', leaveQueue)
})
