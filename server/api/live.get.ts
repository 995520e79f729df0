/** Server-sent events: the codes of batches that changed, `*` for any; what came before a stream was opened is told by /api/changes. */
export default answer('look', (event, { access }) => openStream(event, access))
