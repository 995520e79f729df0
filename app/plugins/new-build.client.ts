/** A page of an earlier build asks for files that are gone: once the server has a newer build, the page is loaded anew, once. */
export default defineNuxtPlugin(() => {
  const mine = useRuntimeConfig().app.buildId
  window.addEventListener('vite:preloadError', event => {
    event.preventDefault()
    void reloadIfNewer(mine)
  })
})

const KEY = 'zip-ledger.reloaded-for'

async function reloadIfNewer(mine: string): Promise<void> {
  const latest = await fetch('/_nuxt/builds/latest.json', { cache: 'no-store' })
    .then(answer => answer.json() as Promise<{ id?: string }>)
    .catch(() => undefined)
  if (!latest?.id || latest.id === mine || sessionStorage.getItem(KEY) === latest.id) return
  sessionStorage.setItem(KEY, latest.id)
  window.location.reload()
}
