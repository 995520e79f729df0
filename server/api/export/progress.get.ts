/** How many batches of an export are through; 404 for one that this process does not know. */
export default answer('move', (event, { access }) => {
  const { name } = getQuery(event)
  const progress = typeof name === 'string' ? progressOf(access, name) : undefined
  if (!progress) throw refusal(404, 'This process knows of no such export.')
  return progress
})
