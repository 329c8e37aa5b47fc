// Makes the TypeScript types of a show document from its JSON Schema.
// With --check it writes nothing and fails when the types in the tree are not what the schema says.
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { compile } from 'json-schema-to-typescript'

const root = new URL('..', import.meta.url)
const schema = JSON.parse(readFileSync(new URL('schema/show.schema.json', root), 'utf8'))
// That a port receives, sends or does both cannot be said in a plain type.
delete schema.$defs.port.anyOf
delete schema.$defs.route.oneOf
// What fields a part of a kind has the page asks the server: forms are built from that.
for (const name of ['trigger', 'condition', 'step', 'action', 'controlKind', 'handle']) schema.$defs[name] = { title: 'PartOfKind', type: 'object', required: ['kind'], properties: { kind: { type: 'string' } } }
for (const name of ['option', 'message', 'argument', 'selectable', 'binding', 'lampColour']) delete schema.$defs[name]
// How many of a list there may be is the reader's business: a type cannot say it. What fields are for stands in the schema, and forms show it.
const isLeft = (key, value) => (key === 'maxItems' && typeof value === 'number') || (key === 'description' && typeof value === 'string')
const schemaOfTypes = JSON.parse(JSON.stringify(schema, (key, value) => (isLeft(key, value) ? undefined : value)))
const types = await compile(schemaOfTypes, 'ShowDocument', {
  bannerComment: '',
  style: { semi: false, singleQuote: true, printWidth: 130 },
})

// A file for the programme and one for the patch, with what they alone are made of; one for all other parts; and the document
// that holds them: arrows go one way.
const BANNER = '/* Made from schema/show.schema.json by "npm run types". Change the schema, not these files. */'
const ROOMS = {
  showProgramme: ['Look', 'CueList', 'Master', 'Wave', 'Tempo'],
  showSurfaces: ['Surface', 'Panel'],
  showTimelines: ['Timeline', 'TimeCode', 'Occasion', 'Desk'],
  showPatch: ['Profile', 'Fixture', 'Group', 'PixelMap', 'Offer'],
}
const ROOT = 'ShowDocument'
const kinds = new Map(
  types.split(/^(?=export )/m).filter((text) => text.startsWith('export ')).map((text) => [/^export (?:interface|type) (\w+)/.exec(text)[1], text.trimEnd()]),
)
const named = (name) => [...new Set(kinds.get(name).match(/\b[A-Z]\w*\b/g))].filter((one) => one !== name && kinds.has(one))
function reached(from) {
  const all = new Set(from)
  for (const name of all) named(name).forEach((one) => all.add(one))
  return all
}
const alone = Object.fromEntries(
  Object.entries(ROOMS).map(([room, roots]) => {
    const others = reached(named(ROOT).filter((name) => !roots.includes(name)))
    return [room, [...kinds.keys()].filter((name) => reached(roots).has(name) && !others.has(name))]
  }),
)
const parts = [...kinds.keys()].filter((name) => name !== ROOT && !Object.values(alone).flat().includes(name))
function file(names, from) {
  const wanted = names.flatMap(named).filter((name) => !names.includes(name))
  const imports = Object.entries(from).flatMap(([path, has]) => {
    const these = [...new Set(wanted)].filter((name) => has.includes(name)).sort()
    return these.length === 0 ? [] : [`import type { ${these.join(', ')} } from '${path}'`]
  })
  return imports.join('\n') + (imports.length > 0 ? '\n\n' : '') + names.map((name) => kinds.get(name)).join('\n') + '\n'
}
const rooms = { './showParts': parts, ...Object.fromEntries(Object.entries(alone).map(([room, names]) => [`./${room}`, names])) }
const files = Object.fromEntries([
  ['resources/ts/api/showParts.ts', `${BANNER}\n${file(parts, {})}`],
  ...Object.entries(alone).map(([room, names]) => [`resources/ts/api/${room}.ts`, `${BANNER}\n${file(names, { './showParts': parts })}`]),
  [
    'resources/ts/api/showDocument.ts',
    `${BANNER}\n${file([ROOT], rooms)}\n${Object.keys(rooms).map((path) => `export type * from '${path}'`).join('\n')}\n`,
  ],
])
for (const [path, text] of Object.entries(files)) {
  const at = new URL(path, root)
  if (!process.argv.includes('--check')) writeFileSync(at, text)
  else if (!existsSync(at) || readFileSync(at, 'utf8') !== text) {
    console.error(`${path} is not what schema/show.schema.json says: run "npm run types".`)
    process.exitCode = 1
  }
}
