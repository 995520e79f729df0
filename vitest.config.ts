import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '~': fileURLToPath(new URL('./app', import.meta.url)) } },
  test: {
    include: ['{core,cli,app,server,instruments,demo}/**/*.test.ts'],
    benchmark: { include: ['bench/**/*.bench.ts'] },
  },
})
