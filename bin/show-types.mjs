// Makes the TypeScript types of a show document from its JSON Schema.
// With --check it writes nothing and fails when the types in the tree are not what the schema says.
import { readFileSync, writeFileSync } from 'node:fs'
import { compile } from 'json-schema-to-typescript'

const root = new URL('..', import.meta.url)
const target = new URL('resources/ts/api/showDocument.ts', root)
const schema = JSON.parse(readFileSync(new URL('schema/show.schema.json', root), 'utf8'))
// That a port receives, sends or does both cannot be said in a plain type.
delete schema.$defs.port.anyOf
delete schema.$defs.route.oneOf
// What fields a part of a kind has the page asks the server: forms are built from that.
for (const name of ['trigger', 'condition', 'step', 'action']) schema.$defs[name] = { title: 'PartOfKind', type: 'object', required: ['kind'], properties: { kind: { type: 'string' } } }
for (const name of ['option', 'message', 'argument']) delete schema.$defs[name]
// How many of a list there may be is the reader's business: a type cannot say it. What fields are for stands in the schema, and forms show it.
const isLeft = (key, value) => (key === 'maxItems' && typeof value === 'number') || (key === 'description' && typeof value === 'string')
const schemaOfTypes = JSON.parse(JSON.stringify(schema, (key, value) => (isLeft(key, value) ? undefined : value)))
const types = await compile(schemaOfTypes, 'ShowDocument', {
  bannerComment: '/* Made from schema/show.schema.json by "npm run types". Change the schema, not this file. */',
  style: { semi: false, singleQuote: true, printWidth: 130 },
})

if (process.argv.includes('--check')) {
  if (readFileSync(target, 'utf8') !== types) {
    console.error('resources/ts/api/showDocument.ts is not what schema/show.schema.json says: run "npm run types".')
    process.exit(1)
  }
} else {
  writeFileSync(target, types)
}
