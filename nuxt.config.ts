import { cpSync, existsSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import tailwindcss from '@tailwindcss/vite'
import { build } from 'esbuild'
import type { Plugin } from 'vite'
import { fontFiles } from './server/print/fonts'
import { tellNumbers } from './tools/tell-numbers'

/**
 * What the sheet, the first page of a batch, shows before anything is pressed: one file. What only a panel, a dialog or another page asks for comes with those;
 * a module that is named wrongly here costs a request or some kilobytes, nothing else.
 */
const FIRST = [
  /^\0?virtual:nuxt|\0plugin-vue|\0vite/,
  /\/node_modules\/(?:@?vue|vue-router|nuxt|@?unhead|@vueuse|idb|@?pinia|ofetch|ufo|ohash|unctx|h3|perfect-debounce|destr|defu|@lucide)\//,
  /\/app\/(?:assets|plugins)\//,
  /\/core\/(?:people|reference|formula|equation|quantity|problem|document|species|supply|sheet)\//,
  /\/core\/journal\/(?:entries|journal|scale-steps|timers)\./,
  /\/core\/vessel\/protons\./,
  /\/core\/remarks\/(?:bench-notes|hazard-notes|margin|second-look|words)\./,
  /\/core\/solution\/(?:curve|dissolve|monotone|own-tables|problems|scale-moves)\./,
  /\/app\/(?:(?:app|error)\.vue|stores\/(?!assays)|utils\/(?:dates|device|focus|live|tab|whose)|pages\/batches\/\[code\](?:\/sheet)?\.vue)/,
  /\/app\/composables\/use(?:Announce|Attempt|Cut|History|LetterKeys|Look|Numbers|PanelFocus|Ringing|TabletLock|Timers|Working)\./,
  /\/app\/components\/(?:batch|problem)\//,
  /\/app\/components\/(?:equation\/EquationText|formula\/(?:FormulaText|RichText)|shell\/(?:ClockBar|Margin\w+|TopBar))\./,
  /\/app\/components\/quantity\/(?:FigureButton|QuantityField|WorkingPanel)\./,
  /\/app\/components\/sheet\/(?:ChargeCell|FactStrip|ProblemList|SaveSign|SheetTable|UndoButtons|problem-place)\./,
]
const LATER =
  /\/(?:suggest|net-ionic|read-name|find-name|everyday-names|complex-ions|acidic-oxides|metal-surfaces|oxoanion-reactions|usual-reagents|write-out-names|spoken|describe(?:-complex)?|monte-carlo|make-up|dilute|substitute|excess|draft|element-use|route-edit|solubility-products|wash-tests|treatments|methanol|magnetism|assay-methods|solubility-rules|dimensions|scale|scale-plan|scale-steps|scale-moves|permittivities|ion-volumes|ageings|pictograms|schema|own-row|read|version-1|oxidants)\.ts|\/error-(?:404|500)\.vue/
const isFirst = (id: string): boolean => FIRST.some(place => place.test(id)) && !LATER.test(id)

const CHUNKS = {
  manualChunks: (id: string) => (isFirst(id) ? 'first' : undefined),
  onlyExplicitManualChunks: true,
  experimentalMinChunkSize: 8_000,
}

/** The first file stands alone: were it to wait for another that waits for it, no page would open. What it needs belongs into FIRST. */
const firstAlone: Plugin = {
  name: 'first-file-stands-alone',
  generateBundle(_, bundle) {
    for (const file of Object.values(bundle)) {
      if (file.type !== 'chunk' || !file.isEntry || !file.moduleIds.some(isFirst)) continue
      const others = file.imports.flatMap(name => {
        const other = bundle[name]
        return other && other.type === 'chunk' && other !== file
          ? other.moduleIds.filter(id => id.includes('/core/') || id.includes('/app/'))
          : []
      })
      if (others.length > 0)
        this.error(`The first file of the app imports what comes later: one of ${others.slice(0, 8).join(', ')}.`)
    }
  },
}

/** The page of a batch's record is opened by its address, from a code on paper: its own files, so that they come while the app begins and not behind it. */
const RECORD = 'pages/batches/[code]/record.vue'
let recordFiles: readonly string[] = []

export default defineNuxtConfig({
  compatibilityDate: '2026-11-01',
  ssr: false,
  modules: ['@pinia/nuxt'],
  css: ['~/assets/main.css'],
  devtools: { enabled: false },
  telemetry: false,
  components: [{ path: '~/components', pathPrefix: false }],
  vite: {
    // Every component here, and of the libraries, is written with setup: Vue’s older half stays at home.
    define: { __VUE_OPTIONS_API__: 'false' },
    vue: { template: { compilerOptions: { nodeTransforms: [tellNumbers] } } },
    plugins: [tailwindcss(), firstAlone],
    build: {
      // Few files, each what one set of pages needs: a browser opens few connections to a host, and small files wait for each other.
      rollupOptions: {
        output: CHUNKS,
      },
    },
  },
  // Other pages' chunks are fetched when a link is about to be followed, so the first page stays light.
  experimental: {
    renderJsonPayloads: false,
    payloadExtraction: false,
    defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } },
  },
  nitro: {
    compressPublicAssets: true,
    errorHandler: '~~/server/problem-document.ts',
    // A debugger’s tasks take the stack down at each request, whether or not one is there.
    replace: { 'console.createTask': 'undefined' },
    routeRules: {
      '/**': {
        headers: {
          'x-content-type-options': 'nosniff',
          'x-frame-options': 'DENY',
          'referrer-policy': 'no-referrer',
          'cross-origin-opener-policy': 'same-origin',
          'cross-origin-resource-policy': 'same-origin',
          'permissions-policy': 'camera=(self), serial=(self), microphone=(), geolocation=(), usb=(), payment=()',
        },
      },
    },
    virtual: { '#record-files': () => `export const recordFiles = ${JSON.stringify(recordFiles)}` },
    hooks: {
      /** What works briefs and records out, and judges drills, in threads of their own are bundles of their own; the fonts of what is printed lie beside them. */
      async compiled({ options }) {
        for (const file of Object.values(fontFiles).flat())
          cpSync(join('node_modules', file), join(options.output.serverDir, 'fonts', file))
        await build({
          entryPoints: ['server/jobs/brief-worker.ts', 'server/jobs/drill-worker.ts', 'server/jobs/record-worker.ts'],
          bundle: true,
          platform: 'node',
          format: 'esm',
          target: 'node20',
          outdir: options.output.serverDir,
          outExtension: { '.js': '.mjs' },
          // Packages of the older kind ask for Node’s own parts by `require`.
          banner: {
            js: "import { createRequire as makeRequire } from 'node:module'; const require = makeRequire(import.meta.url);",
          },
          logLevel: 'error',
        })
      },
    },
  },
  hooks: {
    /** Nothing is fetched ahead of a first page: the service worker brings the other pages' files behind it. */
    'build:manifest'(manifest) {
      for (const file of Object.values(manifest)) file.prefetch = false
      const page = Object.entries(manifest).find(([name]) => name.endsWith(RECORD))?.[1]
      const shared = (page?.imports ?? []).flatMap(name => manifest[name] ?? []).filter(({ isEntry }) => !isEntry)
      recordFiles = [page ?? [], shared].flat().flatMap(({ file, css = [] }) => [file, ...css])
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
  runtimeConfig: { builtAt: Date.now() },
  app: {
    head: {
      htmlAttrs: { lang: 'en' },
      title: 'Zip Ledger',
      link: [{ rel: 'icon', href: '/icon.svg', type: 'image/svg+xml' }],
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }],
    },
  },
})
