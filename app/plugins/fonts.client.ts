/** So long the first picture waits for its letters, ms: text that is drawn in others first jumps when they come. */
const PATIENCE = 1500

/** Asks for the letters of the page at once, beside all else, and lets it be drawn when they are there. */
export default defineNuxtPlugin({
  name: 'fonts',
  parallel: true,
  async setup() {
    const { fonts } = document
    const families = ['Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Mono Variable']
    const all = Promise.all(families.map(family => fonts.load(`16px "${family}"`))).catch(() => undefined)
    await Promise.race([all, new Promise(resolve => setTimeout(resolve, PATIENCE))])
  },
})
