import { anchorToday } from '../db/anchors'

/** Looked at so often, ms: the first look after midnight (UTC) publishes the day before’s ends as the new day’s. */
const OFTEN = 600_000

/** Publishes the ends of all chains once a day. */
export default defineNitroPlugin(nitro => {
  const look = (): void =>
    void anchorToday(useDatabase(), new Date().toISOString().slice(0, 10)).catch(() => {
      // A database that is away, or not prepared yet: the next look tries again.
    })
  const first = setTimeout(look, 5000)
  const timer = setInterval(look, OFTEN)
  first.unref()
  timer.unref()
  nitro.hooks.hook('close', () => {
    clearTimeout(first)
    clearInterval(timer)
  })
})
