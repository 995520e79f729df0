import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '~': fileURLToPath(new URL('./app', import.meta.url)) } },
  test: {
    include: ['{core,cli,app,server,instruments,demo}/**/*.test.ts'],
    // A test says what is right, not how fast: the limit only ends one that hangs, on a machine that does much else.
    testTimeout: 120_000,
    hookTimeout: 120_000,
    benchmark: { include: ['bench/**/*.bench.ts'] },
  },
})
