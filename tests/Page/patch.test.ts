/// <reference types="node" />
import { execFileSync } from 'node:child_process'
import { describe, expect, it } from 'vitest'
import type { Parameter, Patched, Profile } from '@/api/show'
import { addressOf, switchesOf, type SwitchRow } from '@/patch/dip'
import { freeFor, under } from '@/patch/fixtures'
import { droppedRows, layoutOf, movedRows } from '@/patch/layout'
import { gapAt, lanesOf, linesOf } from '@/patch/run'
import { inUnit, parameterAt, rawOf, spellValue } from '@/patch/values'
import { must } from './descriptions'

/** What PHP says: where every parameter of the library lies, its switches, its values. The page may not say otherwise. */
const said = JSON.parse(
  execFileSync(
    'php',
    [
      '-r',
      `require "vendor/autoload.php";
      use NimbleJunction\\Core\\Patch\\{DipSwitches, Library, Parameter};
      $show = NimbleJunction\\Core\\Show\\ShowReader::fromArray(["format" => "nimble-junction/show", "version" => 2, "name" => "x", "profiles" => Library::all()]);
      $pan = new Parameter("pan", 2, inverted: true, from: 1, unit: "°", physical: [-270.0, 270.0]);
      echo json_encode([
        "profiles" => Library::all(),
        "slots" => array_map(fn($one) => array_map(fn($placed) => [$placed->path, $placed->slots], $one->mode("")->footprint->placed), $show->profiles),
        "switches" => array_map(fn($address) => [DipSwitches::of($address), DipSwitches::of($address, 10), DipSwitches::of($address, 9, true)], range(1, 512)),
        "values" => array_map(fn($raw) => [$raw, $pan->inUnit($pan->share($raw)), $pan->value($pan->shareOf($pan->inUnit($pan->share($raw))))], [0, 1, 77, 32768, 65535]),
      ], JSON_THROW_ON_ERROR);`,
    ],
    { encoding: 'utf8', maxBuffer: 1e8 },
  ),
) as {
  profiles: Profile[]
  slots: Record<string, [string, number[]][]>
  switches: [boolean[] | null, boolean[], boolean[]][]
  values: [number, number, number][]
}

const fixture = (id: string, first: number, last: number, shares: Patched['shares'] = []): Patched => ({
  ...{ id, name: id, profile: 'p', universe: 'u' },
  first,
  last,
  shares,
})

describe('a profile that is being built', () => {
  it.each(said.profiles.map((one) => [one.name, one] as const))('lies as PHP says: %s', (_name, profile) => {
    const layout = layoutOf(profile)
    const lines = must(said.slots[profile.id])
    expect(layout.slots).toBe(Math.max(...lines.flatMap(([, slots]) => slots)))
    expect(layout.own).toEqual(lines.filter(([path]) => path.startsWith('parameters')).map(([, slots]) => slots))
    for (const [path] of lines) expect(parameterAt(profile, undefined, path)).toBeDefined()
  })
  it('has cells where they are named', () => {
    const red: Parameter = { name: 'red' }
    expect(
      layoutOf({ cells: [{ id: 'c', name: 'C', count: 3, at: [2], every: 10, parameters: [red] }] }).cells[0]?.starts,
    ).toEqual([2, 12, 22])
    expect(layoutOf({ cells: [{ id: 'c', name: 'C', count: 2, at: [7, 1], parameters: [red] }] }).cells[0]?.starts).toEqual([
      7, 1,
    ])
  })
  it('has its rows moved, several at once, and dropped before another one', () => {
    const rows = ['a', 'b', 'c', 'd']
    expect(movedRows(rows, new Set([1, 2]), -1)).toEqual({ rows: ['b', 'c', 'a', 'd'], picked: new Set([0, 1]) })
    expect(movedRows(rows, new Set([0, 2]), -1)).toEqual({ rows: ['a', 'c', 'b', 'd'], picked: new Set([0, 1]) })
    expect(movedRows(rows, new Set([3]), 1).rows).toEqual(rows)
    expect(droppedRows(rows, new Set([0, 2]), 4)).toEqual({ rows: ['b', 'd', 'a', 'c'], picked: new Set([2, 3]) })
    expect(droppedRows(rows, new Set([3]), 1).rows).toEqual(['a', 'd', 'b', 'c'])
  })
})

