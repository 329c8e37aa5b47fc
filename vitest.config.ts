import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('resources/ts', import.meta.url)) } },
  test: { include: ['tests/Page/**/*.test.ts'], setupFiles: ['tests/Page/browser.ts'] },
})
