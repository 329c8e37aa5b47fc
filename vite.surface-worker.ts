import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { build, type Plugin } from 'vite'

const ENTRY = 'resources/ts/surface/main.ts'
const SHELL = '/surface-shell'
const PICTURES = ['/mark.svg', '/icons/192.png', '/icons/512.png']

interface Chunk {
  file: string
  css?: string[]
  assets?: string[]
  imports?: string[]
  dynamicImports?: string[]
}

/** Every file that the page of a surface is made of, as it was built last. */
function filesOf(manifest: Record<string, Chunk>, key: string, seen = new Set<string>()): string[] {
  const chunk = manifest[key]
  if (chunk === undefined || seen.has(key)) return []
  seen.add(key)
  const others = [...(chunk.imports ?? []), ...(chunk.dynamicImports ?? [])]
  return [chunk.file, ...(chunk.css ?? []), ...(chunk.assets ?? []), ...others.flatMap((one) => filesOf(manifest, one, seen))]
}

/** The worker that keeps a surface's page on a phone is built last: it has to know what all the other files are called. */
export function surfaceWorker(): Plugin {
  return {
    name: 'surface-worker',
    apply: 'build',
    async closeBundle() {
      const manifest = readFileSync('public/build/manifest.json', 'utf8')
      const built = [...new Set(filesOf(JSON.parse(manifest) as Record<string, Chunk>, ENTRY))].map((file) => `/build/${file}`)
      const revision = createHash('sha256').update(manifest).digest('hex').slice(0, 16)
      const kept = [...built.map((url) => ({ url, revision: null })), ...[SHELL, ...PICTURES].map((url) => ({ url, revision }))]
      await build({
        configFile: false,
        publicDir: false,
        logLevel: 'error',
        define: { KEPT: JSON.stringify(kept), SHELL: JSON.stringify(SHELL), 'process.env.NODE_ENV': '"production"' },
        build: {
          outDir: 'public',
          emptyOutDir: false,
          lib: {
            entry: 'resources/ts/surface/worker.ts',
            formats: ['iife'],
            name: 'surfaceWorker',
            fileName: () => 'surface-worker.js',
          },
        },
      })
    },
  }
}