describe('switches', () => {
  const row: SwitchRow = { count: 9, fromZero: false, fromRight: false, onIsDown: false }
  it('stand as PHP says, for every address', () => {
    said.switches.forEach(([nine, ten, fromZero], i) => {
      expect(switchesOf(i + 1, row) ?? null).toEqual(nine)
      expect(switchesOf(i + 1, { ...row, count: 10 })).toEqual(ten)
      expect(switchesOf(i + 1, { ...row, fromZero: true })).toEqual(fromZero)
      expect(addressOf(ten, row)).toBe(i + 1)
    })
  })
})

describe('a value in its unit', () => {
  const pan: Parameter = { name: 'pan', slots: 2, inverted: true, from: 1, unit: '°', physical: [-270, 270] }
  it('is what PHP says', () => {
    for (const [raw, unit, back] of said.values) {
      expect(inUnit(pan, raw)).toBeCloseTo(unit, 9)
      expect(rawOf(pan, unit)).toBe(back)
    }
  })
  it('is spelled, in a named range by its measure', () => {
    const rate: Parameter = {
      name: 'rate',
      ranges: [{ name: 'slow to fast', first: 17, last: 131, unit: 'Hz', physical: [0.5, 25] }],
    }
    expect(spellValue(rate, inUnit(rate, 74))).toBe('12.8 Hz')
    expect(spellValue(rate, 0)).toBe('0 %')
    expect(spellValue(pan, 12.345)).toBe('12.3°')
    expect(spellValue(pan, undefined)).toBe('–')
  })
})

describe('the strip of a universe', () => {
  it('has fixtures on the same slots below one another', () => {
    expect([...lanesOf([fixture('a', 1, 6), fixture('b', 5, 9), fixture('c', 7, 8)])]).toEqual([
      ['a', 0],
      ['b', 1],
      ['c', 0],
    ])
  })
  it('is cut into lines, with addresses below as far as there is room', () => {
    const [first, second] = linesOf([fixture('a', 1, 4), fixture('b', 5, 8), fixture('c', 120, 140)], 128, 10)
    expect(must(first).posts).toEqual([1, 128])
    expect(must(first).spans.map((one) => [one.fixture.id, one.first, one.last])).toEqual([
      ['a', 1, 4],
      ['b', 5, 8],
      ['c', 120, 128],
    ])
    expect(must(second).spans.map((one) => [one.first, one.last])).toEqual([[129, 140]])
    expect(linesOf([fixture('b', 50, 60)], 512, 10)[0]?.posts).toEqual([1, 50, 512])
  })
  it('knows what is wrong and what is meant', () => {
    const spans = linesOf(
      [fixture('a', 1, 4, [{ id: 'b', name: 'b', meant: true }]), fixture('c', 9, 9, [{ id: 'd', name: 'd', meant: false }])],
      512,
      10,
    )[0]?.spans
    expect(spans?.map((one) => [one.isShared, one.isWrong])).toEqual([
      [true, false],
      [true, true],
    ])
  })
  it('has gaps that something may be put into', () => {
    const all = [fixture('a', 1, 4), fixture('b', 9, 512)]
    expect([gapAt(all, 7), gapAt(all, 9), gapAt([], 300)]).toEqual([5, undefined, 1])
    expect([freeFor(all, 4), freeFor(all, 5), freeFor([fixture('a', 1, 4)], 6)]).toEqual([5, null, 5])
    expect(under(all, 4, 5).map((one) => one.id)).toEqual(['a'])
  })
})
