// @vitest-environment node
import { expect, test } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import { useFollowed, useUsual } from '@/kinds/followed'

const within = <T>(make: () => T): T => effectScope().run(make) as T

test('what was typed stays when the part comes back stored; what nobody touched follows it', async () => {
  const track = ref({ id: 'a', name: 'Level 2', point: '', early: 0 })
  const draft = within(() =>
    useFollowed(
      () => ({ name: track.value.name, point: track.value.point, early: track.value.early }),
      () => track.value.id,
    ),
  )
  draft.value.point = 'fixture:lantern/level'
  // One's own edit, stored: another object, the same in it.
  track.value = { ...track.value }
  await nextTick()
  expect(draft.value).toEqual({ name: 'Level 2', point: 'fixture:lantern/level', early: 0 })
  // Somebody else's edit meanwhile.
  track.value = { ...track.value, name: 'Lantern', point: 'fixture:fern/level' }
  await nextTick()
  expect(draft.value).toEqual({ name: 'Lantern', point: 'fixture:lantern/level', early: 0 })
})

test('after it was stored and undone it follows again', async () => {
  const page = ref({ id: 'p', name: 'Walk' })
  const draft = within(() =>
    useFollowed(
      () => ({ name: page.value.name }),
      () => page.value.id,
    ),
  )
  draft.value.name = 'Night'
  page.value = { id: 'p', name: 'Night' }
  await nextTick()
  page.value = { id: 'p', name: 'Walk' }
  await nextTick()
  expect(draft.value.name).toBe('Walk')
})

test('of another part nothing that was typed is kept', async () => {
  const page = ref({ id: 'p', name: 'Walk' })
  const draft = within(() =>
    useFollowed(
      () => ({ name: page.value.name }),
      () => page.value.id,
    ),
  )
  draft.value.name = 'Half typ'
  page.value = { id: 'q', name: 'Doors' }
  await nextTick()
  expect(draft.value.name).toBe('Doors')
})

test('what is usual comes with the show, unless somebody has chosen', () => {
  const universes = ref<string[]>([])
  const point = within(() => useUsual(() => (universes.value[0] ? `slot:${universes.value[0]}/{n}` : '')))
  expect(point.value).toBe('')
  universes.value = ['palm-house']
  expect(point.value).toBe('slot:palm-house/{n}')
  point.value = ''
  universes.value = ['fern-gallery']
  expect(point.value).toBe('')
})
