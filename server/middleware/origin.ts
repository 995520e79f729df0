const standing = standingOf(process.env)

/** No other page in the browser, and no other name, reaches what the lab keeps. */
export default defineEventHandler(event => {
  const refused = refusalOf(
    {
      method: event.method,
      host: hostOf(event),
      origin: getHeader(event, 'origin'),
      site: getHeader(event, 'sec-fetch-site'),
      mode: getHeader(event, 'sec-fetch-mode'),
      type: getHeader(event, 'content-type'),
    },
    standing,
  )
  if (refused) throw refusal(refused.status, refused.why)
})
