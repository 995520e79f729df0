/** Looks into what would be brought, and says of each batch whether it is new, here already, or in conflict; keeps nothing. */
export default answer('move', async (event, { access, db }) => standings(db, access, await readBrought(event)))
