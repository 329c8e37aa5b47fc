// @vitest-environment node
import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { expect, test } from 'vitest'

const ROOT = resolve(__dirname, '../../resources/ts')
/** A form holds fields, and a field may hold a list of parts with forms of their own: that is a circle by its nature. */
const NESTED = [
  ['kinds/KindParts.vue', 'kinds/PartFields.vue'],
  ['kinds/PartRows.vue', 'kinds/PartFields.vue'],
]
const ENDS = ['', '.ts', '.vue', '/index.ts']

/** Which files of ours each file names, whether for what they do or for their types. */
function arrows(): Map<string, string[]> {
  const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.(ts|vue)$/.test(file))
    .map((file) => join(ROOT, file))
  const there = new Set(files)
  return new Map(
    files.map((file) => {
      const named = [...readFileSync(file, 'utf8').matchAll(/(?:^|\n)(?:import|export)\s[^'";]*?from '([@.][^']+)'/g)]
      const paths = named.map(([, name = '']) => (name.startsWith('@/') ? join(ROOT, name.slice(2)) : join(dirname(file), name)))
      const isNested = (other: string) => NESTED.some(([from, to]) => file.endsWith(`/${from}`) && other.endsWith(`/${to}`))
      const found = paths.flatMap((path) => ENDS.map((end) => path + end).find((one) => there.has(one)) ?? [])
      return [file, found.filter((other) => !isNested(other))]
    }),
  )
}

/** The first way that comes back to where it began; none where there is no circle. */
function circle(of: Map<string, string[]>): string[] {
  const done = new Set<string>()
  function walk(file: string, way: string[]): string[] {
    const at = way.indexOf(file)
    if (at >= 0) return [...way.slice(at), file]
    if (done.has(file)) return []
    for (const other of of.get(file) ?? []) {
      const found = walk(other, [...way, file])
      if (found.length > 0) return found
    }
    done.add(file)
    return []
  }
  for (const file of of.keys()) {
    const found = walk(file, [])
    if (found.length > 0) return found
  }
  return []
}

test('files of the page name each other one way', () => {
  const all = arrows()
  expect(all.size).toBeGreaterThan(300)
  expect([...all.values()].flat().length).toBeGreaterThan(1000)
  expect(circle(all).map((file) => file.slice(ROOT.length + 1))).toEqual([])
})

test('a circle would be found', () => {
  const of = new Map([
    ['a', ['b', 'd']],
    ['b', ['c']],
    ['c', ['b']],
    ['d', []],
  ])
  expect(circle(of)).toEqual(['b', 'c', 'b'])
})
