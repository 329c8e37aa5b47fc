// @vitest-environment node
import { afterEach, expect, test, vi } from 'vitest'
import { isOlder } from '@/api/edition'

/** A page that was begun with a script. */
const page = (src: string | null) =>
  ({ querySelector: () => (src === null ? null : { src: `https://junction.example${src}` }) }) as unknown as Document

const shown = (body: string, status = 200) =>
  vi.stubGlobal('fetch', async () => new Response(body, { status, headers: { 'Content-Type': 'text/html' } }))

afterEach(() => vi.unstubAllGlobals())

const NOW = '<script type="module" src="/build/assets/main-B2.js"></script>'

test.each([
  ['the same script', '/build/assets/main-B2.js', NOW, 200, false],
  ['another script', '/build/assets/main-A1.js', NOW, 200, true],
  ['no script of ours, from a proxy between', '/build/assets/main-A1.js', '<h1>Log in to the Wi-Fi</h1>', 200, false],
  ['a server that is being begun again', '/build/assets/main-A1.js', NOW, 502, false],
  ['a page without a script of its own', null, NOW, 200, false],
])('%s', async (_, own, body, status, older) => {
  shown(body, status)
  expect(await isOlder(page(own), '/ports')).toBe(older)
})

test('nobody answers', async () => {
  vi.stubGlobal('fetch', async () => Promise.reject(new TypeError('Failed to fetch')))
  expect(await isOlder(page('/build/assets/main-A1.js'), '/ports')).toBe(false)
})
