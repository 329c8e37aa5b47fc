<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow, type ListName } from '@/api/show'
import { useDescriptions } from '@/kinds/kinds'
import { useEngine } from '@/live/engine'
import { useReleasing } from './releasing'
import { places } from '@/router'

const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ step: [way: 'undo' | 'redo'] }>()
const router = useRouter()
const show = useShow()
const session = useSession()
const engine = useEngine()
const { releaseAll } = useReleasing()
const descriptions = useDescriptions()
const text = ref('')
const at = ref(0)
const field = ref<HTMLInputElement | null>(null)
watch(open, async (now) => {
  text.value = ''
  if (now) {
    useDescriptions()
    await nextTick()
    field.value?.focus()
  }
})
watch(text, () => {
  at.value = 0
})

interface Find {
  kind: string
  name: string
  run: () => void
}
const go = (path: string) => () => void router.push(path)
/** Where the parts of each list are seen; what they are called, their classes say. */
const pages: Partial<Record<ListName, (id: string) => string>> = {
  ports: (id) => `/ports/${id}`,
  universes: (id) => `/universes/${id}`,
  fixtures: (id) => `/patch/${id}`,
  routes: (id) => `/routes/${id}`,
  values: () => '/show',
}
const parts = computed<Find[]>(() =>
  Object.entries(pages).flatMap(([list, path]) => {
    const kind = descriptions.value?.lists[list as ListName].label.toLowerCase() ?? ''
    const all = (show.document?.[list as ListName] ?? []) as { id: string; name: string }[]
    return all.map((one) => ({ kind, name: one.name, run: go(path(one.id)) }))
  }),
)
const everything = computed<Find[]>(() => [
  ...places.map((place) => ({ kind: 'page', name: place.name, run: go(place.path) })),
  ...parts.value,
  ...show.ports.map((port) => ({ kind: 'check', name: `Check connection: ${port.name}`, run: go(`/ports/${port.id}?check=1`) })),
  ...(session.mayOperate
    ? show.values
        .filter((value) => (value.type ?? 'switch') === 'switch')
        .map((value) => ({
          kind: 'point',
          name: `Turn over: ${value.name}`,
          run: () => void engine.pressPoint(`value:${value.id}`),
        }))
    : []),
  ...(session.mayOperate
    ? show.routes
        .filter((route) => route.from?.kind !== 'slot')
        .map((route) => ({ kind: 'point', name: `Run: ${route.name}`, run: () => void engine.pressPoint(`route:${route.id}`) }))
    : []),
  ...(session.mayOperate
    ? [
        { kind: 'action', name: 'Release what I hold by hand', run: () => void engine.releaseMine() },
        { kind: 'action', name: 'Release everything held by hand', run: releaseAll },
      ]
    : []),
  ...(session.mayBuild && show.data?.undo
    ? [{ kind: 'action', name: `Undo: ${show.data.undo}`, run: () => emit('step', 'undo') }]
    : []),
  ...(session.mayBuild && show.data?.redo
    ? [{ kind: 'action', name: `Redo: ${show.data.redo}`, run: () => emit('step', 'redo') }]
    : []),
  ...(session.mayBuild
    ? [
        { kind: 'action', name: 'Add a port', run: go('/ports?add=1') },
        { kind: 'action', name: 'Add a route', run: go('/routes?add=1') },
      ]
    : []),
])
const found = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean)
  return everything.value
    .filter((one) => words.every((word) => `${one.kind} ${one.name}`.toLowerCase().includes(word)))
    .slice(0, 12)
})
function run(one: Find | undefined): void {
  if (!one) return
  open.value = false
  one.run()
}
</script>

<template>
  <v-dialog v-model="open" aria-label="Find">
    <div class="panel">
      <input
        ref="field"
        v-model="text"
        aria-label="Find a port, universe, fixture, route, page or action"
        placeholder="Find a port, universe, fixture, route, page or action"
        role="combobox"
        aria-controls="found"
        :aria-expanded="true"
        :aria-activedescendant="`found-${at}`"
        @keydown.down.prevent="at = Math.min(at + 1, found.length - 1)"
        @keydown.up.prevent="at = Math.max(at - 1, 0)"
        @keydown.enter.prevent="run(found[at])"
      />
      <ul id="found" role="listbox" aria-label="Found">
        <li
          v-for="(one, i) in found"
          :id="`found-${i}`"
          :key="one.kind + one.name"
          role="option"
          :aria-selected="i === at"
          @click="run(one)"
          @mousemove="at = i"
        >
          <span class="quiet">{{ one.kind }}</span> {{ one.name }}
        </li>
      </ul>
      <p v-if="found.length === 0" class="quiet none">Nothing is called that.</p>
    </div>
  </v-dialog>
</template>

<style scoped>
input {
  width: 100%;
  padding: 12px;
  font: inherit;
  font-size: 18px;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--rule);
  outline: none;
}
ul {
  list-style: none;
  padding: 8px 0 0;
}
li {
  padding: 8px 12px;
  cursor: pointer;
  display: grid;
  grid-template-columns: 84px 1fr;
}
li[aria-selected='true'] {
  background: rgb(var(--v-theme-surface-variant));
}
.none {
  padding: 12px;
}
</style>
