/** An address under /api that is no route is told so, rather than being answered with the app's page. */
export default answerAnyone(event => {
  throw refusal(404, `${event.method} ${event.path.slice(0, 200)} is not a route here.`)
})
