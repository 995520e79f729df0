/** A batch as it stands. */
export default answer('look', async (event, { access, db }) => {
  const { code, version, document, touchedAt, sealedAt, classId } = await requireBatch(event, db, access)
  return { code, version, document, touchedAt, ...(sealedAt && { sealedAt }), ...(classId && { classId }) }
})
