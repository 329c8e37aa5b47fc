import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { call, Refused, within } from '@/api/client'
import { useBase } from '@/api/base'
import { useShow } from '@/api/show'
import { spellRefusal, useAttempt } from '@/components/attempt'
import { useStoring } from '@/kinds/storing'

interface Asked {
  method: string
  path: string
  base: string | undefined
  body: unknown
}

const asked: Asked[] = []
let answers: (() => Response)[] = []
const json = (status: number, body: unknown) => () => new Response(JSON.stringify(body), { status })
const show = (revision: number) => json(200, { revision, document: { ports: [], universes: [] } })

/** The server's answers, one for each question in their order. */
function willAnswer(...next: (() => Response)[]): void {
  answers = next
}

beforeEach(async () => {
  setActivePinia(createPinia())
  asked.length = 0
  vi.stubGlobal('document', { cookie: 'other=1; XSRF-TOKEN=a%3Db' })
  vi.stubGlobal('fetch', async (path: string, request: { method: string; headers: Record<string, string>; body?: string }) => {
    asked.push({
      method: request.method,
      path,
      base: request.headers['X-Base-Revision'],
      body: request.body && JSON.parse(request.body),
    })
    const answer = answers.shift()
    if (!answer) throw new TypeError('the line is dead')
    return answer()
  })
  willAnswer(show(7))
  await useShow().load()
  asked.length = 0
})

describe('the server', () => {
  it('is told what form of the show an edit was made from', async () => {
    willAnswer(json(200, {}), json(200, {}))
    await call('PUT', 'show/ports/a', { name: 'A' }, 7)
    await call('GET', 'show')
    expect(asked).toEqual([
      { method: 'PUT', path: '/api/show/ports/a', base: '7', body: { name: 'A' } },
      { method: 'GET', path: '/api/show', base: undefined, body: undefined },
    ])
  })
  it('says no in its own words, or else with its number', async () => {
    willAnswer(
      json(422, { message: 'Too many.', faults: [{ path: '/ports/3', problem: 'p', allowed: 'a' }] }),
      () => new Response('<html>', { status: 502 }),
    )
    await expect(call('POST', 'show/ports', {})).rejects.toMatchObject({
      message: 'Too many.',
      status: 422,
      faults: [{ path: '/ports/3' }],
    })
    await expect(call('POST', 'show/ports', {})).rejects.toMatchObject({
      message: 'The server answered 502.',
      status: 502,
      faults: [],
    })
  })
  it('may be silent, and that is said too', async () => {
    willAnswer()
    await expect(call('GET', 'show')).rejects.toThrow('The web server does not answer.')
  })
})

describe('a fault', () => {
  it.each([
    ['/ports/3/receive/port', 'receive/port'],
    ['/ports/3', ''],
    ['/name', '/name'],
    ['/routes/12/do/0/level', 'do/0/level'],
  ])('at %s is at "%s" of its form', (path, place) => {
    expect(within(path)).toBe(place)
  })
  it('is spelled with its field, and without one where the whole part is meant', () => {
    const refused = new Refused('no', 422, [
      { path: '/ports/0/name', problem: 'it is empty', allowed: 'Use a name.' },
      { path: '/ports/0', problem: 'it is a list', allowed: 'Use an object.' },
    ])
    expect(spellRefusal(refused)).toBe('name: it is empty. Use a name. this: it is a list. Use an object.')
    expect(spellRefusal(new Error('something else'))).toBe('something else')
  })
  it('is kept until the next attempt', async () => {
    const { failed, attempt } = useAttempt()
    expect([await attempt(() => Promise.reject(new Error('no'))), failed.value]).toEqual([false, 'no'])
    expect([await attempt(() => Promise.resolve()), failed.value]).toEqual([true, ''])
  })
})

describe('a step back', () => {
  it('is taken once what is being edited is stored, and means that edit', async () => {
    willAnswer(json(200, { revision: 8, document: {} }), json(200, { revision: 9, document: {}, undone: 'rename A' }))
    const edit = useShow().replace('ports', 'a', { name: 'A' })
    const step = useShow().undo()
    expect(asked.map((one) => one.path)).toEqual(['/api/show/ports/a'])
    await Promise.all([edit, step])
    expect(asked.map((one) => [one.path, one.base])).toEqual([
      ['/api/show/ports/a', '7'],
      ['/api/show/undo', '8'],
    ])
  })
  it('is taken too where the edit before it was refused', async () => {
    willAnswer(json(422, { message: 'no', faults: [] }), json(200, { revision: 8, document: {} }))
    const edit = useShow().replace('ports', 'a', { name: '' })
    const step = useShow().undo()
    await expect(edit).rejects.toThrow('no')
    await step
    expect(asked.map((one) => one.path)).toEqual(['/api/show/ports/a', '/api/show/undo'])
  })
})

