import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: [
      'src/**/*.test.ts',
      'src/**/*.test.tsx',
      'demo/**/*.test.ts',
      'scripts/**/*.test.ts',
      'hostile/**/*.test.ts',
    ],
    environment: 'node',
    // How long a test takes is no criterion: a busy machine must not fail one that works through megabytes.
    testTimeout: 60_000,
  },
})
