/** Signs out. */
export default answerAnyone(async (event, db) => {
  const session = await sessionOf(event)
  await letOut(event)
  if (session) await noteEverywhere(db, [{ ...session.access, labName: '' }], 'sign-out')
  setResponseStatus(event, 204)
  return null
})