describe('a form', () => {
  it('stores what is new, and what was there from the form of the show that it was opened at', async () => {
    const { store, wrong, busy } = useStoring('ports')
    willAnswer(json(200, { revision: 8, id: 'new-port', document: {} }))
    expect(await store(undefined, { name: 'New' })).toBe('new-port')
    willAnswer(json(200, { revision: 9, document: {} }))
    expect(await store('old-port', { name: 'Old' })).toBe('old-port')
    expect(asked.map((one) => [one.method, one.path, one.base])).toEqual([
      ['POST', '/api/show/ports', undefined],
      ['PUT', '/api/show/ports/old-port', '7'],
    ])
    expect([wrong.value, busy.value]).toEqual([[], false])
  })
  it('says what is wrong with each field, and forgets it when it is stored', async () => {
    const { store, fault, wrong } = useStoring('ports')
    willAnswer(
      json(422, { message: 'no', faults: [{ path: '/ports/3/receive/port', problem: 'it is 0', allowed: 'Use 1 to 65535.' }] }),
    )
    expect(await store('a', {})).toBeNull()
    expect([fault('receive/port'), fault('name'), wrong.value]).toEqual([
      'it is 0. Use 1 to 65535.',
      undefined,
      ['receive, port: it is 0. Use 1 to 65535.'],
    ])
    willAnswer(show(8))
    await store('a', {})
    expect([fault('receive/port'), wrong.value]).toEqual([undefined, []])
  })
  it('that somebody was faster than is refused once, with the new form at hand; saving again is meant', async () => {
    const { save } = useBase()
    const replace = () => save((base) => useShow().replace('ports', 'a', {}, base))
    willAnswer(json(409, { message: 'Somebody else has changed it.' }), show(12))
    await expect(replace()).rejects.toThrow('Somebody else')
    willAnswer(show(13))
    await replace()
    expect(asked.map((one) => [one.method, one.base])).toEqual([
      ['PUT', '7'],
      ['GET', undefined],
      ['PUT', '12'],
    ])
  })
})

describe('the show', () => {
  it('says whose edit was taken back', async () => {
    willAnswer(
      json(200, { revision: 8, document: {}, undone: 'add port Desk', undoneBy: 'Ada', notice: 'A universe is fed by nobody.' }),
    )
    await useShow().undo()
    expect(useShow().said).toBe('Undone: add port Desk (by Ada). A universe is fed by nobody.')
  })
  it('says whose edit was done again, and asks for it with the form that is shown', async () => {
    willAnswer(json(200, { revision: 9, document: {}, redone: 'add port Desk', redoneBy: 'Ada', notice: null }))
    await useShow().redo()
    expect(useShow().said).toBe('Done again: add port Desk (by Ada).')
    expect(asked.map((one) => [one.method, one.path, one.base])).toEqual([['POST', '/api/show/redo', '7']])
  })
  it('looks again where somebody else was faster with an edit, an undo or a redo', async () => {
    willAnswer(json(409, { message: 'The last edit is another one now.' }), show(30))
    await expect(useShow().redo()).rejects.toThrow('another one')
    expect(useShow().data?.revision).toBe(30)
  })
  it('does not show an older form after a newer one', async () => {
    let late: (response: Response) => void = () => {}
    vi.stubGlobal('fetch', (_path: string, request: { method: string }) =>
      request.method === 'GET' ? new Promise<Response>((resolve) => (late = resolve)) : Promise.resolve(show(21)()),
    )
    const looking = useShow().load()
    await useShow().add('ports', { name: 'New' })
    late(show(20)())
    await looking
    expect(useShow().data?.revision).toBe(21)
  })
  it('misses none of two edits by others that come one right after the other', async () => {
    const held: ((response: Response) => void)[] = []
    vi.stubGlobal('fetch', () => new Promise<Response>((resolve) => held.push(resolve)))
    const first = useShow().follow()
    const second = useShow().follow()
    expect(held).toHaveLength(1)
    held[0]?.(show(8)())
    await vi.waitFor(() => expect(held).toHaveLength(2))
    held[1]?.(show(9)())
    await Promise.all([first, second])
    expect(useShow().data?.revision).toBe(9)
  })
  it('asks again where an edit of its own has overtaken what is newer still', async () => {
    const held: ((response: Response) => void)[] = []
    vi.stubGlobal('fetch', (_path: string, request: { method: string }) =>
      request.method === 'GET' ? new Promise<Response>((resolve) => held.push(resolve)) : Promise.resolve(show(21)()),
    )
    const looking = useShow().follow()
    await useShow().add('ports', { name: 'New' })
    held[0]?.(show(22)())
    await vi.waitFor(() => expect(held).toHaveLength(2))
    held[1]?.(show(22)())
    await looking
    expect(useShow().data?.revision).toBe(22)
  })
})
