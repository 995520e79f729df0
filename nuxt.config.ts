import { existsSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import tailwindcss from '@tailwindcss/vite'
import { build } from 'esbuild'

const SHARED =
  /\/app\/(?:components\/(?:formula|problem|quantity|equation|sheet|shell|batch)|composables|stores|utils)\//

export default defineNuxtConfig({
  compatibilityDate: '2026-11-01',
  ssr: false,
  modules: ['@pinia/nuxt'],
  css: ['~/assets/main.css'],
  devtools: { enabled: false },
  telemetry: false,
  components: [{ path: '~/components', pathPrefix: false }],
  vite: {
    plugins: [tailwindcss()],
    build: {
      // What nearly every page needs is one file: a browser opens few connections to a host, and small files wait for each other.
      rollupOptions: { output: { manualChunks: id => (SHARED.test(id) ? 'shared' : undefined) } },
    },
  },
  // Other pages' chunks are fetched when a link is about to be followed, so the first page stays light.
  experimental: { defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } } },
  nitro: {
    compressPublicAssets: true,
    errorHandler: '~~/server/problem-document.ts',
    hooks: {
      /** What works briefs out in a thread of its own is a bundle of its own. */
      async compiled({ options }) {
        await build({
          entryPoints: ['server/jobs/brief-worker.ts'],
          bundle: true,
          platform: 'node',
          format: 'esm',
          target: 'node20',
          outfile: join(options.output.serverDir, 'brief-worker.mjs'),
          logLevel: 'error',
        })
      },
    },
  },
  hooks: {
    /** Nothing is fetched ahead of a first page: the service worker brings the other pages' files behind it. */
    'build:manifest'(manifest) {
      for (const file of Object.values(manifest)) file.prefetch = false
    },
    /** What the service worker keeps: every built file, by its name. */
    'nitro:build:before'({ options }) {
      const client = join(options.buildDir, 'dist/client')
      if (!existsSync(join(client, '_nuxt'))) return
      const files = readdirSync(join(client, '_nuxt'))
        .filter(name => /\.(js|css|woff2)$/.test(name))
        .map(name => `/_nuxt/${name}`)
      writeFileSync(join(client, '_nuxt/built-files.json'), JSON.stringify(files))
    },
  },
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
