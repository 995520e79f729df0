import tailwindcss from '@tailwindcss/vite'

export default defineNuxtConfig({
  compatibilityDate: '2026-11-01',
  ssr: false,
  modules: ['@pinia/nuxt'],
  css: ['~/assets/main.css'],
  devtools: { enabled: false },
  telemetry: false,
  components: [{ path: '~/components', pathPrefix: false }],
  vite: { plugins: [tailwindcss()] },
  // Other pages' chunks are fetched when a link is about to be followed, so the first page stays light.
  experimental: { defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } } },
  nitro: { compressPublicAssets: true, errorHandler: '~~/server/problem-document.ts' },
  runtimeConfig: { databaseUrl: '' },
  app: {
    head: {
      htmlAttrs: { lang: 'en' },
      title: 'Zip Ledger',
      link: [{ rel: 'icon', href: '/icon.svg', type: 'image/svg+xml' }],
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }],
    },
  },
})
