import { useWhoStore } from '~/stores/who'

/** Before anything is asked of a lab it is known whose page this is; who was in here before is taken to be until the server says otherwise. */
export default defineNuxtPlugin({
  name: 'who',
  async setup() {
    const who = useWhoStore()
    globalThis.$fetch = $fetch.create({
      onResponseError({ request, response }) {
        const codes = ((response._data as { problems?: { code?: string }[] })?.problems ?? []).map(({ code }) => code)
        if (String(request).startsWith('/api/me')) return
        if (response.status === 401 || codes.includes('access.factor')) void who.load()
      },
    }) as typeof globalThis.$fetch
    const asked = who.load()
    if (!who.me) await asked
  },
})
