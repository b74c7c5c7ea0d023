import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const core = ['src/core/**/*.test.ts']

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    // How long a test takes is no criterion: a busy machine must not fail one that works through megabytes.
    testTimeout: 60_000,
    // By default one core is left to the person who waits; here everybody waits for the tests.
    maxWorkers: '100%',
    globalSetup: ['src/cli/testing/bundle-once.ts'],
    projects: [
      // The core keeps nothing from one call to the next: its tests share what was loaded, which takes most of the time.
      { extends: true, test: { name: 'core', include: core, isolate: false } },
      {
        extends: true,
        test: {
          name: 'around',
          include: [
            'src/**/*.test.ts',
            'src/**/*.test.tsx',
            'demo/**/*.test.ts',
            'scripts/**/*.test.ts',
            'hostile/**/*.test.ts',
          ],
          exclude: [...core, 'node_modules/**'],
        },
      },
    ],
  },
})
