/** The process answers. */
export default defineEventHandler(() => ({ is: 'up' }))
