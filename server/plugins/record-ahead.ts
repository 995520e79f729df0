import { recordFiles } from '#record-files'
import { refusedAction } from '../access/access'

const PAGE = /^\/batches\/([\w-]{1,40})\/record(?:\?|$)/

const linkTo = (file: string): string =>
  file.endsWith('.css')
    ? `<link rel="preload" as="style" crossorigin href="/_nuxt/${file}">`
    : `<link rel="modulepreload" crossorigin href="/_nuxt/${file}">`

/**
 * A record that is opened by its address, as from the code on its paper: the browser is told at once what the page will ask for, its files and what stands on it, so that these come while the
 * app begins. Whoever is not in, or owes a second factor, asks once they may look: a refusal that was fetched ahead would be taken for the answer.
 */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('render:html', async (html, { event }) => {
    const [, code] = PAGE.exec(event.path) ?? []
    if (!code) return
    const access = await accessOf(event).catch(() => undefined)
    const asked = `<link rel="preload" as="fetch" crossorigin href="/api/batches/${code}/record?quick=1">`
    html.head.push(
      ...recordFiles.map(linkTo),
      ...(access && refusedAction(access, 'look') === undefined ? [asked] : []),
    )
  })
})
