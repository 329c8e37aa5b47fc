import vue from '@vitejs/plugin-vue'
import laravel from 'laravel-vite-plugin'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'
import vuetify from 'vite-plugin-vuetify'
import { surfaceWorker } from './vite.surface-worker'

export default defineConfig({
  plugins: [
    laravel({ input: ['resources/ts/main.ts', 'resources/ts/surface/main.ts'], refresh: false }),
    // A line end between two words is a space, as everywhere in HTML.
    vue({ template: { compilerOptions: { whitespace: 'preserve' } } }),
    vuetify({ autoImport: true }),
    surfaceWorker(),
  ],
  resolve: { alias: { '@': fileURLToPath(new URL('resources/ts', import.meta.url)) } },
  build: { chunkSizeWarningLimit: 700 },
})
