/** What the planned batches lack, and what is low. */
export default answer('look', (_event, { access, db }) => shoppingFor(db, access))
