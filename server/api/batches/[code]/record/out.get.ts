/** Everything of a batch in one archive that stays readable (RO-Crate): with `paper=0` without the PDF. */
export default answer('look', async (event, { access, db }) => {
  const batch = await requireBatch(event, db, access)
  const hasPaper = getQuery(event).paper !== '0'
  return sendZip(event, `${batch.code}.zip`, batchFiles(event, db, access, batch, { hasPaper, isQuick: false }))
})
