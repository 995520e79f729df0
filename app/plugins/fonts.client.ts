/** ms that a first page waits for its fonts at most: with another font in their place every line would move once they come. */
const PATIENCE = 400

/** Both fonts are asked for before anything is painted. */
export default defineNuxtPlugin({
  name: 'fonts',
  parallel: true,
  async setup() {
    const families = ['Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Mono Variable']
    await Promise.race([
      Promise.allSettled(families.map(family => document.fonts.load(`16px "${family}"`))),
      new Promise(resolve => setTimeout(resolve, PATIENCE)),
    ])
  },
})
