import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '~': fileURLToPath(new URL('./app', import.meta.url)) } },
  test: {
    // A test says what is right, not how fast: the limit only ends one that hangs, on a machine that does much else.
    testTimeout: 120_000,
    hookTimeout: 120_000,
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          include: ['{core,demo,instruments}/**/*.test.ts'],
          // Pure functions leave nothing behind: the modules are read once, not once for each of fifty files.
          isolate: false,
          benchmark: { include: ['bench/**/*.bench.ts'] },
        },
      },
      {
        extends: true,
        test: {
          name: 'around it',
          include: ['{cli,app,server,deploy}/**/*.test.ts'],
          benchmark: { include: [] },
        },
      },
    ],
  },
})
